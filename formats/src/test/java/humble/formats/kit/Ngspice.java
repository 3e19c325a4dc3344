package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** A real SPICE, run on a deck. */
final class Ngspice {
  private static final Pattern NODE =
      Pattern.compile(
          "^\\s*(?:V\\()?(\\d+)\\)?\\s+(-?[\\d.]+(?:e[+-]\\d+)?)\\s*$", Pattern.MULTILINE);
  private static final Pattern NET =
      Pattern.compile("^\\* net (\\S+) = (\\d+)$", Pattern.MULTILINE);

  private Ngspice() {}

  static boolean installed() {
    return Stream.of(System.getenv("PATH").split(":"))
        .anyMatch(path -> Files.isExecutable(Path.of(path, "ngspice")));
  }

  /** Gives the name of a net in a deck. */
  static String word(String net) {
    return net.replaceAll("[^A-Za-z0-9_]", "_");
  }

  /** Gives what it prints. */
  static String run(Path folder, String deck) throws IOException, InterruptedException {
    Path file = folder.resolve("deck.cir");
    Files.writeString(file, deck);
    Path out = folder.resolve("out.txt");
    Process process =
        new ProcessBuilder("ngspice", "-b", file.toString())
            .redirectErrorStream(true)
            .redirectOutput(out.toFile())
            .start();
    assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
    return Files.readString(out, StandardCharsets.UTF_8);
  }

  /** Gives the volts by net, as the deck's comments name them. */
  static Map<String, Double> volts(Path folder, String deck)
      throws IOException, InterruptedException {
    return volts(deck, run(folder, deck));
  }

  /** Reads the volts by net out of what was printed. */
  static Map<String, Double> volts(String deck, String printed) {
    Map<String, Double> byNode = new HashMap<>();
    byNode.put("0", 0.0);
    Matcher node = NODE.matcher(printed);
    while (node.find()) {
      byNode.putIfAbsent(node.group(1), Double.valueOf(node.group(2)));
    }
    Map<String, Double> byNet = new HashMap<>();
    Matcher net = NET.matcher(deck);
    while (net.find()) {
      byNet.put(net.group(1), byNode.get(net.group(2)));
    }
    return byNet;
  }
}
