package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.PinRef;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;

/** Fitting as a craft, in the computer of two boards, by the keypad. */
@ExtendWith(ApplicationExtension.class)
class CraftTest {
  @TempDir Path home;

  private BenchInTest computer() throws Exception {
    return BenchInTest.open(
        home, List.of(BenchInTest.root().resolve("kits/lockkeeper")), 1280, 800);
  }

  private static Build build(BenchInTest bench) {
    return bench.session().open().orElseThrow().build();
  }

  private static boolean titled(BenchInTest bench, String title) {
    return bench.card().title().startsWith(title);
  }

  @Test
  void aCoilIsCountedTurnByTurnWithOneKey() throws Exception {
    try (BenchInTest bench = computer()) {
      bench.walkUntil(() -> titled(bench, "Turn 1 of 18"));
      assertThat(bench.card().how()).anyMatch(line -> line.contains("clockwise"));
      bench.press(KeyCode.ENTER, KeyCode.ENTER);
      assertThat(build(bench).wound("choke", "a")).isEqualTo(2);
      bench.press(KeyCode.SUBTRACT);
      assertThat(bench.card().title()).isEqualTo("Turn 2 of 18");
      bench.number("5");
      assertThat(build(bench).wound("choke", "a")).isEqualTo(6);
      bench.number("99");
      assertThat(build(bench).wound("choke", "a")).as("never more than it needs").isEqualTo(18);
      assertThat(titled(bench, "Turn")).isFalse();
    }
  }

  @Test
  void aModuleIsReadBeforeItGoesInAndKeptOutWhereItMeetsNoRow() throws Exception {
    try (BenchInTest bench = computer()) {
      bench.walkUntil(() -> titled(bench, "Read the pins of M1"));
      assertThat(bench.card().goEnabled()).isFalse();
      bench.number("1234");
      Card card = bench.card();
      assertThat(card.verdict().orElseThrow().good()).isFalse();
      assertThat(card.how()).anyMatch(line -> line.contains("would meet"));
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).module("M1").orElseThrow().row()).isEmpty();
      assertThat(build(bench).fittedRefs()).doesNotContain("M1");
      assertThat(titled(bench, "Read the pins of M1")).isTrue();
      bench.number("4132");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("row B");
      bench.press(KeyCode.ENTER);
      assertThat(titled(bench, "Fit M1")).isTrue();
      assertThat(bench.card().how()).anyMatch(line -> line.contains("row B"));
      assertThat(bench.session().open().orElseThrow().built().netOf(new PinRef("M1", "1")))
          .contains("5V");
    }
  }

  @Test
  void aModuleWithALabelTheBoardHasNowhereIsWiredByHand() throws Exception {
    try (BenchInTest bench = computer()) {
      bench.walkUntil(() -> titled(bench, "Read the pins of M1"));
      bench.number("1402");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).module("M1").orElseThrow().labels()).contains("?");
      bench.press(KeyCode.ADD);
      assertThat(titled(bench, "Fit M1")).isTrue();
      assertThat(bench.card().verdict().orElseThrow().text()).contains("Wire each pin");
      bench.press(KeyCode.SUBTRACT);
      assertThat(build(bench).module("M1")).isEmpty();
    }
  }

  @Test
  void jointsAreLookedAtThoseThatHurtFirstWithAKeyForEach() throws Exception {
    try (BenchInTest bench = computer()) {
      bench.walkUntil(() -> titled(bench, "Look at"));
      Card first = bench.card();
      assertThat(first.caution().orElseThrow().grave()).isTrue();
      bench.number("5");
      assertThat(bench.card().title())
          .as("a bridge is mended, then looked at again")
          .isEqualTo(first.title());
      assertThat(bench.card().verdict().orElseThrow().text()).contains("drawn across");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().title()).isNotEqualTo(first.title());
      assertThat(build(bench).joints()).containsValue("good");
      bench.number("0");
      assertThat(titled(bench, "Look at")).isFalse();
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).doneSteps()).contains("look");
    }
  }

  @Test
  void marksThatDisagreeAreWeighedAndTheBatchIsDoubted() throws Exception {
    try (BenchInTest bench = computer()) {
      bench.walkUntil(() -> titled(bench, "Fit D1"));
      bench.number("0");
      assertThat(titled(bench, "Which lead is which")).isTrue();
      bench.number("1");
      bench.number("22");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("contradict");
      assertThat(bench.card().how()).anyMatch(line -> line.contains("meter"));
      bench.number("3");
      assertThat(bench.card().goEnabled()).as("the test settles it").isTrue();
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).doubtfulLines()).containsExactly("guard");
      assertThat(titled(bench, "Fit D1")).isTrue();
      assertThat(bench.card().verdict().orElseThrow().text()).contains("test every piece");
    }
  }

  @Test
  void theOtherBoardIsTakenUpAndTheViewFollows() throws Exception {
    try (BenchInTest bench = computer()) {
      bench.walkUntil(() -> titled(bench, "Fit J4"));
      bench.number("5");
      assertThat(build(bench).view("panel").orElseThrow().turnDeg()).isEqualTo(90);
      bench.press(KeyCode.SUBTRACT);
      bench.walkUntil(() -> titled(bench, "Take up board \"main\""));
      bench.press(KeyCode.ENTER);
      bench.number("5");
      assertThat(build(bench).view("main").orElseThrow().turnDeg()).isEqualTo(90);
    }
  }

  @Test
  void eveningsAreLaidOutByTheLengthThatTheKeyChooses() throws Exception {
    try (BenchInTest bench = computer()) {
      bench.walkTo(StageId.PLAN);
      bench.type("e");
      bench.type("e");
      assertThat(build(bench).eveningMinutes()).isEqualTo(90);
      bench.waitFor(
          () -> bench.card().why().stream().anyMatch(line -> line.contains("evenings of 90")));
    }
  }

  @Test
  void wiresAreListedWithWhatTheirColoursUsuallyMean() throws Exception {
    try (BenchInTest bench = computer()) {
      bench.walkUntil(
          () -> bench.card().rows().stream().anyMatch(row -> row.text().startsWith("W2 ")));
      assertThat(bench.card().verdict().orElseThrow().text()).contains("protective earth");
      assertThat(build(bench).entries())
          .extracting(BuildEvent.Entry::event)
          .as("the stop was acknowledged")
          .contains(
              new BuildEvent.Acknowledged("bell", "on the bench only, nothing of it is connected"));
    }
  }
}
