package humble.benchmarks;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * How many frames a second a board of 5,000 pads and 20,000 strokes is moved and turned at, drawn
 * in software on a virtual display with the options of the window.
 */
final class BoardFrames {
  private BoardFrames() {}

  static void measure(Path root, PrintStream out) throws IOException, InterruptedException {
    List<String> command =
        Started.machine(
            "-XX:+UseSerialGC",
            "-XX:TieredStopAtLevel=1",
            "-Dprism.order=sw",
            "-Djavafx.animation.fullspeed=true",
            "-Dhumble.root=" + root);
    command.add("humble.benchmarks.FrameProbe");
    List<String> lines;
    try (Display display = Display.open()) {
      lines = Started.lines(command, Map.of("DISPLAY", display.name()));
    }
    double bare = frames(lines, "bare");
    for (String what : List.of("pan", "turn")) {
      double frames = frames(lines, what);
      out.printf(
          Locale.ROOT,
          "| %s a board of 5,000 pads and 20,000 strokes | %.0f frames a second |"
              + " one rectangle in the same window: %.0f | %.2f |%n",
          what,
          frames,
          bare,
          frames / bare);
    }
  }

  private static double frames(List<String> lines, String what) throws IOException {
    return lines.stream()
        .filter(line -> line.startsWith(what + " "))
        .map(line -> Double.valueOf(line.substring(what.length() + 1)))
        .findFirst()
        .orElseThrow(() -> new IOException("the probe said nothing of '" + what + "'"));
  }
}
