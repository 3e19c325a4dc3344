package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A list of which only names and numbers are known, from the bag to the last part. */
class ByCountTest {
  private static final int MOST_STEPS = 200;

  @TempDir Path home;

  private BareBench bench;

  @BeforeEach
  void open() {
    bench = BareBench.with(home, "evening-lamp");
  }

  @AfterEach
  void close() {
    bench.close();
  }

  private Card card() {
    return bench.card();
  }

  private Build build() {
    return bench.build();
  }

  private Card walkTo(String title) throws InterruptedException {
    assertThat(bench.walkTo(title).title()).contains(title);
    return card();
  }

  @Test
  void everyPartIsAskedForOnceByNameAndNumber() throws InterruptedException {
    Card count = walkTo("1 kΩ");
    assertThat(bench.keys().stage()).isEqualTo(StageId.UNPACK);
    assertThat(count.field().orElseThrow().unit()).contains("4");
    Card first = walkTo("Fit 4 × 1 kΩ resistor");
    assertThat(first.how())
        .anyMatch(line -> line.contains("no places"))
        .contains("Either way round.");
    List<String> titles = new ArrayList<>();
    for (int i = 0; i < MOST_STEPS && titles.size() < 8; i++) {
      if (bench.keys().stage() == StageId.FIT && !titles.contains(card().title())) {
        titles.add(card().title());
      }
      bench.step();
    }
    assertThat(titles)
        .containsSubsequence(
            "Fit 4 × 1 kΩ resistor", "Fit 2 × 10 kΩ resistor", "Fit 1 × socket", "Fit 3 × LED");
    assertThat(build().doneSteps()).contains("fit:1k", "fit:10k", "fit:red-led-5mm");
    assertThat(build().fittedRefs()).isEmpty();
  }

  @Test
  void whatMustNotBeTurnedIsLookedAtTwice() throws InterruptedException {
    Card can = walkTo("Fit 1 × 100 µF");
    assertThat(can.goEnabled()).isFalse();
    assertThat(can.how()).anyMatch(line -> line.contains("plus of the outline"));
    assertThat(can.caution().orElseThrow().text()).contains("burst");
    bench.press(KeyCode.NUMPAD1);
    assertThat(card().goEnabled()).isFalse();
    bench.press(KeyCode.NUMPAD3);
    assertThat(card().goEnabled()).isTrue();
  }

  @Test
  void oneThatIsLeftOutIsDoneWithAndKeptWithItsReason() throws InterruptedException {
    walkTo("Fit 4 × 1 kΩ resistor");
    bench.press(KeyCode.DECIMAL);
    assertThat(card().rows()).anyMatch(row -> row.text().contains("4 × 1 kΩ resistor is left out"));
    bench.press(KeyCode.NUMPAD3);
    bench.press(KeyCode.NUMPAD2);
    bench.press(KeyCode.ENTER);
    assertThat(build().leftOut()).containsEntry("fit:1k", "it is broken");
    assertThat(build().doneSteps()).doesNotContain("fit:1k");
    assertThat(card().title()).isEqualTo("Fit 2 × 10 kΩ resistor");
    assertThat(Progress.share(bench.keys().build().orElseThrow(), StageId.FIT)).isPositive();
  }

  @Test
  void anotherBagMayComeFirst() throws InterruptedException {
    walkTo("Fit 4 × 1 kΩ resistor");
    bench.press(KeyCode.DECIMAL);
    bench.press(KeyCode.NUMPAD2);
    bench.press(KeyCode.ADD);
    bench.press(KeyCode.ENTER);
    assertThat(card().title()).startsWith("Fit ").doesNotContain("kΩ");
    assertThat(build().inForce().getLast().event()).isNotInstanceOf(BuildEvent.Fitted.class);
  }
}
