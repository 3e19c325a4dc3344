package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.BuildEvent;
import humble.core.build.ToggledIn;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.walk.BareKeys;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Predicate;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Programs toggled in at the front panel, by the keypad. */
class PanelTest {
  private static final long LONGEST_MS = 240_000;

  @TempDir Path home = Path.of("");

  private final BlockingQueue<Runnable> queue = BareKeys.queue();
  private final ExecutorService background = Executors.newSingleThreadExecutor();
  private Session session;
  private BareKeys bench;

  @BeforeEach
  void begin() {
    lay(BenchInTest.root().resolve("kits").resolve("lockkeeper"));
  }

  private void lay(Path kit) {
    JournalOpen.Opened opened =
        (JournalOpen.Opened) Journal.open(home.resolve("bench.db"), Clock.systemUTC());
    session = new Session(opened.journal(), home, List.of(kit), background, queue::add);
    session.layKit(kit);
    bench = new BareKeys(session, Clock.systemUTC(), queue);
  }

  @AfterEach
  void close() {
    session.close();
    background.shutdownNow();
  }

  private Card card() {
    return bench.keys().card();
  }

  private OpenBuild build() {
    return bench.keys().build().orElseThrow();
  }

  private ToggledIn in(String program) {
    return build().build().toggled(program);
  }

  private void load(boolean practice) throws Exception {
    build().act(new BuildEvent.Woke("reset"), new BuildEvent.Woke("memory"));
    if (build().practiceOn() != practice) {
      bench.keys().togglePractice();
    }
    bench.press(KeyCode.F7);
    until(card -> card.kicker().startsWith("toggle in"));
  }

  /** Waits until the card is so, without a key. */
  private void until(Predicate<Card> so) throws Exception {
    long end = System.currentTimeMillis() + LONGEST_MS;
    while (!so.test(card())) {
      assertThat(System.currentTimeMillis()).as(card().title()).isLessThan(end);
      bench.takeIn(20);
    }
  }

  /** Presses Enter until the card is so. */
  private void enter(Predicate<Card> so) throws Exception {
    long end = System.currentTimeMillis() + LONGEST_MS;
    while (!so.test(card())) {
      assertThat(System.currentTimeMillis()).as(card().title()).isLessThan(end);
      if (card().goEnabled()) {
        bench.press(KeyCode.ENTER);
      }
      bench.takeIn(5);
    }
  }

  private static Predicate<Card> title(String begin) {
    return card -> card.title().startsWith(begin);
  }

  @Test
  void aSlipIsNamedAndItAloneIsPutInAgain() throws Exception {
    load(true);
    enter(title("Row 02: set 50"));
    enter(card -> card.go().startsWith("Press DEPOSIT"));
    // The switch at the left of a byte that wants it down, and the key as they stand.
    bench.press(KeyCode.NUMPAD1);
    until(card -> card.go().startsWith("Set the switches"));
    bench.press(KeyCode.NUMPAD0);
    until(title("Row 03: set"));
    enter(title("Row 02: do the lights show 50?"));
    enter(card -> card.verdict().isPresent());
    assertThat(card().verdict().orElseThrow().text())
        .isEqualTo("Row 02 reads d0 instead of 50: S9 (bit 7) was to be down.");
    assertThat(card().rows()).as("one slip is no line").isEmpty();
    bench.press(KeyCode.ENTER);
    enter(card -> card.why().toString().contains("Row 02 read d0"));
    assertThat(in("follow").read()).hasSize(4).containsEntry(2L, 0xd0);
    enter(title("Run it"));
    assertThat(
            build().build().inForce().stream()
                .filter(entry -> entry.event() instanceof BuildEvent.RowPut)
                .count())
        .isEqualTo(5);
    enter(card -> card.go().equals("The lights show 26"));
    assertThat(card().verdict().orElseThrow().good()).isTrue();
    bench.press(KeyCode.ENTER);
    assertThat(in("follow").shown())
        .contains(new BuildEvent.ProgramShown("follow", 0x26, true, true));
    assertThat(card().title()).isEqualTo("Memory test, the shortest: one cell");
  }

  @Test
  void allFourProgramsRunAsTheKitSays() throws Exception {
    load(true);
    enter(title("Everything is toggled in"));
    assertThat(in("every-cell").shown().orElseThrow().lights()).isZero();
    assertThat(in("boats").shown().orElseThrow().lights()).isEqualTo(3);
    assertThat(card().rows()).hasSize(4);
  }

  @Test
  void aLineThatHangsIsToldFromASlip() throws Exception {
    build().act(new BuildEvent.FaultHidden("idle", 1, "open:U3.21", 1));
    load(true);
    enter(card -> card.rows().toString().contains("rather the line"));
    assertThat(card().verdict().orElseThrow().good()).isFalse();
    assertThat(card().rows().getFirst().text()).startsWith("D6 reads 0 in every row, 2 of which");
    assertThat(card().key('/')).isPresent();
  }

