package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.Build;
import humble.desktop.stage.StageId;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What Unpack does besides counting. */
class UnpackTest {
  private static final String CONVERSION =
      """
      {"format":"humble-kit/1","id":"vane","name":"Vane","kind":"conversion",
       "boards":[{"id":"main","revision":"V1","width_mm":40,"height_mm":30}],
       "hosts":[{"name":"tide gauge","must_show":"TG-4","where":"beside the plug"},
                {"name":"tide gauge, later","must_show":"TG-5"}],
       "lines":[
         {"id":"r10k","kind":"resistor","value":"10k","tolerance_pct":5,"package":"axial-quarter-watt","refs":["R1","R2"],"supplied":2},
         {"id":"r10kx","kind":"resistor","value":"10k","tolerance_pct":1,"package":"axial-quarter-watt","refs":["R3"],"supplied":4},
         {"id":"lost","kind":"capacitor","value":"100n","package":"disc-5","refs":[],"supplied":1,"home":"none"},
         {"id":"pins","kind":"header","package":"header-1x4","refs":["J1","J2"],"supplied":1,"strip_of":10}],
       "loose":[{"id":"ref","name":"reference capacitor","supplied":1,"needed":1,"for":["calibration"]}],
       "places":[
         {"ref":"R1","board":"main","x_mm":10,"y_mm":10},{"ref":"R2","board":"main","x_mm":10,"y_mm":14},
         {"ref":"R3","board":"main","x_mm":10,"y_mm":20},{"ref":"J1","board":"main","x_mm":30,"y_mm":10},
         {"ref":"J2","board":"main","x_mm":30,"y_mm":20}],
       "rules":[{"first":["R2"],"then":["J1"],"because":"J1 stands over it"}]}
      """;

  @TempDir Path home;

  private BenchInTest open() throws Exception {
    Path kit = home.resolve("vane");
    Files.createDirectories(kit);
    Files.writeString(kit.resolve("kit.json"), CONVERSION);
    BenchInTest bench = BenchInTest.open(home, List.of(kit), 1280, 800);
    bench.press(KeyCode.ENTER);
    return bench;
  }

  private static Build build(BenchInTest bench) {
    return BenchInTest.on(() -> bench.session().open().orElseThrow().build());
  }

  @Test
  void theNumberOnTheHostBoardComesFirstAndAWrongOneStopsTheWork() throws Exception {
    try (BenchInTest bench = open()) {
      assertThat(bench.card().title()).contains("host board");
      bench.number("0");
      assertThat(bench.card().verdict().orElseThrow().good()).isFalse();
      assertThat(bench.card().title()).contains("host board");
      bench.press(KeyCode.ADD);
      assertThat(bench.card().go()).isEqualTo("It shows TG-5");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).host().orElseThrow().shown()).isEqualTo("TG-5");
      assertThat(bench.card().title()).contains("10 kΩ");
    }
  }

  @Test
  void aSubstituteIsOfferedAndLooseThingsAreExplained() throws Exception {
    try (BenchInTest bench = open()) {
      bench.press(KeyCode.ENTER);
      bench.number("1");
      assertThat(bench.card().rows().getFirst().text())
          .contains("10 kΩ resistor can stand in, 3 to spare");
      bench.press(KeyCode.ENTER, KeyCode.ENTER);
      assertThat(bench.card().how().toString()).contains("supply pins of a chip");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().title()).isEqualTo("How many strips of 10?");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().how().toString()).contains("compare with");
    }
  }

  @Test
  void stripsAreSnappedTheBoardIsLookedOverAndTheReachIsSaid() throws Exception {
    try (BenchInTest bench = open()) {
      bench.press(KeyCode.ENTER);
      bench.number("1");
      bench.press(KeyCode.ENTER);
      bench.walkUntil(() -> bench.card().title().startsWith("Snap"));
      assertThat(bench.card().title()).isEqualTo("Snap 2 times, one strip");
      assertThat(bench.card().rows().getFirst().text()).isEqualTo("10 positions: 4 + 4");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().how()).containsExactly("The board says V1, as the kit does.");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().how().getFirst()).contains("stand closest");
      bench.number("0");
      bench.walkUntil(() -> bench.card().title().contains("short"));
      assertThat(build(bench).lookedOver().values()).containsExactly(true, false, true, true);
      bench.waitFor(() -> bench.card().how().toString().contains("minutes"));
      assertThat(bench.card().why().toString()).contains("J1 (for R2)");
      bench.press(KeyCode.ENTER);
      assertThat(bench.at()).isEqualTo(StageId.SORT);
    }
  }

  /** The whole conversion with keypad keys, from the number on the host board to the book. */
  @Test
  void theDemoConversionIsBuiltToTheEnd() throws Exception {
    Path kit = BenchInTest.root().resolve("kits/weathercock");
    try (BenchInTest bench = BenchInTest.open(home, List.of(kit), 1280, 800)) {
      bench.walkUntil(() -> bench.at() == StageId.BOOK);
      Build build = build(bench);
      assertThat(build.host().orElseThrow().shown()).isEqualTo("TG-4");
      assertThat(build.acknowledged()).contains("bare");
      assertThat(build.surveyed())
          .containsOnlyKeys("C4", "RV7", "J7", "R14", "U7", "C9", "R15", "R16")
          .containsEntry("C9", "there");
      assertThat(build.holes())
          .containsOnlyKeys("C4.1", "C4.2", "C9.1", "C9.2", "R14.1", "R14.2")
          .containsEntry("R14.2", "open");
      assertThat(build.doneSteps()).contains("clear:gauge");
      assertThat(build.passedGates()).containsKey("vin");
      assertThat(build.doneSteps()).contains("take-off", "join", "coat", "insert:U1");
      assertThat(build.fittedRefs()).hasSize(20);
    }
  }

  @Test
  void labelsAreWrittenBesideTheJournal() throws Exception {
    try (BenchInTest bench = open()) {
      bench.walkUntil(() -> bench.card().title().contains("here"));
      bench.type("p");
      assertThat(bench.card().verdict().orElseThrow().good()).isTrue();
      byte[] pdf = Files.readAllBytes(home.resolve("labels/vane-1.pdf"));
      assertThat(new String(pdf, 0, 5, java.nio.charset.StandardCharsets.US_ASCII))
          .isEqualTo("%PDF-");
    }
  }

  @Test
  void aCupIsCountedOutOfTurnByClickingIt() throws Exception {
    try (BenchInTest bench = open()) {
      bench.press(KeyCode.ENTER);
      click(bench, "cup:ref");
      assertThat(bench.card().title()).contains("reference capacitor");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).counted()).containsOnlyKeys("ref");
    }
  }

  private static void click(BenchInTest bench, String spot) {
    BenchInTest.on(() -> {
      bench.window().pick(spot);
      return true;
    });
  }
}
