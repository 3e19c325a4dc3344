package humble.benchmarks;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** From the digit of a lamp to the drawn difference, at a row of a program that is read back. */
final class LampTyped {
  private LampTyped() {}

  static void measure(Path root, PrintStream out) throws IOException, InterruptedException {
    List<String> command =
        Started.machine(
            "-Dglass.platform=Headless", "-Dprism.order=sw", "-Djava.awt.headless=true");
    command.add("humble.benchmarks.LampProbe");
    command.add(root.resolve("kits/lockkeeper").toString());
    List<String> lines = Started.lines(command, Map.of());
    if (!lines.contains("end")) {
      throw new IOException("the probe did not come to its end");
    }
    List<Double> typed = new ArrayList<>();
    List<Double> same = new ArrayList<>();
    lines.stream()
        .filter(line -> !line.equals("end"))
        .map(line -> line.split(" "))
        .forEach(both -> {
          typed.add(Double.valueOf(both[0]));
          same.add(Double.valueOf(both[1]));
        });
    out.printf(
        Locale.ROOT,
        "| lamp typed to the drawn difference, %d digits | median %.1f ms (quickest %.1f, 90 of 100"
            + " within %.1f) | the same window drawn, nothing changed: median %.1f ms | %.2f |%n",
        typed.size(),
        Median.of(typed),
        Median.percentile(typed, 1),
        Median.percentile(typed, 90),
        Median.of(same),
        Median.of(typed) / Median.of(same));
  }
}
