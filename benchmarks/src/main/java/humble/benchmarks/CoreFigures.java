package humble.benchmarks;

import java.io.PrintStream;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Locale;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.Options;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.runner.options.VerboseMode;

/** The core's work on the demo kit, by JMH. */
final class CoreFigures {
  private CoreFigures() {}

  static void measure(Path root, PrintStream out) {
    Options options =
        new OptionsBuilder()
            .include(CoreWork.class.getName())
            .forks(1)
            .warmupIterations(3)
            .warmupTime(TimeValue.seconds(1))
            .measurementIterations(5)
            .measurementTime(TimeValue.seconds(1))
            .jvmArgsAppend("-Dhumble.root=" + root.toAbsolutePath())
            .verbosity(VerboseMode.SILENT)
            .build();
    try {
      Collection<RunResult> results = new Runner(options).run();
      for (RunResult result : results) {
        String name = result.getParams().getBenchmark();
        out.printf(
            Locale.ROOT,
            "| core: %s | %.3g ± %.2g ms | | |%n",
            CoreWork.title(name.substring(name.lastIndexOf('.') + 1)),
            result.getPrimaryResult().getScore(),
            result.getPrimaryResult().getScoreError());
      }
    } catch (RunnerException e) {
      throw new IllegalStateException("JMH did not run", e);
    }
  }
}
