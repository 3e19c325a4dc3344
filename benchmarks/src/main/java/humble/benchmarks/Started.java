package humble.benchmarks;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Starts processes and times them from outside. */
final class Started {
  private Started() {}

  /** Gives the milliseconds from the start to the first line that reads {@code line}. */
  static double untilLine(List<String> command, Map<String, String> environment, String line)
      throws IOException, InterruptedException {
    ProcessBuilder builder = new ProcessBuilder(command);
    builder.environment().putAll(environment);
    builder.redirectError(ProcessBuilder.Redirect.DISCARD);
    long from = System.nanoTime();
    Process process = builder.start();
    double took = -1;
    try (BufferedReader reader =
        new BufferedReader(
            new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
      for (String read = reader.readLine(); read != null; read = reader.readLine()) {
        if (read.equals(line) && took < 0) {
          took = (System.nanoTime() - from) / 1e6;
        }
      }
    }
    process.waitFor();
    if (took < 0) {
      throw new IOException("'" + String.join(" ", command) + "' never said '" + line + "'");
    }
    return took;
  }

  /** Gives every line that a process says. */
  static List<String> lines(List<String> command, Map<String, String> environment)
      throws IOException, InterruptedException {
    ProcessBuilder builder = new ProcessBuilder(command);
    builder.environment().putAll(environment);
    builder.redirectError(ProcessBuilder.Redirect.DISCARD);
    Process process = builder.start();
    List<String> lines = process.inputReader(StandardCharsets.UTF_8).lines().toList();
    process.waitFor();
    return lines;
  }

  /** Gives the milliseconds that a whole process takes. */
  static double whole(List<String> command) throws IOException, InterruptedException {
    ProcessBuilder builder = new ProcessBuilder(command);
    builder.redirectOutput(ProcessBuilder.Redirect.DISCARD);
    builder.redirectError(ProcessBuilder.Redirect.DISCARD);
    long from = System.nanoTime();
    int status = builder.start().waitFor();
    double took = (System.nanoTime() - from) / 1e6;
    if (status != 0) {
      throw new IOException("'" + String.join(" ", command) + "' ended with " + status);
    }
    return took;
  }

  static String java() {
    return Path.of(System.getProperty("java.home"), "bin", "java").toString();
  }

  /** Gives {@code java} with the class path of this process and the options every start has. */
  static List<String> machine(String... more) {
    List<String> command =
        new ArrayList<>(
            List.of(
                java(),
                "--enable-native-access=ALL-UNNAMED",
                "--sun-misc-unsafe-memory-access=allow"));
    command.addAll(List.of(more));
    command.add("-cp");
    command.add(System.getProperty("java.class.path"));
    return command;
  }
}
