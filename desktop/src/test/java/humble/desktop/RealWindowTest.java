package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import humble.core.build.BuildEvent;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The program in a real window on a virtual display, with the platform that makers have. */
class RealWindowTest {
  @TempDir Path folder;

  private static boolean installed(String program) {
    return Arrays.stream(System.getenv("PATH").split(":"))
        .anyMatch(path -> Files.isExecutable(Path.of(path, program)));
  }

  @Test
  void itComesUpTakesKeysAndIsSeenOnTheScreen() throws IOException, InterruptedException {
    assumeTrue(installed("Xvfb"), "the launcher installs a virtual display where it can");
    int number = 60;
    while (Files.exists(Path.of("/tmp/.X11-unix/X" + number))) {
      number++;
    }
    Process display =
        new ProcessBuilder("Xvfb", ":" + number, "-screen", "0", "1280x800x24")
            .redirectErrorStream(true)
            .redirectOutput(folder.resolve("display.log").toFile())
            .start();
    try {
      for (int i = 0; i < 200 && !Files.exists(Path.of("/tmp/.X11-unix/X" + number)); i++) {
        Thread.sleep(50);
      }
      assertThat(drive(":" + number)).contains("seen");
    } finally {
      display.destroy();
    }
    BufferedImage screen = ImageIO.read(folder.resolve("screen.png").toFile());
    Set<Integer> colours = new HashSet<>();
    for (int x = 0; x < screen.getWidth(); x += 8) {
      for (int y = 0; y < screen.getHeight(); y += 8) {
        colours.add(screen.getRGB(x, y));
      }
    }
    assertThat(colours).as("colours on the screen").hasSizeGreaterThan(20);
    try (Journal journal =
        ((JournalOpen.Opened) Journal.open(folder.resolve("home/bench.db"), Clock.systemUTC()))
            .journal()) {
      assertThat(journal.build("glowmoth-1").entries().stream().map(BuildEvent.Entry::event))
          .anyMatch(e -> e instanceof BuildEvent.Began)
          .anyMatch(e -> e instanceof BuildEvent.Counted);
    }
  }

  private String drive(String display) throws IOException, InterruptedException {
    ProcessBuilder builder =
        new ProcessBuilder(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED",
                "-cp",
                System.getProperty("java.class.path"),
                "humble.desktop.RealWindowDriver",
                folder.resolve("home").toString(),
                BenchInTest.glowmoth().toAbsolutePath().toString(),
                folder.resolve("screen.png").toString()));
    builder.environment().put("DISPLAY", display);
    builder.redirectErrorStream(true);
    builder.redirectOutput(folder.resolve("driver.log").toFile());
    Process process = builder.start();
    boolean ended = process.waitFor(90, TimeUnit.SECONDS);
    process.destroyForcibly();
    String said = Files.readString(folder.resolve("driver.log"), StandardCharsets.UTF_8);
    assertThat(ended).as(said).isTrue();
    return said;
  }
}
