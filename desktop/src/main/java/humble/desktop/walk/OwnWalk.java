package humble.desktop.walk;

import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.PointMm;
import humble.core.power.GateReckoning;
import humble.desktop.own.OwnStage;
import humble.desktop.session.OpenBuild;
import humble.desktop.window.BenchWindow;
import humble.formats.kit.KitRead;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;

/**
 * Tells a board in the real window with clicks and the keypad, up to its first gate: sixty places
 * from a pasted sheet alone, or from a sheet and photos, or from board files alone. Every click,
 * every key and every file that is dropped is an act that is counted. Prints the acts. Arguments: a
 * kit for the shelf; {@code photos} or {@code board} with the folder that has them; a folder to
 * save the kit in that was told.
 */
public final class OwnWalk {
  private static final int MOST_QUESTIONS = 400;
  private static final int MOST_WAITED = 2000;

  private final Offscreen screen;
  private final Map<String, Integer> acts = new LinkedHashMap<>();
  private final Source source;
  private String phase = "";

  OwnWalk(Offscreen screen) {
    this(screen, Source.SHEET);
  }

  OwnWalk(Offscreen screen, Source source) {
    this.screen = screen;
    this.source = source;
  }

  /** What a board is told from. */
  enum Source {
    /** A pasted sheet alone. */
    SHEET(OwnSheet.TEXT),
    /** A pasted sheet and photos of both sides. */
    PHOTOS(PhotoSheet.TEXT),
    /** Board files and nothing else. */
    BOARD("");

    private final String text;

    Source(String text) {
      this.text = text;
    }

    List<PointMm> holes(String ref) {
      return switch (this) {
        case SHEET -> OwnSheet.holes(ref);
        case PHOTOS -> PhotoSheet.holes(ref);
        case BOARD -> List.of();
      };
    }
  }

  /** What a walk came to. */
  public record Walked(
      int parts, Map<String, Integer> acts, List<Double> millis, int gates, boolean passes) {}

  /** Walks and prints. */
  public static void main(String[] arguments) throws IOException {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    Offscreen.start();
    Path home = Files.createTempDirectory("humble-own");
    try (Offscreen screen =
        new Offscreen(home, List.of(Path.of(arguments[0])), Clock.systemUTC(), false)) {
      Source from =
          arguments.length < 3
              ? Source.SHEET
              : Source.valueOf(arguments[1].toUpperCase(Locale.ROOT));
      OwnWalk walk = new OwnWalk(screen, from);
      Walked walked =
          switch (from) {
            case SHEET -> walk.walk();
            case PHOTOS -> walk.photos(Path.of(arguments[2]));
            case BOARD -> walk.board(Path.of(arguments[2]));
          };
      if (arguments.length > 3) {
        screen.window().build().orElseThrow().folder().writeTo(Path.of(arguments[3]), false);
      }
      walked.acts().forEach((name, count) -> out.println(name + " " + count));
      out.println("parts " + walked.parts());
      // The first clicks pay for a window that has just been opened.
      List<Double> all = walked.millis();
      List<Double> millis = all.subList(all.size() / 3, all.size()).stream().sorted().toList();
      out.printf(Locale.ROOT, "median %.1f%n", millis.get(millis.size() / 2));
      out.printf(Locale.ROOT, "within %.1f%n", millis.get(millis.size() * 95 / 100));
      out.println("gates " + walked.gates());
      out.println("passes " + walked.passes());
    }
    out.println("end");
    Platform.exit();
  }

  private final List<Double> millis = new ArrayList<>();

  /** Walks until the holes of a part are asked for. */
  void walkTo(String ref) {
    listed();
    for (int i = 0; i < MOST_QUESTIONS && !title().startsWith(ref + ","); i++) {
      answer();
    }
  }

  /** Moves the pointer over a point of the board. */
  void over(PointMm at) {
    Offscreen.onScreen(() -> {
      BenchWindow window = screen.window();
      double[] size = window.matSize();
      double[] px = OwnStage.px(window.build().orElseThrow(), at, size[0], size[1]);
      window.keys().hover(px[0], px[1]);
      return true;
    });
  }

  private Walked walk() {
    screen.settle();
    listed();
    return told();
  }

  /** Tells a board from photos of both sides; a file that is dropped is one act. */
  /** Walks until the corners of the first photo are asked about. */
  void walkToPhoto(Path photos) {
    pasted();
    drop(photos.resolve("top.jpg"));
    type(String.format(Locale.ROOT, "%.0f/%.0f", PhotoSheet.WIDTH_MM, PhotoSheet.HEIGHT_MM));
    press(KeyCode.ENTER);
    await();
  }