  @Test
  void withoutThePracticeBenchTheMakersLightsCount() throws Exception {
    load(false);
    assertThat(card().why().toString()).doesNotContain("simulated");
    enter(title("Row 00: do the lights show 60?"));
    assertThat(in("follow").put()).hasSize(4);
    bench.press(KeyCode.NUMPAD8);
    assertThat(card().verdict().orElseThrow().text())
        .isEqualTo("Row 00 reads 61 instead of 60: S2 (bit 0) was to be down.");
    bench.press(KeyCode.NUMPAD8);
    assertThat(card().verdict()).isEmpty();
    bench.press(KeyCode.NUMPAD8);
    bench.press(KeyCode.ENTER);
    assertThat(in("follow").read()).containsEntry(0L, 0x61);
    enter(card -> card.why().toString().contains("Row 00 read 61"));
    enter(title("Run it"));
    enter(card -> card.go().equals("Which lights are lit?"));
    assertThat(card().goEnabled()).as("nobody has looked yet").isFalse();
    bench.press(KeyCode.NUMPAD0);
    assertThat(card().go()).isEqualTo("The lights show 00");
    bench.press(KeyCode.ENTER);
    assertThat(card().title())
        .isEqualTo("The data lights follow the switches: the lights showed 00");
    bench.press(KeyCode.NUMPAD2);
    assertThat(in("follow").put()).isEmpty();
    assertThat(card().title()).isEqualTo("The data lights follow the switches");
  }

  @Test
  void whatIsInIsAskedForAfterThePowerMayHaveGone() throws Exception {
    load(false);
    enter(title("Row 02: set"));
    bench.press(KeyCode.F8);
    bench.press(KeyCode.F7);
    until(card -> card.kicker().startsWith("toggle in"));
    assertThat(card().how().toString()).contains("2 of 4 rows are in");
    bench.press(KeyCode.ENTER);
    assertThat(card().title()).isEqualTo("Go to address 02");
    bench.press(KeyCode.ADD);
    assertThat(in("follow").put()).isEmpty();
  }

  /** The simulated machine keeps its memory while the stage is left, and not over a restart. */
  @Test
  void theSimulatedMachineKeepsItsMemoryAsLongAsItIsOn() throws Exception {
    load(true);
    enter(title("Row 02: set"));
    bench.press(KeyCode.F8);
    bench.press(KeyCode.F7);
    until(card -> card.kicker().startsWith("toggle in"));
    assertThat(card().how().toString()).contains("2 of 4 rows are in");
    enter(title("Run it"));
    assertThat(
            build().build().inForce().stream()
                .filter(entry -> entry.event() instanceof BuildEvent.RowPut)
                .count())
        .isEqualTo(4);
    build().practice().panelOff();
    bench.press(KeyCode.F8);
    bench.press(KeyCode.F7);
    until(card -> card.kicker().startsWith("toggle in"));
    assertThat(card().go()).isEqualTo("Begin anew");
    bench.press(KeyCode.ENTER);
    assertThat(in("follow").put()).isEmpty();
  }

  /** No RESET, no simulated lines, a first row at 10: it is examined there before it runs. */
  @Test
  void aProgramThatBeginsElsewhereIsExaminedBeforeItRuns() throws Exception {
    session.close();
    Path kit =
        CopiedKit.of(
            home,
            "lockkeeper",
            "\"single-step\": [\"S11\"], \"reset\": [\"S1\"]",
            "\"single-step\": [\"S11\"]",
            "\"data_lines\": [\"D0\", ",
            "\"data_lines\": [");
    Files.writeString(kit.resolve("follow.lst"), "10  60  INS\n11  61  OUT\n12  50 10  JMP 10\n");
    lay(kit);
    load(true);
    assertThat(card().how()).contains("Power on; it stands still.");
    bench.press(KeyCode.ENTER);
    assertThat(card().title()).isEqualTo("Go to address 10");
    enter(card -> card.why().toString().contains("cannot be simulated"));
    enter(title("Run it"));
    assertThat(card().how().getFirst()).isEqualTo("Set the switches as drawn.");
    bench.press(KeyCode.ENTER);
    assertThat(card().go()).isEqualTo("I pressed EXAMINE");
    bench.press(KeyCode.ENTER);
    bench.press(KeyCode.ENTER);
    assertThat(card().go()).isEqualTo("I pressed RUN");
    bench.press(KeyCode.ENTER);
    assertThat(card().goEnabled()).isFalse();
  }

  @Test
  void whatIsNotAwakeIsNamedBeforeAProgram() throws Exception {
    bench.press(KeyCode.F7);
    until(card -> card.title().equals("First wake what it needs"));
    assertThat(card().rows().getFirst().text())
        .isEqualTo("The data lights follow the switches: waits for reset");
  }
}
