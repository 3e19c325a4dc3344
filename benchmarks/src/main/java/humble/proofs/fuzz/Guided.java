package humble.proofs.fuzz;

import humble.proofs.ChildJvm;
import java.io.BufferedReader;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Lets a fuzzer lead the inputs of a reader into branches that none took before, in a process with
 * a heap of 256 MiB. An input above two seconds ends the run as a fault.
 */
final class Guided {
  private static final Pattern DONE = Pattern.compile("Done (\\d+) runs in (\\d+) second.*");
  private static final Pattern COVERED = Pattern.compile(".*cov: (\\d+).*");
  private static final int LONGEST_S = 2;
  private static final int LARGEST_BYTES = 1 << 17;
  private static final int TOLD_LINES = 30;

  private Guided() {}

  /**
   * What a run showed.
   *
   * @param inputs inputs read
   * @param seconds how long it took
   * @param edges branches that some input took
   * @param findings the last lines of a run that found a fault; empty when it found none
   */
  record Result(long inputs, long seconds, long edges, List<String> findings) {
    boolean stood() {
      return findings.isEmpty() && inputs > 0;
    }
  }

  static Result run(Path root, String reader, long inputs, long seconds, Path folder)
      throws IOException, InterruptedException {
    Path seeds = Files.createDirectories(folder.resolve("seeds"));
    try (Stream<Path> files = Files.list(root.resolve("corpus").resolve(reader))) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        Files.copy(file, seeds.resolve(file.getFileName()));
      }
    }
    List<String> words = new ArrayList<>();
    words.add("--target_class=" + GuidedTarget.class.getName());
    words.add("--instrumentation_includes=humble.core.**:humble.formats.**:humble.bench.**");
    words.add("-timeout=" + LONGEST_S);
    words.add("-max_len=" + LARGEST_BYTES);
    words.add("-artifact_prefix=" + folder + "/");
    if (seconds > 0) {
      words.add("-max_total_time=" + seconds);
    }
    if (inputs > 0) {
      words.add("-runs=" + inputs);
    }
    words.add(seeds.toString());
    Process process =
        new ProcessBuilder(
                ChildJvm.command(
                    List.of(
                        "-Xmx256m",
                        "-XX:+EnableDynamicAgentLoading",
                        "-Dhumble.root=" + root,
                        "-Dhumble.fuzz.reader=" + reader),
                    "com.code_intelligence.jazzer.Jazzer",
                    words))
            .directory(folder.toFile())
            .redirectErrorStream(true)
            .start();
    return result(process);
  }

  private static Result result(Process process) throws IOException, InterruptedException {
    long inputs = 0;
    long took = 0;
    long edges = 0;
    Deque<String> last = new ArrayDeque<>();
    try (BufferedReader lines = process.inputReader(StandardCharsets.UTF_8)) {
      for (String line = lines.readLine(); line != null; line = lines.readLine()) {
        Matcher done = DONE.matcher(line);
        Matcher covered = COVERED.matcher(line);
        if (done.matches()) {
          inputs = Long.parseLong(done.group(1));
          took = Long.parseLong(done.group(2));
        }
        if (covered.matches()) {
          edges = Long.parseLong(covered.group(1));
        }
        last.addLast(line);
        if (last.size() > TOLD_LINES) {
          last.removeFirst();
        }
      }
    }
    boolean stood = process.waitFor() == 0;
    return new Result(inputs, took, edges, stood ? List.of() : List.copyOf(last));
  }
}
