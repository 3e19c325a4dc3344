package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.walk.BareKeys;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A kit with paste, a coil wound by hand, clear lenses and holes too close for a resistor. */
class SmallPartsTest {
  private static final int MOST_STEPS = 600;

  @TempDir Path home;

  private final BlockingQueue<Runnable> queue = BareKeys.queue();
  private final ExecutorService background = Executors.newVirtualThreadPerTaskExecutor();
  private Session session;
  private BareKeys bench;

  @BeforeEach
  void open() {
    lay("buoy");
  }

  private void lay(String name) {
    if (!(Journal.open(home.resolve("bench.db"), Clock.systemUTC())
        instanceof JournalOpen.Opened opened)) {
      throw new IllegalStateException("the journal cannot be opened");
    }
    Path kit = BenchInTest.root().resolve("desktop/src/test/resources/kits/" + name);
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

  private String said() {
    return card().title() + " " + String.join(" ", card().how());
  }

  private Card walkTo(String title) throws InterruptedException {
    for (int i = 0; i < MOST_STEPS && !said().contains(title); i++) {
      if (!bench.walk().step()) {
        bench.takeIn(50);
      }
    }
    assertThat(said()).contains(title);
    return card();
  }

  @Test
  void aSideIsPrintedSetAndHeatedAndThenItsPartsAreOn() throws InterruptedException {
    assertThat(walkTo("Paste 4 parts, 14 pads").go()).isEqualTo("Printed, next");
    bench.press(KeyCode.ENTER);
    assertThat(build().fittedRefs()).isEmpty();
    assertThat(card().how())
        .as("what must not be turned comes first")
        .anyMatch(line -> line.startsWith("U1:"));
    assertThat(card().goEnabled()).isFalse();
    bench.press(KeyCode.NUMPAD1);
    assertThat(card().goEnabled()).isFalse();
    bench.press(KeyCode.NUMPAD2);
    assertThat(card().goEnabled()).isTrue();
    assertThat(card().how()).anyMatch(line -> line.startsWith("C1:"));
    bench.press(KeyCode.ADD);
    assertThat(card().how()).anyMatch(line -> line.startsWith("R1:"));
    bench.press(KeyCode.ENTER);
    assertThat(card().caution()).isPresent();
    assertThat(build().fittedRefs()).isEmpty();
    bench.press(KeyCode.ENTER);
    assertThat(build().fittedRefs()).containsExactlyInAnyOrder("C1", "R1", "R2", "U1");
  }

  @Test
  void aCoilIsFittedWhenItsWireIsThrough() throws InterruptedException {
    walkTo("Fit L1");
    bench.keys().togglePractice();
    bench.press(KeyCode.ENTER);
    assertThat(card().title()).isEqualTo("Is coil a through?");
    assertThat(card().goEnabled()).isFalse();
    bench.walk().number("5");
    assertThat(card().verdict().orElseThrow().good()).isFalse();
    bench.press(KeyCode.ENTER);
    assertThat(build().fittedRefs()).doesNotContain("L1");
    bench.walk().number("00");
    bench.press(KeyCode.ENTER);
    assertThat(build().fittedRefs()).doesNotContain("L1");
    assertThat(card().verdict().orElseThrow().good()).isFalse();
    bench.walk().number("0.3");
    assertThat(card().verdict().orElseThrow().good()).isTrue();
    bench.press(KeyCode.ENTER);
    assertThat(build().fittedRefs()).contains("L1");
    assertThat(build().isThrough("ring", "a")).isTrue();
  }

  @Test
  void aClearLensOfAnotherColourIsNotFitted() throws InterruptedException {
    walkTo("Light red LED first");
    bench.press(KeyCode.NUMPAD2);
    assertThat(card().title()).contains("Light red LED first");
    assertThat(card().verdict().orElseThrow().text()).contains("green").contains("LED2");
    bench.press(KeyCode.NUMPAD3);
    assertThat(card().verdict().orElseThrow().text()).contains("dead");
    bench.press(KeyCode.NUMPAD1);
    assertThat(card().title()).contains("Fit LED1");
  }

  @Test
  void holesTooCloseHaveTheResistorStand() throws InterruptedException {
    Card fit = walkTo("Fit R3");
    assertThat(fit.how())
        .anyMatch(line -> line.contains("5.1 mm") && line.contains("stand it up"))
        .noneMatch(line -> line.contains("Flush"));
    assertThat(fit.why()).noneMatch(line -> line.contains("Short leads"));
  }

  @Test
  void aRepairIsWrittenDownAndItsGateIsAskedAgain() throws InterruptedException {
    walkTo("Ohms between");
    bench.keys().togglePractice();
    bench.walk().number("1000");
    bench.press(KeyCode.ENTER);
    for (String typed : List.of("5.00", "17.8")) {
      bench.walk().number(typed);
      bench.press(KeyCode.ENTER);
    }
    assertThat(build().gateOpen("after-choke")).isTrue();
    bench.press(KeyCode.DIVIDE);
    bench.press(KeyCode.ENTER);
    for (int i = 0; i < 200 && !card().title().contains("What was it"); i++) {
      bench.takeIn(50);
      if (card().field().isPresent()) {
        bench.press(KeyCode.DIVIDE);
      }
    }
    assertThat(card().rows().getFirst().text()).contains("nothing that a meter shows");
    bench.press(KeyCode.NUMPAD2);
    assertThat(build().mended()).hasSize(1);
    assertThat(card().how()).anyMatch(line -> line.startsWith("Power off."));
    assertThat(card().go()).isEqualTo("It is mended: 5 V behind the choke again");
    bench.press(KeyCode.ENTER);
    assertThat(build().gateOpen("after-choke")).isFalse();
    assertThat(bench.keys().stage()).isEqualTo(StageId.POWER);
    assertThat(build().inForce().getLast().event()).isInstanceOf(BuildEvent.Repaired.class);
  }

  @Test
  void aRibbonIsThereWhenItWasPluggedIn() throws InterruptedException {
    session.close();
    lay("twinlight");
    walkTo("Join the boards");
    OpenBuild open = bench.keys().build().orElseThrow();
    BoardState both = open.kit().state("both").orElseThrow();
    assertThat(open.built().isOn("J3", both)).isTrue();
    assertThat(open.built().isOn("ribbon", both)).isFalse();
    bench.press(KeyCode.ENTER);
    assertThat(open.built().isOn("ribbon", both)).isTrue();
  }
}
