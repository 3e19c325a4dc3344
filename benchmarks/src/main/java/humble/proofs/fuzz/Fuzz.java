package humble.proofs.fuzz;

import humble.proofs.ChildJvm;
import humble.proofs.Scratch;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * The command {@code fuzz READER [--inputs N] [--seconds S] [--from K] [--kits N] [--guided]
 * [--json]}: puts mutated inputs through a reader in a process with a heap of 256 MiB. Exit status
 * 0 when it stood them all, 1 when it did not, 2 for a reader that there is not.
 */
public final class Fuzz {
  private static final long USUAL_INPUTS = 100_000;

  private Fuzz() {}

  /**
   * What a run showed.
   *
   * @param inputs inputs read
   * @param exceptions how often something was thrown that should not be
   * @param hangs inputs that took longer than two seconds
   * @param bytesMax largest input
   * @param millis how long it took
   * @param opened inputs that a kit came of
   * @param commandsOn kits whose commands were run
   * @param findings each fault once
   */
  record Result(
      long inputs,
      long exceptions,
      long hangs,
      long bytesMax,
      long millis,
      long opened,
      long commandsOn,
      List<String> findings) {
    boolean stood() {
      return exceptions == 0 && hangs == 0 && inputs > 0;
    }
  }

  /** Runs the command. */
  public static void main(String[] arguments) throws IOException, InterruptedException {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    List<String> words = List.of(arguments);
    String reader = words.isEmpty() ? "" : words.getFirst();
    if (!Reader.NAMES.contains(reader)) {
      System.err.println(
          "There is no reader '"
              + reader
              + "'; there are "
              + String.join(", ", Reader.NAMES)
              + ".");
      System.exit(2);
    }
    long seconds = option(words, "--seconds", 0);
    Path folder = Files.createTempDirectory("humble-fuzz");
    if (words.contains("--guided")) {
      System.exit(guided(reader, option(words, "--inputs", 0), seconds, folder, out));
    }
    Result result =
        run(
            Path.of(System.getProperty("humble.root", ".")),
            reader,
            option(words, "--from", 0),
            option(words, "--inputs", seconds > 0 ? Long.MAX_VALUE / 4 : USUAL_INPUTS),
            seconds > 0 ? seconds * 1000 : Long.MAX_VALUE,
            option(words, "--kits", 20),
            folder);
    if (words.contains("--json")) {
      out.printf(
          "{\"reader\":\"%s\",\"inputs\":%d,\"exceptions\":%d,\"hangs\":%d,\"bytes_max\":%d,"
              + "\"seconds\":%.1f,\"opened\":%d,\"commands_on\":%d}%n",
          reader,
          result.inputs(),
          result.exceptions(),
          result.hangs(),
          result.bytesMax(),
          result.millis() / 1000.0,
          result.opened(),
          result.commandsOn());
    } else {
      out.printf(
          "%s: %,d inputs, %d exceptions, %d hangs, largest %,d bytes, %.1f s%n",
          reader,
          result.inputs(),
          result.exceptions(),
          result.hangs(),
          result.bytesMax(),
          result.millis() / 1000.0);
    }
    result.findings().forEach(System.err::println);
    if (result.stood()) {
      Scratch.delete(folder);
    }
    System.exit(result.stood() ? 0 : 1);
  }

  private static int guided(String reader, long inputs, long seconds, Path folder, PrintStream out)
      throws IOException, InterruptedException {
    Guided.Result result =
        Guided.run(
            Path.of(System.getProperty("humble.root", ".")).toAbsolutePath(),
            reader,
            inputs == 0 && seconds == 0 ? USUAL_INPUTS : inputs,
            seconds,
            folder);
    out.printf(
        "%s, led by its branches: %,d inputs, %,d branches taken, %d s, %s%n",
        reader,
        result.inputs(),
        result.edges(),
        result.seconds(),
        result.stood() ? "no fault" : "a fault; its input is in " + folder);
    result.findings().forEach(System.err::println);
    if (result.stood()) {
      Scratch.delete(folder);
    }
    return result.stood() ? 0 : 1;
  }

  private static long option(List<String> words, String name, long usual) {
    int at = words.indexOf(name);
    return at < 0 || at + 1 >= words.size() ? usual : Long.parseLong(words.get(at + 1));
  }

  /** Runs inputs through a reader in a process of its own; one may take two seconds. */
  static Result run(
      Path root, String reader, long first, long inputs, long mostMs, long kits, Path folder)
      throws IOException, InterruptedException {
    return run(
        root, reader, first, inputs, mostMs, kits, folder, Long.getLong("humble.fuzz.hang", 2_000));
  }

  /** Runs inputs through a reader in a process of its own; one may take {@code hangMs}. */
  static Result run(
      Path root,
      String reader,
      long first,
      long inputs,
      long mostMs,
      long kits,
      Path folder,
      long hangMs)
      throws IOException, InterruptedException {
    Process process =
        new ProcessBuilder(
                ChildJvm.command(
                    List.of("-Xmx256m", "-Dhumble.fuzz.hang=" + hangMs),
                    FuzzChild.class.getName(),
                    List.of(
                        root.toString(),
                        reader,
                        Long.toString(first),
                        Long.toString(inputs),
                        Long.toString(mostMs),
                        Long.toString(kits),
                        folder.toString())))
            .redirectErrorStream(true)
            .start();
    List<String> findings = new ArrayList<>();
    long[] figures = new long[7];
    try (BufferedReader lines = process.inputReader(StandardCharsets.UTF_8)) {
      for (String line = lines.readLine(); line != null; line = lines.readLine()) {
        if (line.startsWith("figures ")) {
          String[] words = line.split(" ");
          for (int i = 0; i < figures.length; i++) {
            figures[i] = Long.parseLong(words[i + 1]);
          }
        } else {
          findings.add(line);
        }
      }
    }
    int status = process.waitFor();
    long exceptions = figures[1] + (status == 0 ? 0 : 1);
    if (status != 0) {
      findings.add("the process ended with " + status);
    }
    return new Result(
        figures[0],
        exceptions,
        figures[2],
        figures[3],
        figures[4],
        figures[5],
        figures[6],
        findings);
  }
}
