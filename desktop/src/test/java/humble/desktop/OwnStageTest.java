package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Kit;
import humble.core.kit.Mount;
import humble.core.power.GateReckoning;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.StageId;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A kit that is told at the bench, with the keypad alone. */
class OwnStageTest {
  private static final String SHEET =
      """
      Tide lamp
      2 x 10k resistor R1, R2
      1 x 47u 16V electrolytic C1
      1 x 14 pin chip U1
      1 x 14 pin socket for U1
      1 x 5V regulator U2
      1 x barrel jack J1
      """;

  private static void listed(BareBench bench) throws InterruptedException {
    bench.keys().paste(SHEET);
    for (int i = 0; i < 40 && !bench.card().title().startsWith("How large"); i++) {
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> bench.card().goEnabled() || bench.card().title().startsWith("How large"));
    }
    assertThat(bench.card().title()).startsWith("How large is the board");
  }

  private static void hole(BareBench bench, String at) {
    bench.type(at);
    bench.press(KeyCode.ENTER);
  }

  private static void board(BareBench bench) {
    hole(bench, "80/60");
  }

  private static void places(BareBench bench) {
    for (int i = 0; i < 30 && bench.card().takes().figures(); i++) {
      String title = bench.card().title();
      String ref = title.substring(0, title.indexOf(','));
      String[] holes =
          switch (ref) {
            case "R1" -> new String[] {"10.16/40.64", "20.32/40.64"};
            case "R2" -> new String[] {"10.16/35.56", "20.32/35.56"};
            case "C1" -> new String[] {"10.16/25.4", "12.66/25.4"};
            case "XU1" -> new String[] {"40.64/20.32", "55.88/27.94"};
            case "U2" -> new String[] {"25.4/10.16", "30.48/10.16"};
            case "J1" -> new String[] {"6/20", "6/14"};
            default -> throw new AssertionError("asked for " + title);
          };
      hole(bench, holes[0]);
      hole(bench, holes[1]);
      while (bench.card().kicker().equals("which way round")) {
        bench.press(KeyCode.NUMPAD2);
      }
    }
  }

  /** Plus and minus, nine volts, the plug, in, out, plus, ground, the rail, no other ground. */
  private static void fed(BareBench bench) {
    bench.press(KeyCode.ENTER);
    hole(bench, "9");
    bench.press(KeyCode.NUMPAD1);
    for (int i = 0; i < 12 && bench.card().kicker().equals("how it is fed"); i++) {
      bench.press(bench.card().goEnabled() ? KeyCode.ENTER : KeyCode.NUMPAD1);
    }
  }

  private static OpenBuild open(BareBench bench) {
    return bench.keys().build().orElseThrow();
  }

  @Test
  void aSheetAloneLeadsToAGate(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      board(bench);
      places(bench);
      Kit kit = open(bench).kit();
      assertThat(kit.boards().getFirst().widthMm()).isEqualTo(80);
      assertThat(kit.places()).hasSize(7);
      assertThat(kit.placeOf("U1").orElseThrow().mount()).isEqualTo(Mount.SOCKETED);
      assertThat(kit.placeOf("C1").orElseThrow().marks()).containsExactly("plus:1");
      fed(bench);
      assertThat(bench.card().title()).isEqualTo("Its first gate can be reckoned");
      OpenBuild told = open(bench);
      assertThat(told.kit().gates()).isNotEmpty();
      assertThat(
              new GateReckoning(told.parts())
                  .of(told.kit().gates().getFirst())
                  .orElseThrow()
                  .window()
                  .holds(5))
          .isTrue();
      assertThat(told.folder().read()).isInstanceOf(KitRead.Opened.class);
      bench.press(KeyCode.ENTER);
      assertThat(bench.keys().stage()).isEqualTo(StageId.UNPACK);
    }
  }

  @Test
  void everyAnswerIsTakenBackAndAskedAgain(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      board(bench);
      String first = bench.card().title();
      hole(bench, "10.16/40.64");
      bench.press(KeyCode.SUBTRACT);
      assertThat(bench.card().title()).as("the first hole alone").isEqualTo(first);
      hole(bench, "10.16/40.64");
      hole(bench, "20.32/40.64");
      assertThat(open(bench).kit().places()).hasSize(1);
      bench.press(KeyCode.SUBTRACT);
      assertThat(open(bench).kit().places()).isEmpty();
      assertThat(bench.card().title()).isEqualTo(first);
      bench.press(KeyCode.SUBTRACT);
      assertThat(bench.card().title()).startsWith("How large");
    }
  }

  @Test
  void itGoesOnTomorrowAndNothingIsAskedTwice(@TempDir Path home) throws Exception {
    String left;
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      board(bench);
      hole(bench, "10.16/40.64");
      hole(bench, "20.32/40.64");
      left = bench.card().title();
    }
    try (BareBench bench = BareBench.again(home)) {
      bench.keys().changeKit();
      assertThat(bench.card().title()).isEqualTo(left);
      // Another build of the same kit knows it too.
      Session.OnShelf fresh =
          bench.session().shelf().stream()
              .filter(Session.OnShelf.Fresh.class::isInstance)
              .findFirst()
              .orElseThrow();
      bench.session().lay(fresh);
      assertThat(open(bench).build().id()).endsWith("-2");
      assertThat(open(bench).kit().places()).hasSize(1);
    }
  }

  @Test
  void whatSitsOnNoBoardAndWhatComesLater(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      board(bench);
      String first = bench.card().title();
      bench.press(KeyCode.ADD);
      assertThat(bench.card().title()).as("put off").isNotEqualTo(first);
      String second = bench.card().title();
      hole(bench, "0");
      assertThat(bench.card().title()).isNotEqualTo(second);
      assertThat(open(bench).build().answered().keySet()).anyMatch(q -> q.startsWith("none:"));
      // What else there is: ask again what was put off.
      bench.press(KeyCode.DECIMAL);
      int number =
          1
              + bench.card().rows().stream()
                  .map(row -> row.text())
                  .toList()
                  .indexOf(
                      bench.card().rows().stream()
                          .map(row -> row.text())
                          .filter(text -> text.endsWith("ask again what was put off"))
                          .findFirst()
                          .orElseThrow());
      bench.type(String.valueOf(number));
      assertThat(bench.card().title()).isEqualTo(first);
    }
  }

  @Test
  void anythingIsChangedAndWhatCannotStandIsHeld(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      board(bench);
      places(bench);
      fed(bench);
      bench.press(KeyCode.NUMPAD5);
      assertThat(bench.card().title()).isEqualTo("What is changed?");
      choose(bench, "tasks");
      bench.press(KeyCode.NUMPAD0);
      text(bench, "rinse");
      assertThat(bench.card().how().getFirst()).contains("does not pass its check");
      choose(bench, "kind");
      while (!bench.card().go().contains("clean")) {
        bench.press(KeyCode.ADD);
      }
      bench.press(KeyCode.ENTER);
      assertThat(open(bench).kit().task("rinse")).isPresent();
      choose(bench, "minutes");
      text(bench, "7");
      assertThat(open(bench).kit().task("rinse").orElseThrow().minutes()).isEqualTo(7);
      bench.press(KeyCode.SUBTRACT, KeyCode.SUBTRACT);
      choose(bench, "gates");
      bench.press(KeyCode.NUMPAD0);
      text(bench, "half");
      assertThat(open(bench).kit().gate("half")).as("a gate without a state").isEmpty();
      bench.press(KeyCode.SUBTRACT, KeyCode.SUBTRACT);
      assertThat(bench.card().verdict().orElseThrow().text()).contains("let go");
      assertThat(open(bench).folder().read()).isInstanceOf(KitRead.Opened.class);
    }
  }

  private static void choose(BareBench bench, String what) {
    for (int page = 0; page < 8; page++) {
      List<String> rows = bench.card().rows().stream().map(row -> row.text()).toList();
      for (String row : rows) {
        if (row.matches("[1-8]: " + what + "(:.*)?")) {
          bench.type(row.substring(0, 1));
          return;
        }
      }
      bench.press(KeyCode.ADD);
    }
    throw new AssertionError("no " + what + " on " + bench.card().title());
  }

  private static void text(BareBench bench, String text) {
    bench.keys().type(text);
    bench.press(KeyCode.ENTER);
  }

  @Test
  void itIsSavedAsOneFileThatPassesItsCheck(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      board(bench);
      places(bench);
      fed(bench);
      Kit told = ((KitRead.Opened) open(bench).folder().read()).kit();
      bench.press(KeyCode.NUMPAD4);
      bench.waitFor(() -> bench.card().how().getFirst().startsWith("It passes"));
      assertThat(bench.card().how().getFirst()).startsWith("It passes the check");
      bench.press(KeyCode.NUMPAD1);
      bench.waitFor(() -> bench.card().title().equals("Saved"));
      assertThat(bench.card().title()).isEqualTo("Saved");
      try (Stream<Path> files = Files.list(home.resolve("published"))) {
        Path file = files.findFirst().orElseThrow();
        assertThat(String.valueOf(file.getFileName())).endsWith(".hckit");
        assertThat(((KitRead.Opened) KitFolder.at(file).read()).kit()).isEqualTo(told);
      }
    }
  }

  @Test
  void pairsAreBuzzedUntilItHasEnough(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      board(bench);
      places(bench);
      fed(bench);
      bench.press(KeyCode.NUMPAD2);
      int pairs = 0;
      while (!bench.card().title().equals("That is enough for the first gate")) {
        assertThat(bench.card().title()).startsWith("Buzz ");
        boolean beeps = bench.card().how().getLast().startsWith("It should beep");
        bench.press(beeps ? KeyCode.NUMPAD1 : KeyCode.NUMPAD2);
        pairs++;
        assertThat(pairs).isLessThan(20);
      }
      // GND joins three pads, VIN two, 5V two; three nets are apart in three pairs.
      assertThat(pairs).isEqualTo(2 + 1 + 1 + 3);
    }
  }

  @Test
  void aPartIsPutElsewhereAndAskedForItsWayAgain(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      board(bench);
      places(bench);
      fed(bench);
      double was = open(bench).kit().placeOf("C1").orElseThrow().rotationDeg();
      bench.keys().pick("part:C1");
      assertThat(bench.card().title()).startsWith("C1");
      bench.press(KeyCode.NUMPAD2);
      assertThat(bench.card().kicker()).isEqualTo("which way round");
      bench.press(KeyCode.NUMPAD2);
      assertThat(open(bench).kit().placeOf("C1").orElseThrow().rotationDeg())
          .as("the other of its two ways")
          .isNotEqualTo(was);
      bench.keys().pick("pad:XU1.3");
      bench.press(KeyCode.NUMPAD1);
      assertThat(open(bench).kit().placeOf("XU1")).isEmpty();
      assertThat(open(bench).kit().placeOf("U1")).as("the chip goes with its socket").isEmpty();
      assertThat(bench.card().title()).startsWith("XU1");
      bench.press(KeyCode.SUBTRACT);
      assertThat(open(bench).kit().placeOf("U1")).isPresent();
    }
  }

  @Test
  void aHoleBesideTheBoardIsRefused(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      board(bench);
      String title = bench.card().title();
      hole(bench, "300/20");
      assertThat(bench.card().title()).isEqualTo(title);
      assertThat(bench.card().verdict().orElseThrow().text()).contains("beside the board");
    }
  }

  @Test
  void everyWayOnHasAKeyThatExists(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      board(bench);
      places(bench);
      fed(bench);
      bench.press(KeyCode.DECIMAL);
      assertThat(bench.card().rows())
          .allSatisfy(row -> assertThat(row.text()).matches("[0-9]: .*"));
      bench.press(KeyCode.NUMPAD0);
      assertThat(bench.keys().stage()).isEqualTo(StageId.UNPACK);
      assertThat(bench.card().kicker()).isNotEqualTo("your own board");
    }
  }

  @Test
  void whatIsNotPrintedIsLeftOpenAndSaid(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      board(bench);
      while (!bench.card().title().startsWith("C1")) {
        bench.press(KeyCode.ADD);
      }
      hole(bench, "10.16/25.4");
      hole(bench, "12.66/25.4");
      assertThat(bench.card().kicker()).isEqualTo("which way round");
      bench.press(KeyCode.NUMPAD0);
      assertThat(bench.card().kicker()).as("asked once").isNotEqualTo("which way round");
      assertThat(open(bench).build().guessed()).contains("turn:C1");
    }
  }

  @Test
  void aListWithoutPlacesGetsNamesAndThenPlaces(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.with(home, "evening-lamp")) {
      bench.keys().changeKit();
      if (bench.card().title().startsWith("How large")) {
        board(bench);
      }
      assertThat(bench.card().kicker()).isEqualTo("a line without places");
      String names = bench.card().go();
      bench.press(KeyCode.ENTER);
      assertThat(open(bench).kit().lines())
          .anySatisfy(line -> assertThat(line.refs()).hasSize(line.supplied()).isNotEmpty());
      assertThat(names).startsWith("They are ");
    }
  }
}
