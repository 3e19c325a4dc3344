package humble.proofs.find;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Runs a real SPICE on a deck and reads what it prints. */
final class Spice {
  private static final Pattern VALUE =
      Pattern.compile("^\\s*(\\S+)\\s+(-?[\\d.]+(?:e[+-]\\d+)?)\\s*$", Pattern.MULTILINE);

  private final Path folder;

  Spice(Path folder) {
    this.folder = folder;
  }

  static boolean installed() {
    for (String path : System.getenv().getOrDefault("PATH", "").split(":")) {
      if (Files.isExecutable(Path.of(path, "ngspice"))) {
        return true;
      }
    }
    return false;
  }

  /** Volts by node and amperes through every source {@code vNAME}, by {@code vNAME#branch}. */
  record Point(Map<String, Double> values) {
    double volts(String node) {
      return node.equals("0") ? 0 : values.getOrDefault(node.toLowerCase(Locale.ROOT), Double.NaN);
    }

    double amps(String source) {
      return values.getOrDefault(source.toLowerCase(Locale.ROOT) + "#branch", Double.NaN);
    }
  }

  /** Solves a deck; empty where SPICE finds no operating point. */
  Optional<Point> solve(String deck) throws IOException, InterruptedException {
    Path file = Files.createTempFile(folder, "deck", ".cir");
    Path out = Files.createTempFile(folder, "out", ".txt");
    try {
      Files.writeString(file, deck);
      Process process =
          new ProcessBuilder("ngspice", "-b", file.toString())
              .redirectErrorStream(true)
              .redirectOutput(out.toFile())
              .start();
      if (!process.waitFor(60, TimeUnit.SECONDS)) {
        process.destroyForcibly();
        return Optional.empty();
      }
      String printed = Files.readString(out, StandardCharsets.UTF_8);
      Map<String, Double> values = new HashMap<>();
      Matcher value = VALUE.matcher(printed);
      while (value.find()) {
        String name = value.group(1).toLowerCase(Locale.ROOT);
        if (name.startsWith("v(") && name.endsWith(")")) {
          name = name.substring(2, name.length() - 1);
        }
        values.putIfAbsent(name, Double.valueOf(value.group(2)));
      }
      boolean failed = printed.contains("op simulation(s) aborted") || values.isEmpty();
      return failed ? Optional.empty() : Optional.of(new Point(values));
    } finally {
      Files.deleteIfExists(file);
      Files.deleteIfExists(out);
    }
  }
}
