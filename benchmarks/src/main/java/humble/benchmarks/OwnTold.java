package humble.benchmarks;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Acts to the first gate of a board that somebody tells, counted in the window. */
final class OwnTold {
  private OwnTold() {}

  static void measure(Path root, PrintStream out) throws IOException, InterruptedException {
    Map<String, String> sheet = walk(root);
    int parts = acts(sheet, "parts");
    int places = acts(sheet, "board") + acts(sheet, "places");
    out.printf(
        Locale.ROOT,
        "| a sheet alone told on the grid, %d parts | %d acts for the places, %.2f a part; %d for"
            + " which way round; %d for its supply; %s gates reckoned; check passed: %s; an answer"
            + " taken in %s ms, 95 of 100 within %s ms | two clicks a part | %.2f |%n",
        parts,
        places,
        places / (double) parts,
        acts(sheet, "way round"),
        acts(sheet, "power"),
        sheet.get("gates"),
        sheet.get("passes"),
        sheet.get("median"),
        sheet.get("within"),
        places / (2.0 * parts));
    Map<String, String> photos = walk(root, "photos", "kits/sandglass/source");
    parts = acts(photos, "parts");
    places = acts(photos, "photos") + acts(photos, "places");
    out.printf(
        Locale.ROOT,
        "| a sheet and two photos told, %d parts | %d acts for photos and places, %.2f a part; %d"
            + " for which way round; %d for its supply; %s gates reckoned; check passed: %s | two"
            + " clicks a part | %.2f |%n",
        parts,
        places,
        places / (double) parts,
        acts(photos, "way round"),
        acts(photos, "power"),
        photos.get("gates"),
        photos.get("passes"),
        places / (2.0 * parts));
    Map<String, String> board = walk(root, "board", "kits/ferrybell/board");
    out.printf(
        Locale.ROOT,
        "| board files alone told, %d parts | %d acts for what the list leaves open; %d for which"
            + " way round; %d for its supply; %s gates reckoned; check passed: %s | | |%n",
        acts(board, "parts"),
        acts(board, "list"),
        acts(board, "way round"),
        acts(board, "power"),
        board.get("gates"),
        board.get("passes"));
  }

  private static Map<String, String> walk(Path root, String... from)
      throws IOException, InterruptedException {
    List<String> command =
        Started.machine(
            "-Dglass.platform=Headless", "-Dprism.order=sw", "-Djava.awt.headless=true");
    command.add("humble.desktop.walk.OwnWalk");
    command.add(root.resolve("kits/glowmoth").toString());
    if (from.length == 2) {
      command.add(from[0]);
      command.add(root.resolve(from[1]).toString());
    }
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
    return said;
  }

  private static int acts(Map<String, String> said, String phase) {
    return Integer.parseInt(said.getOrDefault(phase, "0"));
  }
}