  private Walked photos(Path photos) {
    screen.settle();
    pasted();
    phase = "photos";
    drop(photos.resolve("top.jpg"));
    type(String.format(Locale.ROOT, "%.0f/%.0f", PhotoSheet.WIDTH_MM, PhotoSheet.HEIGHT_MM));
    press(KeyCode.ENTER);
    await();
    press(KeyCode.ENTER);
    await();
    drop(photos.resolve("solder-side.jpg"));
    press(KeyCode.ENTER);
    await();
    return told();
  }

  /** Tells a board from its files alone: the list's own questions, then where it is fed. */
  private Walked board(Path files) {
    screen.settle();
    phase = "list";
    drop(files);
    for (int i = 0; i < MOST_QUESTIONS && !isOnBench(); i++) {
      press(KeyCode.ENTER);
      screen.settleABit();
    }
    phase = "power";
    press(KeyCode.F11);
    return told();
  }

  private boolean isOnBench() {
    return Offscreen.onScreen(() -> screen.window().build().isPresent());
  }

  private void drop(Path file) {
    count();
    Offscreen.onScreen(() -> {
      screen.window().keys().dropped(List.of(file));
      return true;
    });
    await();
  }

  /** Waits until the window has done what takes a moment. */
  private void await() {
    screen.settle();
    for (int i = 0; i < MOST_WAITED && title().equals(say("own.photo.busy")); i++) {
      screen.settleABit();
    }
  }

  private Walked told() {
    for (int i = 0; i < MOST_QUESTIONS && !isAtRest(); i++) {
      answer();
    }
    return Offscreen.onScreen(this::walked);
  }

  private void listed() {
    pasted();
    phase = "board";
    type("140/90");
    press(KeyCode.ENTER);
  }

  private void pasted() {
    Offscreen.onScreen(() -> {
      screen.window().paste(source.text);
      return true;
    });
    // The list's own questions are taken as guessed.
    phase = "list";
    for (int i = 0; i < MOST_QUESTIONS && !title().contains("How large"); i++) {
      press(KeyCode.ENTER);
      screen.settleABit();
    }
  }

  private String title() {
    return Offscreen.onScreen(() -> screen.window().card().title());
  }

  private String kicker() {
    return Offscreen.onScreen(() -> screen.window().card().kicker());
  }

  private boolean isAtRest() {
    return kicker().equals(say("own.rest.kicker"));
  }

  private String say(String key) {
    return screen.window().words().say(key);
  }

  /** Answers what is asked, as somebody with the board before him would. */
  private void answer() {
    String title = title();
    if (kicker().equals(say("own.way.kicker"))) {
      phase = "way round";
      press(KeyCode.NUMPAD1);
    } else if (kicker().equals(say("own.power.kicker"))) {
      phase = "power";
      power(title);
    } else {
      phase = "places";
      String ref = title.substring(0, title.indexOf(','));
      List<PointMm> holes = source.holes(ref);
      holes.forEach(this::click);
    }
  }

  private void power(String title) {
    if (title.contains("volts")) {
      type("9");
      press(KeyCode.ENTER);
    } else if (title.startsWith("How is the plug")
        || title.startsWith("Which switch")
        || title.startsWith("Which rail")) {
      press(KeyCode.NUMPAD1);
    } else {
      press(KeyCode.ENTER);
    }
  }

  private void count() {
    acts.merge(phase, 1, Integer::sum);
  }

  private void press(KeyCode key) {
    count();
    timed(() -> screen.walk().press(key));
  }

  private void type(String text) {
    for (char c : text.toCharArray()) {
      press(c == '/' ? KeyCode.DIVIDE : c == '.' ? KeyCode.DECIMAL : KeyCode.valueOf("NUMPAD" + c));
    }
  }

  void click(PointMm at) {
    count();
    timed(() -> {
      BenchWindow window = screen.window();
      OpenBuild open = window.build().orElseThrow();
      double[] size = window.matSize();
      double[] px = OwnStage.px(open, at, size[0], size[1]);
      window.keys().point(px[0], px[1]);
    });
  }

  private void timed(Runnable act) {
    double took =
        Offscreen.onScreen(() -> {
          long from = System.nanoTime();
          act.run();
          return (System.nanoTime() - from) / 1e6;
        });
    boolean told = phase.equals("places") || phase.equals("way round") || phase.equals("power");
    if (told) {
      millis.add(took);
    }
  }

  private Walked walked() {
    OpenBuild open = screen.window().build().orElseThrow();
    Kit kit = open.kit();
    GateReckoning reckoning = new GateReckoning(open.parts());
    long gates = kit.gates().stream().filter((Gate gate) -> reckoning.of(gate).isPresent()).count();
    boolean passes = open.folder().read() instanceof KitRead.Opened;
    return new Walked(kit.places().size(), acts, millis, (int) gates, passes);
  }
}
