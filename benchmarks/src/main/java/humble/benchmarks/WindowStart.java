package humble.benchmarks;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * From the start of the process to the first drawn frame: our window with the demo kit laid on the
 * bench, against an empty JavaFX window started plainly. Both on a virtual display, in turns.
 */
final class WindowStart {
  private static final int RUNS = 9;

  private WindowStart() {}

  /** Gives the command of our own start, as the launcher makes it, with {@code main} instead. */
  static List<String> ours(Path root, String main) {
    List<String> command =
        Started.machine(
            "-XX:+UseSerialGC",
            "-XX:TieredStopAtLevel=1",
            "-Xlog:disable",
            "-Dorg.sqlite.lib.path=" + root.resolve("target/native"),
            "-Dorg.sqlite.lib.name=libsqlitejdbc.so",
            "-XX:AOTCache=" + root.resolve("target/window.aot"));
    command.add(main);
    return command;
  }

  static void measure(Path root, PrintStream out) throws IOException, InterruptedException {
    Path home = Files.createTempDirectory("humble-start");
    List<String> ours = ours(root, "humble.desktop.Main$Start");
    ours.addAll(
        List.of(
            "--home",
            home.toString(),
            "--open",
            root.resolve("kits/glowmoth").toString(),
            "--until-shown"));
    List<String> empty = Started.machine();
    empty.add("humble.benchmarks.EmptyWindow$Start");
    try (Display display = Display.open()) {
      Map<String, String> environment = Map.of("DISPLAY", display.name());
      List<Double> oursMs = new ArrayList<>();
      List<Double> emptyMs = new ArrayList<>();
      Started.untilLine(ours, environment, "shown");
      Started.untilLine(empty, environment, "shown");
      for (int i = 0; i < RUNS; i++) {
        oursMs.add(Started.untilLine(ours, environment, "shown"));
        emptyMs.add(Started.untilLine(empty, environment, "shown"));
      }
      out.println(
          Median.row(
              "first useful window",
              Median.spread(oursMs, "ms"),
              "an empty JavaFX window started plainly: " + Median.spread(emptyMs, "ms"),
              Median.of(oursMs) / Median.of(emptyMs)));
    }
  }
}
