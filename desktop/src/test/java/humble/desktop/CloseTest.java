package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.BuildEvent;
import humble.core.casing.CaseFit;
import humble.core.kit.Enclosure;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The case, by the keypad: what does not fit, other screws, power once more. */
class CloseTest {
  private static BareBench laid(Path home, String kit) throws Exception {
    BareBench bench = BareBench.open(home);
    bench.session().layKit(BenchInTest.root().resolve("kits/" + kit));
    bench.keys().goByKey(StageId.CLOSE);
    return bench;
  }

  private static String verdict(BareBench bench) {
    return bench.card().verdict().map(Card.Verdict::text).orElse("");
  }

  private static Enclosure casing(BareBench bench) {
    return bench.keys().build().orElseThrow().kit().casing().orElseThrow();
  }

  @Test
  void whatDoesNotFitIsDecidedOnceAndTheKitOnTheBenchIsThenSo(@TempDir Path home) throws Exception {
    try (BareBench bench = laid(home, "lockkeeper")) {
      assertThat(bench.card().title()).isEqualTo("R37 and U6: 1.2 mm missing");
      assertThat(bench.card().goEnabled()).as("nothing is taken for decided").isFalse();
      assertThat(bench.card().rows().get(1).text()).contains("at least 21.0 mm");
      bench.press(KeyCode.NUMPAD2);
      // One longer spacer cures both resistors, and nobody asks about the second.
      assertThat(bench.card().title()).isEqualTo("4 screws M3, 6 mm");
      assertThat(casing(bench).layers())
          .filteredOn(layer -> layer.id().equals("pillar"))
          .singleElement()
          .satisfies(layer -> {
            assertThat(layer.thicknessMm().low()).isEqualTo(21);
            assertThat(layer.material()).as("what else is said of it stays").isEqualTo("brass");
          });
      bench.press(KeyCode.SUBTRACT);
      assertThat(bench.card().title()).as("taken back").startsWith("R37 and U6");
      assertThat(CaseFit.of(bench.keys().build().orElseThrow().kit(), Map.of()).ok()).isFalse();
    }
    String onDisk = Files.readString(BenchInTest.root().resolve("kits/lockkeeper/kit.json"));
    assertThat(onDisk).as("what is on the disk stays").contains("\"low_mm\": 19.8");
  }

  @Test
  void whatIsLeftAsItIsStaysSaidAtTheLastLook(@TempDir Path home) throws Exception {
    try (BareBench bench = laid(home, "lockkeeper")) {
      bench.press(KeyCode.DECIMAL);
      assertThat(bench.card().title()).startsWith("R38 and U6");
      bench.press(KeyCode.DECIMAL);
      assertThat(bench.card().title()).isEqualTo("4 screws M3, 6 mm");
      assertThat(bench.build().answered().keySet())
          .containsExactlyInAnyOrder("case:facing:R37:U6", "case:facing:R38:U6");
      for (int i = 0; i < 3; i++) {
        bench
            .keys()
            .build()
            .orElseThrow()
            .act(
                new BuildEvent.Closed(
                    List.of("front", BuildEvent.Closed.ONCE_MORE, "back").get(i)));
      }
      bench.keys().goByKey(StageId.CLOSE);
      assertThat(bench.card().title()).isEqualTo("Last look");
      assertThat(bench.card().rows())
          .hasSize(2)
          .allMatch(row -> row.text().contains("too near to U6"))
          .allMatch(row -> row.standing() == Standing.DEVIATED);
      bench.waitFor(() -> !verdict(bench).isEmpty());
      assertThat(verdict(bench))
          .as("nothing is on the boards")
          .endsWith("of fitting are not done.");
    }
  }

  @Test
  void aScrewThatTheBagHoldsInsteadIsJudgedByItsLength(@TempDir Path home) throws Exception {
    try (BareBench bench = laid(home, "lockkeeper")) {
      bench.press(KeyCode.NUMPAD2);
      bench.type("4");
      assertThat(verdict(bench)).isEqualTo("1.1 mm too short: it does not hold.");
      assertThat(bench.card().goEnabled()).isFalse();
      bench.press(KeyCode.BACK_SPACE);
      bench.type("16");
      assertThat(verdict(bench)).isEqualTo("8.6 mm too long. Cut it to 7.4 mm at most.");
      bench.press(KeyCode.ENTER);
      assertThat(bench.build().entries())
          .extracting(BuildEvent.Entry::event)
          .contains(new BuildEvent.ScrewTaken("front", 16, 7.4), new BuildEvent.Closed("front"));
    }
  }

  @Test
  void powerComesOnceMoreBeforeTheLastScrewAndItIsRead(@TempDir Path home) throws Exception {
    try (BareBench bench = laid(home, "glowmoth")) {
      for (int i = 0; i < 600 && bench.keys().stage() != StageId.CLOSE; i++) {
        bench.step();
      }
      bench.walkTo("screws M2.5");
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> bench.card().field().isPresent());
      assertThat(bench.card().title()).startsWith("Measure");
      assertThat(bench.build().closed()).containsExactly("front");
      // A reading from before the case counts for nothing; a wrong one opens nothing.
      bench.type("0.2");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().title()).startsWith("Measure");
      for (int i = 0; i < 20 && bench.card().title().startsWith("Measure"); i++) {
        bench.step();
      }
      assertThat(bench.card().title()).isEqualTo("Power it up once more");
      assertThat(bench.card().rows())
          .singleElement()
          .satisfies(row -> assertThat(row.standing()).isEqualTo(Standing.DONE));
      bench.press(KeyCode.ENTER);
      assertThat(bench.build().closed()).containsExactly("front", BuildEvent.Closed.ONCE_MORE);
      assertThat(bench.card().title()).isEqualTo("4 screws M2.5, 10 mm");
    }
  }

  @Test
  void aKitWithoutACaseIsFinishedAndNotClosed(@TempDir Path home) throws Exception {
    try (BareBench bench = laid(home, "sandglass")) {
      for (int i = 0; i < 900 && bench.keys().stage() != StageId.BOOK; i++) {
        bench.step();
        if (bench.keys().stage() == StageId.CLOSE) {
          assertThat(bench.card().title()).doesNotContain("closed");
        }
      }
      assertThat(bench.build().isClosed()).isTrue();
    }
  }

  /** What is glued is not opened again: power comes before it, whatever the plan says. */
  @Test
  void itIsPoweredOnceMoreBeforeAnythingIsGlued(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      bench.session().layKit(BenchInTest.root().resolve("kits/tidepool"));
      bench.keys().goByKey(StageId.UNPACK);
      for (int i = 0; i < 8 && !bench.card().title().startsWith("Glue"); i++) {
        bench.walkTo("Glue the clear pane");
      }
      assertThat(bench.card().title()).startsWith("Glue the clear pane");
      assertThat(bench.build().closed()).contains(BuildEvent.Closed.ONCE_MORE);
      assertThat(bench.card().how())
          .anyMatch(text -> text.contains("not opened again"))
          .anyMatch(text -> text.contains("alone for 12 hours"));
      bench.press(KeyCode.ENTER);
      assertThat(bench.build().doneSteps()).contains("pane");
    }
  }
}
