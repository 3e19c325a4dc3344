package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.BuildEvent;
import humble.core.kit.AsBuilt;
import humble.core.mend.Habits;
import humble.core.mend.Suspects;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.hand.Hand;
import humble.desktop.hand.HandStage;
import humble.desktop.hand.Seat;
import humble.desktop.hand.Turn;
import humble.desktop.session.Known;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.StageId;
import humble.desktop.walk.BareKeys;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Stages as rows of hands, without a window: what keys are told, and what leaving calls off. */
class HandsTest {
  private static final int MOST_STEPS = 4000;
  private static final long LONGEST_MS = 240_000;

  @TempDir Path home;

  private final BlockingQueue<Runnable> queue = BareKeys.queue();
  private final ExecutorService background = Executors.newSingleThreadExecutor();
  private final List<Session> sessions = new ArrayList<>();

  @AfterEach
  void close() {
    sessions.forEach(Session::close);
    background.shutdownNow();
  }

  private BareKeys bench(String kit) {
    return bench(BenchInTest.root().resolve("kits").resolve(kit));
  }

  private BareKeys bench(Path at) {
    if (Journal.open(home.resolve("bench.db"), Clock.systemUTC())
        instanceof JournalOpen.Opened opened) {
      Session session = new Session(opened.journal(), home, List.of(at), background, queue::add);
      sessions.add(session);
      session.layKit(at);
      return new BareKeys(session, Clock.systemUTC(), queue);
    }
    throw new AssertionError("the journal cannot be opened");
  }

  private static OpenBuild build(BareKeys bench) {
    return bench.keys().build().orElseThrow();
  }

  /** Takes in what comes from the background until something is so. */
  private static void until(BareKeys bench, BooleanSupplier so) throws InterruptedException {
    long end = System.currentTimeMillis() + LONGEST_MS;
    while (!so.getAsBoolean()) {
      assertThat(System.currentTimeMillis()).as(bench.keys().card().title()).isLessThan(end);
      bench.takeIn(20);
    }
  }

  private static void walkTo(BareKeys bench, StageId stage) throws InterruptedException {
    for (int steps = 0; bench.keys().stage() != stage; steps++) {
      assertThat(steps).as(bench.keys().card().title()).isLessThan(MOST_STEPS);
      if (!bench.walk().step()) {
        bench.takeIn(20);
      }
    }
  }

  /** Every card of a whole build: a key that is told does what its cap says, and none does two. */
  @ParameterizedTest
  @ValueSource(strings = {"ferryman", "glowmoth", "lockkeeper", "tidepool", "weathercock"})
  void everyKeyThatIsToldIsTheKeyThatActs(String kit) throws Exception {
    BareKeys bench = bench(kit);
    int cards = 0;
    for (int steps = 0; !bench.walk().over() && steps < MOST_STEPS; steps++) {
      Card card = bench.keys().card();
      assertThat(card.keys().stream().map(Card.Key::press).filter(press -> press != '\0'))
          .as(card.title())
          .doesNotHaveDuplicates();
      for (Card.Key key : card.hints()) {
        if (key.cap().length() == 1 && key.press() != '\0' && key.press() != Card.BACK) {
          assertThat(key.cap()).as(card.title()).isEqualTo(String.valueOf(key.press()));
        }
      }
      if (!card.go().isEmpty() && bench.keys().stage().ordinal() < StageId.BOOK.ordinal()) {
        assertThat(card.key(Card.BACK)).as("%s can be taken back", card.title()).isPresent();
      }
      cards++;
      if (!bench.walk().step()) {
        bench.takeIn(50);
      }
    }
    assertThat(bench.walk().over()).as(bench.keys().card().title()).isTrue();
    assertThat(cards).isGreaterThan(50);
  }

  @Test
  void whatIsSentBelongsToWhoeverSentIt() throws Exception {
    BareKeys bench = bench("glowmoth");
    walkTo(bench, StageId.LOAD);
    bench.press(KeyCode.ENTER);
    // Left and come back to before anything came in: the first sending counts for nobody.
    bench.press(KeyCode.F8);
    bench.press(KeyCode.F7);
    until(bench, () -> bench.keys().card().goEnabled());
    bench.press(KeyCode.ENTER);
    until(bench, () -> !build(bench).build().loaded().isEmpty());
    bench.takeIn(200);
    assertThat(build(bench).build().entries())
        .filteredOn(entry -> entry.event() instanceof BuildEvent.Loaded)
        .hasSize(1);
  }

