package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.BuildEvent;
import humble.desktop.stage.StageId;
import java.nio.file.Path;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Lights, switches and modules may be tried on the bench before they are soldered. */
class TryFirstTest {
  @TempDir Path home;

  @Test
  void whatIsTriedFirstIsInTheBookAndOnItsStep() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.PLAN);
      assertThat(bench.card().why()).anyMatch(why -> why.contains("On the bench first"));
      bench.walkTo(StageId.FIT);
      bench.walkUntil(() -> bench.card().key('4').isPresent());
      String title = bench.card().title();
      assertThat(bench.card().key('4').orElseThrow().text()).isEqualTo("try it first");
      bench.press(KeyCode.NUMPAD4);
      assertThat(bench.card().title()).startsWith("Try ").endsWith("before it is soldered");
      bench.press(KeyCode.ESCAPE);
      assertThat(bench.card().title()).as("left without a word").isEqualTo(title);
      bench.press(KeyCode.NUMPAD4, KeyCode.NUMPAD2);
      assertThat(bench.card().title()).isEqualTo(title);
      assertThat(bench.card().verdict().orElseThrow().text()).contains("take a spare");
      assertThat(bench.card().key('4')).as("the spare may be tried").isPresent();
      assertThat(bench.session().open().orElseThrow().build().entries().getLast().event())
          .isInstanceOfSatisfying(
              BuildEvent.Tried.class, tried -> assertThat(tried.colour()).isEqualTo("fails"));
      bench.press(KeyCode.NUMPAD4, KeyCode.ENTER);
      assertThat(bench.card().verdict()).isEmpty();
      assertThat(bench.card().key('4')).as("it works").isEmpty();
    }
  }
}
