package humble.desktop.walk;

import humble.desktop.stage.StageId;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;

/**
 * Walks the demo through the window offscreen and writes a picture of each main view. Arguments:
 * kit, folder, home.
 */
public final class Shots {
  private final Path kit;
  private final Path folder;

  private Shots(Path kit, Path folder) {
    this.kit = kit;
    this.folder = folder;
  }

  /** Writes the pictures. */
  public static void main(String[] arguments) throws IOException {
    Path home =
        arguments.length > 2 ? Path.of(arguments[2]) : Files.createTempDirectory("humble-shots");
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    Offscreen.start();
    new Shots(Path.of(arguments[0]), Path.of(arguments[1])).all(home);
    out.println("Pictures: " + Path.of(arguments[1]).toAbsolutePath().normalize());
    out.println(
        "Report: "
            + home.resolve("reports").resolve("glowmoth-1.html").toAbsolutePath().normalize());
    Platform.exit();
  }

  private void all(Path home) {
    try (Offscreen screen = new Offscreen(home, List.of(kit), evening(), false)) {
      screen.settle();
      shot(screen, "shelf");
      screen.walkTo(StageId.UNPACK);
      for (int i = 0; i < 17; i++) {
        screen.stepOrWait();
      }
      shot(screen, "unpack");
      screen.walkTo(StageId.SORT);
      for (int i = 0; i < 3; i++) {
        screen.stepOrWait();
      }
      shot(screen, "sort");
      screen.walkTo(StageId.PLAN);
      screen.settle();
      shot(screen, "plan");
      screen.walkTo(StageId.FIT);
      fitTo(screen, "Fit C2");
      Offscreen.onScreen(() -> {
        screen.walk().number("1");
        return true;
      });
      shot(screen, "fit");
      screen.walkTo(StageId.POWER);
      screen.stepOrWait();
      shot(screen, "power");
      screen.walkTo(StageId.FIT);
      fitTo(screen, "Fit DISP1");
      Offscreen.onScreen(() -> {
        screen.walk().press(KeyCode.F5);
        screen.window().theme(true);
        return true;
      });
      shot(screen, "fit-night");
      Offscreen.onScreen(() -> {
        screen.window().theme(false);
        return true;
      });
      screen.walkTo(StageId.LOAD);
      shot(screen, "load");
      screen.walkTo(StageId.WAKE);
      screen.stepOrWait();
      Offscreen.onScreen(() -> {
        screen.walk().number("7");
        screen.walk().press(KeyCode.ENTER);
        return true;
      });
      shot(screen, "wake-lights");
      Offscreen.onScreen(() -> {
        screen.walk().number("7");
        screen.walk().press(KeyCode.ENTER);
        return true;
      });
      screen.stepOrWait();
      screen.stepOrWait();
      Offscreen.onScreen(() -> {
        screen.walk().number("4");
        return true;
      });
      shot(screen, "wake-display");
      screen.walkTo(StageId.CLOSE);
      shot(screen, "close");
      screen.walkTo(StageId.BOOK);
      screen.stepOrWait();
      shot(screen, "book");
    }
  }

  private static void fitTo(Offscreen screen, String title) {
    for (int i = 0;
        i < 400 && !Offscreen.onScreen(() -> screen.window().card().title().startsWith(title));
        i++) {
      screen.stepOrWait();
    }
  }

  private void shot(Offscreen screen, String name) {
    screen.picture(folder.resolve(name + ".png"));
  }

  /**
   * A clock of one evening at the bench, forty seconds on at every look, so that pictures come out
   * the same each time.
   */
  static Clock evening() {
    AtomicInteger looks = new AtomicInteger();
    Instant start = Instant.parse("2027-01-14T18:30:00Z");
    return new Clock() {
      @Override
      public ZoneId getZone() {
        return ZoneOffset.UTC;
      }

      @Override
      public Clock withZone(ZoneId zone) {
        return this;
      }

      @Override
      public Instant instant() {
        return start.plus(Duration.ofSeconds(20L * looks.getAndIncrement()));
      }

      @Override
      public String toString() {
        return String.format(Locale.ROOT, "evening from %s", start);
      }
    };
  }
}
