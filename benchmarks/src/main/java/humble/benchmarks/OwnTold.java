package humble.benchmarks;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Acts from a pasted sheet to the first gate of a board of sixty places, counted in the window. */
final class OwnTold {
  private OwnTold() {}

  static void measure(Path root, PrintStream out) throws IOException, InterruptedException {
    List<String> command =
        Started.machine(
            "-Dglass.platform=Headless", "-Dprism.order=sw", "-Djava.awt.headless=true");
    command.add("humble.desktop.walk.OwnWalk");
    command.add(root.resolve("kits/glowmoth").toString());
    List<String> lines = Started.lines(command, Map.of());
    if (!lines.contains("end")) {
      throw new IOException("the walk did not come to its end");
    }
    Map<String, String> said = new HashMap<>();
    lines.forEach(line -> {
      int blank = line.lastIndexOf(' ');
      if (blank > 0) {
        said.put(line.substring(0, blank), line.substring(blank + 1));
      }
    });
    int parts = Integer.parseInt(said.getOrDefault("parts", "0"));
    int places = acts(said, "board") + acts(said, "places");
    out.printf(
        Locale.ROOT,
        "| a sheet alone told on the grid, %d parts | %d acts for the places, %.2f a part; %d for"
            + " which way round; %d for its supply; %s gates reckoned; check passed: %s; an answer"
            + " taken in %s ms, 95 of 100 within %s ms | two clicks a part | %.2f |%n",
        parts,
        places,
        places / (double) parts,
        acts(said, "way round"),
        acts(said, "power"),
        said.get("gates"),
        said.get("passes"),
        said.get("median"),
        said.get("within"),
        places / (2.0 * parts));
  }

  private static int acts(Map<String, String> said, String phase) {
    return Integer.parseInt(said.getOrDefault(phase, "0"));
  }
}
