package humble.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.concurrent.TimeUnit;

/** A real SPICE beside ours. */
final class Spice {
  private Spice() {}

  static boolean installed() {
    return Arrays.stream(System.getenv("PATH").split(":"))
        .anyMatch(path -> Files.isExecutable(Path.of(path, "ngspice")));
  }

  /** Runs a deck and gives what was printed. */
  static String run(Path folder, String deck) throws IOException, InterruptedException {
    Path file = folder.resolve("deck.cir");
    Path out = folder.resolve("out.txt");
    Files.writeString(file, deck);
    Process process =
        new ProcessBuilder("ngspice", "-b", file.toString())
            .redirectErrorStream(true)
            .redirectOutput(out.toFile())
            .start();
    assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
    return Files.readString(out, StandardCharsets.UTF_8);
  }
}
