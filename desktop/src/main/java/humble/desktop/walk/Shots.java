package humble.desktop.walk;

import humble.core.kit.PointMm;
import humble.desktop.practice.PracticeStage;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.StageId;
import humble.formats.report.PdfReport;
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
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * Walks the demo through the window offscreen and writes a picture of each main view. Arguments:
 * kit, folder, home.
 */
public final class Shots {
  private static final int REPORT_DPI = 96;
  private static final Instant FIRST_EVENING = Instant.parse("2026-12-14T20:40:00Z");

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

  /** The first question of a round, and the way back. */
  private void practice(Offscreen screen) {
    Offscreen.onScreen(() -> {
      PracticeStage stage =
          new PracticeStage(
              screen.session(),
              screen.window().keys(),
              Clock.fixed(FIRST_EVENING, ZoneOffset.UTC),
              () -> screen.window().go(StageId.SHELF));
      screen.window().keys().show(stage);
      stage.card().enter().run();
      stage.typed().type("22k");
      screen.window().refresh();
      return true;
    });
    shot(screen, "practice");
    Offscreen.onScreen(() -> {
      screen.window().go(StageId.SHELF);
      return true;
    });
  }

  private void all(Path home) throws IOException {
    instrument(home.resolve("instrument"));
    own(home.resolve("own"));
    stack(home.resolve("stack"));
    computer(home.resolve("computer"));
    try (Offscreen screen = new Offscreen(home, List.of(kit), evening(), false)) {
      screen.settle();
      shot(screen, "shelf");
      practice(screen);
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
      titled(screen, "Fit C2");
      Offscreen.onScreen(() -> {
        screen.walk().number("1");
        return true;
      });
      shot(screen, "fit");
      screen.walkTo(StageId.POWER);
      titled(screen, "Ohms between");
      screen.stepOrWait();
      titled(screen, "Measure across");
      screen.settle();
      screen.stepOrWait();
      shot(screen, "power");
      screen.walkTo(StageId.LOAD);
      shot(screen, "load");
      screen.walkTo(StageId.WAKE);
      screen.stepOn();
      Offscreen.onScreen(() -> {
        screen.walk().number("7");
        screen.walk().press(KeyCode.ENTER);
        return true;
      });
      shot(screen, "wake-lights");
      mend(screen);
      screen.stepOn();
      screen.stepOn();
      screen.stepOn();
      Offscreen.onScreen(() -> screen.walk().step());
      shot(screen, "wake-display");
      screen.walkTo(StageId.BOOK);
      screen.stepOrWait();
      screen.settle();
      shot(screen, "book");
      report(screen);
    }
  }

  /** A fair fault hidden on the practice bench, one answer later. */
  private void mend(Offscreen screen) {
    Offscreen.onScreen(() -> {
      screen.walk().press(KeyCode.DIVIDE);
      screen.walk().press(KeyCode.ADD);
      screen.walk().press(KeyCode.ADD);
      screen.walk().number("3");
      return true;
    });
    screen.settle();
    Offscreen.onScreen(() -> {
      screen.walk().press(KeyCode.ENTER);
      return true;
    });
    screen.settle();
    shot(screen, "mend");
    // Found, so that the practice bench is sound again.
    for (int answers = 0; answers < 60 && hidden(screen); answers++) {
      screen.settle();
      Offscreen.onScreen(() -> {
        screen.walk().press(KeyCode.ENTER);
        return true;
      });
    }
    Offscreen.onScreen(() -> {
      screen.walk().press(KeyCode.ENTER);
      return true;
    });
  }

  private static boolean hidden(Offscreen screen) {
    return Offscreen.onScreen(
        () -> screen.window().build().flatMap(open -> open.build().hidden()).isPresent());
  }

  /** A light meter: its null half way, and held to a known part. */
  private void instrument(Path home) {
    Path kits = kit.resolveSibling("larkfield");
    try (Offscreen screen = new Offscreen(home, List.of(kits), evening(), false)) {
      screen.walkTo(StageId.WAKE);
      titled(screen, "Begin at T1");
      for (int i = 0; i < 20; i++) {
        screen.stepOrWait();
      }
      shot(screen, "trim");
      titled(screen, "It reads");
      shot(screen, "proof");
    }
  }

  /** A board that is told from a sheet alone, a socket in hand between its two clicks. */
  private void own(Path home) {
    try (Offscreen screen = new Offscreen(home, List.of(kit), evening(), false)) {
      screen.settle();
      OwnWalk walk = new OwnWalk(screen);
      walk.walkTo("XU1");
      PointMm first = OwnSheet.holes("XU1").getFirst();
      walk.click(first);
      walk.over(first.plus(new PointMm(33, 7.2)));
      shot(screen, "own-board");
    }
    Path source = kit.resolveSibling("sandglass").resolve("source");
    try (Offscreen screen = new Offscreen(home.resolve("photo"), List.of(kit), evening(), false)) {
      screen.settle();
      new OwnWalk(screen, OwnWalk.Source.PHOTOS).walkToPhoto(source);
      shot(screen, "own-photo");
    }
  }

  /** Two boards of which leads of one meet a part of the other. */
  private void stack(Path home) {
    Path kits = kit.resolveSibling("lockkeeper");
    try (Offscreen screen = new Offscreen(home, List.of(kits), evening(), false)) {
      screen.stepOn();
      Offscreen.onScreen(() -> {
        screen.walk().press(KeyCode.F9);
        return true;
      });
      screen.settleABit();
      shot(screen, "close");
    }
  }

  /** The first page of the report as it is printed. */
  private void report(Offscreen screen) throws IOException {
    OpenBuild open = screen.window().build().orElseThrow();
    byte[] pdf = PdfReport.of(open.kit(), open.build(), Locale.ENGLISH, ZoneOffset.UTC);
    try (PDDocument document = Loader.loadPDF(pdf)) {
      ImageIO.write(
          new PDFRenderer(document).renderImageWithDPI(0, REPORT_DPI),
          "png",
          folder.resolve("report.png").toFile());
    }
  }

  /** The front panel of the computer. */
  private void computer(Path home) {
    Path kits = kit.resolveSibling("lockkeeper");
    try (Offscreen screen = new Offscreen(home, List.of(kits), evening(), false)) {
      screen.walkTo(StageId.WAKE);
      // A row of the long memory test with a switch that slipped.
      titled(screen, "Row 0d: set 10");
      offered(screen, "Press DEPOSIT NEXT");
      Offscreen.onScreen(() -> {
        screen.walk().number("2");
        return true;
      });
      screen.settle();
      Offscreen.onScreen(() -> {
        screen.walk().number("0");
        return true;
      });
      titled(screen, "Row 0d: do the lights");
      offered(screen, "They show");
      shot(screen, "panel");
    }
  }

  private static void offered(Offscreen screen, String go) {
    for (int i = 0;
        i < 200 && !Offscreen.onScreen(() -> screen.window().card().go().startsWith(go));
        i++) {
      screen.stepOrWait();
    }
  }

  private static void titled(Offscreen screen, String title) {
    for (int i = 0;
        i < 1500 && !Offscreen.onScreen(() -> screen.window().card().title().startsWith(title));
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
