package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.desktop.session.Progress;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.walk.BareKeys;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A list of which only names and numbers are known, from the bag to the last part. */
class ByCountTest {
  private static final int MOST_STEPS = 200;

  @TempDir Path home;

  private final BlockingQueue<Runnable> queue = BareKeys.queue();
  private final ExecutorService background = Executors.newVirtualThreadPerTaskExecutor();
  private Session session;
  private BareKeys bench;

  @BeforeEach
  void open() {
    if (!(Journal.open(home.resolve("bench.db"), Clock.systemUTC())
        instanceof JournalOpen.Opened opened)) {
      throw new IllegalStateException("the journal cannot be opened");
    }
    Path kit = BenchInTest.root().resolve("desktop/src/test/resources/kits/evening-lamp");
    session = new Session(opened.journal(), home, List.of(kit), background, queue::add);
    session.layKit(kit);
    bench = new BareKeys(session, Clock.systemUTC(), queue);
  }

  @AfterEach
  void close() {
    session.close();
    background.close();
  }

  private Card card() {
    return bench.keys().card();
  }

  private Build build() {
    return bench.keys().build().orElseThrow().build();
  }

  private Card walkTo(String title) throws InterruptedException {
    for (int i = 0; i < MOST_STEPS && !card().title().contains(title); i++) {
      if (!bench.walk().step()) {
        bench.takeIn(50);
      }
    }
    assertThat(card().title()).contains(title);
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
      if (!bench.walk().step()) {
        bench.takeIn(50);
      }
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