  @Test
  void aFaultThatIsBeingHiddenIsNotHiddenForWhoeverLeft() throws Exception {
    BareKeys bench = bench("glowmoth");
    walkTo(bench, StageId.LOAD);
    bench.press(KeyCode.DIVIDE);
    bench.press(KeyCode.ADD);
    bench.press(KeyCode.NUMPAD1);
    bench.press(KeyCode.F7);
    CountDownLatch after = new CountDownLatch(1);
    build(bench).works().start(calledOff -> "after it", done -> after.countDown());
    until(bench, () -> after.getCount() == 0);
    assertThat(build(bench).build().hidden()).isEmpty();
    // The same without leaving hides one.
    bench.press(KeyCode.DIVIDE);
    bench.press(KeyCode.ADD);
    bench.press(KeyCode.NUMPAD1);
    until(bench, () -> build(bench).build().hidden().isPresent());
  }

  @Test
  void aLinkThatHangsStopsNothingElse() throws Exception {
    BareKeys bench = bench("glowmoth");
    CountDownLatch hangs = new CountDownLatch(1);
    List<String> done = new ArrayList<>();
    OpenBuild open = build(bench);
    open.works()
        .talk(
            "hung",
            calledOff -> {
              try {
                hangs.await(LONGEST_MS, TimeUnit.MILLISECONDS);
              } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
              }
              return "hung";
            },
            done::add);
    open.works().talk("other", calledOff -> "other", done::add);
    open.works().start(calledOff -> "background", done::add);
    until(bench, () -> done.size() == 2);
    assertThat(done).containsExactlyInAnyOrder("other", "background");
    walkTo(bench, StageId.PLAN);
    hangs.countDown();
    until(bench, () -> done.contains("hung"));
  }

  @Test
  void workThatIsCalledOffHandsNothingOver() throws Exception {
    BareKeys bench = bench("glowmoth");
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch seen = new CountDownLatch(1);
    List<String> done = new ArrayList<>();
    var errand =
        build(bench)
            .works()
            .<String>start(
                calledOff -> {
                  begun.countDown();
                  while (!calledOff.getAsBoolean()) {
                    Thread.onSpinWait();
                  }
                  seen.countDown();
                  return "late";
                },
                done::add);
    assertThat(begun.await(LONGEST_MS, TimeUnit.MILLISECONDS)).isTrue();
    errand.cancel();
    assertThat(seen.await(LONGEST_MS, TimeUnit.MILLISECONDS)).isTrue();
    bench.takeIn(200);
    assertThat(done).isEmpty();
    assertThat(errand.isRunning()).isFalse();
    assertThat(errand.failed()).isEmpty();
  }

  /** What was worked out for another board is not said of this one. */
  @Test
  void anOptionThatChangesIsAnotherBoard() throws Exception {
    BareKeys bench = bench("glowmoth");
    OpenBuild open = build(bench);
    var idle = open.kit().state("idle").orElseThrow();
    until(bench, () -> open.powered(idle).found().isPresent());
    assertThat(open.built().built()).isEqualTo(AsBuilt.DESIGNED);
    open.act(new BuildEvent.Chose("sounder", "loud"));
    assertThat(open.powered(idle)).isInstanceOf(Known.Waiting.class);
    assertThat(open.built().gone(idle)).contains("R6").doesNotContain("JP1");
    assertThat(Suspects.of(open.built(), idle, Habits.usual()))
        .as("who is not on the board is no suspect")
        .noneMatch(suspect -> suspect.name().contains("R6"))
        .anyMatch(suspect -> suspect.name().contains("JP1"));
    until(bench, () -> open.powered(idle).found().isPresent());
    open.takeBack();
    assertThat(open.powered(idle).found()).as("known from before").isPresent();
    assertThat(open.built().gone(idle)).contains("JP1").doesNotContain("R6");
  }

  @Test
  void whatIsNotFittedYetIsNotOnTheBoard() throws Exception {
    BareKeys bench = bench("glowmoth");
    walkTo(bench, StageId.POWER);
    OpenBuild open = build(bench);
    var idle = open.kit().state("idle").orElseThrow();
    assertThat(open.build().fittedRefs()).doesNotContain("U1").contains("U2");
    assertThat(open.built().gone(idle)).contains("U1", "DISP1").doesNotContain("U2");
    assertThat(open.planned().gone(idle)).doesNotContain("U1");
    assertThat(open.practice().board(idle).orElseThrow().supplyAmps())
        .as("the practice bench has no chip on it either")
        .isLessThan(0.01);
  }

  /** A kit that was typed in: no board, no nets, no gate, no program, nothing that wakes. */
  @Test
  void whatAKitDoesNotHaveIsNeitherDoneNorOffered() throws Exception {
    Path kit = Files.createDirectories(home.resolve("tide"));
    Files.writeString(
        kit.resolve("kit.json"),
        """
        {"format":"humble-kit/1","id":"tide","name":"Tide lamp","lines":[
          {"id":"r","kind":"resistor","value":"1k","tolerance_pct":5,
           "package":"axial-quarter-watt","refs":["R1","R2"],"supplied":2}]}
        """);
    BareKeys bench = bench(kit);
    OpenBuild open = build(bench);
    assertThat(List.of(StageId.values()))
        .filteredOn(stage -> !Progress.hasWork(open, stage))
        .containsExactly(StageId.SORT, StageId.POWER, StageId.LOAD, StageId.WAKE);
    bench.press(KeyCode.F6);
    assertThat(bench.keys().card().title()).isEqualTo("This kit gives no gate to read");
    bench.press(KeyCode.F7);
    assertThat(bench.keys().card().title()).isEqualTo("This kit has no program to load");
    bench.press(KeyCode.F8);
    assertThat(bench.keys().card().title()).isEqualTo("This kit has nothing that wakes");
    bench.press(KeyCode.F5);
    until(bench, () -> bench.keys().card().goEnabled());
    assertThat(bench.keys().card().hints())
        .extracting(Card.Key::text)
        .as("no key that turns, follows or magnifies what is not there")
        .containsExactly("take back", "note", "otherwise", "next place");
  }

  /** A hand that remembers when it was left, and that asks for work which fails. */
  private static final class Probe extends Hand {
    private final String name;
    private final List<String> left;

    Probe(Seat seat, String name, List<String> left) {
      super(seat);
      this.name = name;
      this.left = left;
    }

    void fail(OpenBuild open) {
      own(
          open.works()
              .start(
                  calledOff -> {
                    throw new IllegalStateException("out of solder");
                  },
                  done -> left.add("done")));
    }

    @Override
    public Card card() {
      return seat.card("kicker", name).field(typed().text(), "").notYet("wait");
    }

    @Override
    public Mat mat() {
      return new Blank();
    }

    @Override
    public void left() {
      left.add(name);
      super.left();
    }
  }

  private record Blank() implements Mat {
    @Override
    public void paint(Pen pen, double w, double h) {
      // Nothing is drawn here.
    }

    @Override
    public String spoken() {
      return "";
    }
  }

  /** A row of probes; whose turn it is stands outside. */
  private static final class Row extends HandStage {
    private final List<String> left = new ArrayList<>();
    private final List<Probe> made = new ArrayList<>();
    private String now = "first";

    Row(Desk desk) {
      super(desk);
    }

    @Override
    protected Turn turn() {
      return new Turn(now, () -> made(now));
    }

    private Probe made(String name) {
      Probe probe = new Probe(seat, name, left);
      made.add(probe);
      return probe;
    }

    void over(String name) {
      layOver(made(name));
    }
  }

  @Test
  void aHandStaysWhileItsTurnDoesAndIsToldWhenItIsLeft() throws Exception {
    BareKeys bench = bench("glowmoth");
    Row row = new Row(bench.keys());
    bench.keys().show(row);
    row.typed().type("12");
    assertThat(row.card().field().orElseThrow().typed()).isEqualTo("12");
    row.card();
    assertThat(row.made).hasSize(1);
    row.now = "second";
    assertThat(row.card().title()).isEqualTo("second");
    assertThat(row.typed().isEmpty()).as("another hand has an empty field").isTrue();
    assertThat(row.left).containsExactly("first");
    row.over("above");
    assertThat(row.card().title()).isEqualTo("above");
    bench.press(KeyCode.F1);
    assertThat(row.left).containsExactly("first", "above", "second");
  }

  @Test
  void workThatFailsIsToldOnTheCardOfTheHandThatAskedForIt() throws Exception {
    BareKeys bench = bench("glowmoth");
    Row row = new Row(bench.keys());
    bench.keys().show(row);
    assertThat(row.card().verdict()).isEmpty();
    row.made.getFirst().fail(build(bench));
    until(bench, () -> row.card().verdict().isPresent());
    assertThat(row.card().verdict().orElseThrow().text())
        .contains("Work in the background failed")
        .contains("humble.log");
    assertThat(home.resolve("log/humble.log")).content().contains("out of solder");
    row.now = "second";
    assertThat(row.card().verdict()).as("the next hand asked for nothing").isEmpty();
    assertThat(row.left).doesNotContain("done");
  }
}
