package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Peripheral;
import humble.core.wake.DisplaySetting;
import humble.core.wake.Pose;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.walk.BareKeys;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
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

/** Wake by its keys, without a window. */
class WakeTest {
  private static final long LONGEST_MS = 60_000;

  @TempDir Path home = Path.of("");

  private final BlockingQueue<Runnable> queue = BareKeys.queue();
  private final ExecutorService background = Executors.newSingleThreadExecutor();
  private final List<Session> sessions = new ArrayList<>();

  @AfterEach
  void close() {
    sessions.forEach(Session::close);
    background.shutdownNow();
  }

  private Path kit(String name, String peripherals) throws IOException {
    Path from = BenchInTest.root().resolve("kits").resolve(name);
    Path to = Files.createDirectories(home.resolve(name));
    try (var files = Files.list(from)) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        Files.copy(file, to.resolve(file.getFileName()));
      }
    }
    String text = Files.readString(to.resolve("kit.json"));
    if (!peripherals.isEmpty()) {
      text = withList(text, "peripherals", peripherals);
      // What is toggled in, and what agrees with the board, names peripherals that are gone now.
      text = text.contains("\"toggled\"") ? withList(text, "toggled", "") : text;
      text = text.contains("\"same_as\"") ? withList(text, "settings", "") : text;
    }
    Files.writeString(to.resolve("kit.json"), text);
    return to;
  }

  private static String withList(String text, String key, String elements) {
    int open = text.indexOf('[', text.indexOf("\"" + key + "\""));
    int depth = 0;
    int end = open;
    do {
      depth += text.charAt(end) == '[' ? 1 : text.charAt(end) == ']' ? -1 : 0;
      end++;
    } while (depth > 0);
    return text.substring(0, open) + "[" + elements + "]" + text.substring(end);
  }

  /** Lays a kit whose programs are in, with a fault hidden, at Wake. */
  private BareKeys waking(Path at, String fault) throws InterruptedException {
    if (!(Journal.open(home.resolve("bench.db"), Clock.systemUTC())
        instanceof JournalOpen.Opened opened)) {
      throw new AssertionError("the journal cannot be opened");
    }
    Session session = new Session(opened.journal(), home, List.of(at), background, queue::add);
    sessions.add(session);
    session.layKit(at);
    BareKeys bench = new BareKeys(session, Clock.systemUTC(), queue);
    OpenBuild open = build(bench);
    open.kit()
        .firmware()
        .images()
        .forEach(image ->
            open.act(
                new BuildEvent.Loaded(
                    image.id(),
                    image.target(),
                    1,
                    "",
                    true,
                    true,
                    "",
                    0,
                    "practice",
                    "read-back")));
    open.kit().firmware().targets().forEach(target -> started(open, target.id()));
    if (!fault.isEmpty()) {
      open.act(new BuildEvent.FaultHidden(open.kit().states().getFirst().id(), 1, fault, 1));
    }
    bench.press(KeyCode.F8);
    return bench;
  }

  private static void started(OpenBuild open, String target) {
    var link = open.practice().link(open.kit().firmware().target(target).orElseThrow());
    try {
      link.ask("page 0x0 00 d202ef8d");
      assertThat(link.ask("start")).isEqualTo("ok");
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }

  private static void until(BareKeys bench, BooleanSupplier so) throws InterruptedException {
    long end = System.currentTimeMillis() + LONGEST_MS;
    while (!so.getAsBoolean()) {
      assertThat(System.currentTimeMillis()).as(card(bench).toString()).isLessThan(end);
      bench.takeIn(20);
    }
  }

  private static OpenBuild build(BareKeys bench) {
    return bench.keys().build().orElseThrow();
  }

  private static Build journal(BareKeys bench) {
    return build(bench).build();
  }

  private static Card card(BareKeys bench) {
    return bench.keys().card();
  }

  private static void enter(BareKeys bench) throws InterruptedException {
    until(bench, () -> card(bench).goEnabled());
    bench.press(KeyCode.ENTER);
  }

  private static final String OWN =
      "{\"id\":\"bell\",\"kind\":\"tone\",\"part\":\"BZ1\",\"title\":\"The little bell\",\"set\":{\"S1\":\"down\"},"
          + "\"expect\":\"three short rings\",\"normal\":[\"a click before the first\"],"
          + "\"otherwise\":[{\"seen\":\"one long ring\",\"means\":[\"open:R6.1\"],\"say\":\"The resistor is loose.\"}],"
          + "\"needs\":[\"quiet\"],\"power_cycle\":true},"
          + "{\"id\":\"hand\",\"kind\":\"other\",\"part\":\"S1\"}";

  @Test
  void theAuthorsWordsAreOnTheCardAndEachAnswerIsKept() throws Exception {
    BareKeys bench = waking(kit("glowmoth", OWN), "");
    assertThat(card(bench).title()).isEqualTo("The little bell");
    assertThat(String.join(" ", card(bench).how()))
        .contains("quiet")
        .contains("Power off")
        .contains("S1 to down")
        .contains("three short rings")
        .contains("a click before the first");
    assertThat(card(bench).rows())
        .extracting(Card.Row::text)
        .containsExactly("1  it does not", "2  one long ring");
    bench.press(KeyCode.NUMPAD2);
    assertThat(journal(bench).facts("bell"))
        .containsEntry("answer", "other")
        .containsEntry("seen", "one long ring");
    assertThat(journal(bench).awake()).isEmpty();
    assertThat(card(bench).how()).contains("The resistor is loose.");
    assertThat(card(bench).rows()).extracting(Card.Row::text).contains("joint open at R6.1");
    bench.press(KeyCode.NUMPAD1);
    assertThat(journal(bench).awake()).as("tried again").isEmpty();
    assertThat(card(bench).title()).isEqualTo("The little bell");
    enter(bench);
    assertThat(journal(bench).awake()).containsExactly("bell");
  }

  @Test
  void whatDoesNotIsAskedForItsWordAndMayWaitWhileTheOthersWake() throws Exception {
    BareKeys bench = waking(kit("glowmoth", OWN), "");
    bench.press(KeyCode.NUMPAD1);
    assertThat(card(bench).title()).isEqualTo("What does it do?");
    assertThat(card(bench).goEnabled()).isFalse();
    bench.press(KeyCode.NUMPAD3);
    assertThat(journal(bench).facts("bell")).containsEntry("seen", "hums");
    assertThat(card(bench).title()).isEqualTo("The little bell: it hums");
    bench.press(KeyCode.DECIMAL);
    assertThat(card(bench).title()).as("another one first").isEqualTo("Trial");
    enter(bench);
    assertThat(journal(bench).awake()).containsExactly("hand");
    assertThat(card(bench).title()).as("then it again").isEqualTo("The little bell: it hums");
    bench.press(KeyCode.SUBTRACT);
    assertThat(journal(bench).awake()).as("taken back").isEmpty();
  }

  @Test
  void aPartThatDoesNothingIsWhatMendStartsFrom() throws Exception {
    BareKeys bench =
        waking(kit("glowmoth", "{\"id\":\"hand\",\"kind\":\"other\",\"part\":\"S1\"}"), "");
    bench.press(KeyCode.NUMPAD1);
    bench.press(KeyCode.NUMPAD1);
    enter(bench);
    assertThat(journal(bench).observed("idle")).containsExactly("idle:S1");
  }

  private static final String KEYS =
      "{\"id\":\"keys\",\"kind\":\"buttons\",\"wiring\":\"rows\",\"rows\":[\"U1.5\",\"U1.6\",\"U1.7\"],"
          + "\"columns\":[\"U1.8\",\"U1.9\",\"U1.10\",\"U1.11\"],\"diodes\":true,\"part\":\"U1\",\"refs\":[\"S2\",\"S3\","
          + "\"S4\",\"S5\",\"S6\",\"S7\",\"S8\",\"S9\",\"S10\",\"S11\",\"S12\",\"S13\"]}";

  /** The silent keys come from the circuit: a reversed diode silences one, an open line four. */
  @Test
  void silentKeysAreFoundAndWhatTheyHaveInCommon() throws Exception {
    BareKeys bench = waking(kit("tidepool", KEYS), "open:U1.6");
    enter(bench);
    until(bench, () -> card(bench).title().equals("Did every key answer?"));
    assertThat(card(bench).verdict().orElseThrow().text()).contains("5, 6, 7, 8");
    assertThat(card(bench).rows()).extracting(Card.Row::text).anyMatch(t -> t.contains("U1.6"));
    enter(bench);
    assertThat(journal(bench).facts("keys")).containsEntry("silent", "5 6 7 8");
    assertThat(journal(bench).awake()).isEmpty();
  }

  /** Words are written and read back one by one; Enter says that it reads the same. */
  @Test
  void linesAreJudgedByTheWordsThatComeBack() throws Exception {
    BareKeys bench =
        waking(
            kit(
                "lockkeeper",
                "{\"id\":\"port\",\"kind\":\"lines\",\"width\":4,\"on\":[\"D0\",\"D1\",\"D2\",\"D3\"]}"),
            "");
    assertThat(card(bench).go()).isEqualTo("Do it all, simulated");
    bench.press(KeyCode.NUMPAD1);
    assertThat(card(bench).go()).isEqualTo("It reads 1, next");
    for (String reads : List.of("", "0", "", "", "c", "", "9", "5")) {
      bench.keys().type(reads);
      enter(bench);
    }
    assertThat(card(bench).rows())
        .extracting(Card.Row::text)
        .containsExactly("D1 stays low: look at its joints, and at what holds it down.");
    enter(bench);
    assertThat(journal(bench).facts("port"))
        .containsEntry("words", "1 0 4 8 c d 9 5")
        .containsEntry("answer", "not");
    enter(bench);
    until(bench, () -> card(bench).verdict().filter(Card.Verdict::good).isPresent());
    assertThat(journal(bench).awake()).isEmpty();
    enter(bench);
    assertThat(journal(bench).awake()).containsExactly("port");
  }

  /** Without a controller the meter proves it; the practice meter beeps as its circuit says. */
  @Test
  void whatGoesThroughIsBuzzedWithTheFewestChecks() throws Exception {
    String through =
        "{\"id\":\"ribbon\",\"kind\":\"passive\",\"through\":[[\"J3.1\",\"U1.1\"],[\"J3.2\",\"U1.2\"],[\"J3.3\",\"U1.3\"]]}";
    BareKeys bench = waking(kit("lockkeeper", through), "open:U1.2");
    for (int check = 0; check < 5; check++) {
      int so = check + 1;
      enter(bench);
      until(
          bench,
          () ->
              card(bench).verdict().isPresent()
                  || card(bench).why().toString().contains((so + 1) + " of 5"));
    }
    assertThat(card(bench).rows())
        .extracting(Card.Row::text)
        .containsExactly("J3.2-U1.2 does not go through: look at the joints at both ends.");
    enter(bench);
    assertThat(journal(bench).facts("ribbon"))
        .containsEntry("open", "J3.2-U1.2")
        .containsEntry("joined", "");
    assertThat(journal(bench).awake()).isEmpty();
  }

  /** What follows from the kit's own figures stands on the card. */
  @Test
  void ratesAndWavesAreReckonedFromTheKit() throws Exception {
    BareKeys bench =
        waking(
            kit(
                "glowmoth",
                "{\"id\":\"talk\",\"kind\":\"serial\",\"baud\":57600,\"clock_hz\":8000000},"
                    + "{\"id\":\"slow\",\"kind\":\"serial\",\"baud\":9600,\"clock_hz\":8000000},"
                    + "{\"id\":\"note\",\"kind\":\"tone\",\"hz\":440}"),
            "");
    assertThat(card(bench).why().toString()).contains("55,556 baud: -3.5 %, too far off");
    enter(bench);
    assertThat(card(bench).why().toString()).contains("9,615 baud: +0.2 %").contains("2 % off");
    enter(bench);
    assertThat(card(bench).why().toString()).contains("counts 1,136").contains("+0.6 cents");
  }

  /** A data bit that hangs is no fault of an address line. */
  @Test
  void aDataBitThatHangsIsNotTakenForAnAddressLine() throws Exception {
    BareKeys bench =
        waking(
            kit(
                "lockkeeper",
                "{\"id\":\"ram\",\"kind\":\"memory\",\"part\":\"U3\",\"on\":[\"A0\",\"A1\",\"A2\"]}"),
            "");
    bench.press(KeyCode.NUMPAD1);
    for (String reads : List.of("14", "", "40", "")) {
      bench.keys().type(reads);
      enter(bench);
    }
    assertThat(card(bench).rows()).hasSize(1);
    assertThat(card(bench).rows().getFirst().text()).contains("data is not what was written");
  }

  /** What a card offers by a key, the key does: no field takes it for a figure. */
  @ParameterizedTest
  @ValueSource(strings = {"tidepool", "ferryman"})
  void noKeyOfACardIsSwallowedByItsField(String name) throws Exception {
    Path kit = kit(name, "");
    Path file = kit.resolve("kit.json");
    // Everything may wake at once.
    String all = Files.readString(file);
    int from = all.indexOf("\"peripherals\"");
    Files.writeString(
        file,
        all.substring(0, from)
            + all.substring(from).replaceAll(",\\s*\"after\": ?\\[[^\\]]*\\]", ""));
    BareKeys bench = waking(kit, "");
    int offered = 0;
    for (int step = 0; step < 400 && !bench.keys().stage().equals(StageId.CLOSE); step++) {
      Card card = card(bench);
      for (Card.Key key : card.keys()) {
        boolean point = key.press() == '.';
        offered += point && card.field().isPresent() ? 1 : 0;
        assertThat(card.takes().takes(key.press(), "") && !point && !card.takes().text())
            .as("%s: %s %s", card.title(), key.cap(), key.text())
            .isFalse();
      }
      if (!bench.walk().step()) {
        bench.takeIn(20);
      }
    }
    assertThat(offered).as("a point beside a field").isPositive();
  }

  @Test
  void aPointBesideAFieldIsTheKeyOfTheCard() throws Exception {
    BareKeys bench =
        waking(
            kit(
                "glowmoth",
                "{\"id\":\"note\",\"kind\":\"tone\",\"part\":\"BZ1\",\"hz\":440},"
                    + "{\"id\":\"hand\",\"kind\":\"other\",\"part\":\"S1\"}"),
            "");
    assertThat(card(bench).key('.').orElseThrow().text()).isEqualTo("later");
    bench.press(KeyCode.DECIMAL);
    assertThat(card(bench).title()).isEqualTo("Trial");
    enter(bench);
    bench.press(KeyCode.NUMPAD4);
    bench.press(KeyCode.DECIMAL);
    assertThat(card(bench).field().orElseThrow().typed()).isEqualTo("4.");
  }

  /** Digits mark what the card asks for now; another key asks for another way to fail. */
  @Test
  void lightsMayBeWeakOrShineAtAnothersTurn() throws Exception {
    BareKeys bench = waking(kit("glowmoth", LAMPS), "");
    build(bench).practiceOn(false);
    enter(bench);
    bench.press(KeyCode.ADD);
    bench.press(KeyCode.NUMPAD2);
    enter(bench);
    assertThat(card(bench).verdict().orElseThrow().text()).isEqualTo("Weak: 2.");
    assertThat(card(bench).rows().getFirst().text()).contains("cold joint at LED2.");
    bench.press(KeyCode.ADD);
    bench.keys().pick("part:LED1");
    assertThat(card(bench).verdict().orElseThrow().text())
        .isEqualTo("Weak: 2. At another's turn: 1.");
    bench.keys().pick("part:LED1");
    enter(bench);
    assertThat(journal(bench).facts("lamps"))
        .containsEntry("dim", "2")
        .containsEntry("ghosts", "")
        .containsEntry("dark", "")
        .containsEntry("answer", "not");
    assertThat(journal(bench).awake()).isEmpty();
  }

  @Test
  void aKeyThatBouncesIsNoGoodKey() throws Exception {
    BareKeys bench = waking(kit("tidepool", KEYS), "");
    build(bench).practiceOn(false);
    enter(bench);
    bench.press(KeyCode.ADD);
    bench.press(KeyCode.NUMPAD4);
    enter(bench);
    assertThat(card(bench).rows().getFirst().text()).contains("bounces");
    enter(bench);
    assertThat(journal(bench).facts("keys"))
        .containsEntry("twice", "4")
        .containsEntry("silent", "");
    assertThat(journal(bench).awake()).isEmpty();
  }

  @Test
  void aReversedDiodeSilencesItsOwnKeyAlone() throws Exception {
    BareKeys bench = waking(kit("tidepool", KEYS), "reversed:D4");
    enter(bench);
    until(bench, () -> card(bench).title().equals("Did every key answer?"));
    assertThat(card(bench).verdict().orElseThrow().text()).contains("3");
    assertThat(card(bench).rows()).isEmpty();
  }

  /** A stick whose wiper's joint is open does not move, and the card says where to look. */
  @Test
  void aStickReadsWhatTheCircuitGives() throws Exception {
    String stick =
        "{\"id\":\"stick\",\"kind\":\"analog\",\"as\":\"joystick\",\"part\":\"JOY1\",\"counts\":4096,"
            + "\"on\":[\"SX\",\"SY\"]}";
    BareKeys bench = waking(kit("tidepool", stick), "open:JOY1.1");
    for (int i = 0; i < 6; i++) {
      int now = i;
      until(bench, () -> card(bench).goEnabled() && card(bench).field().isPresent());
      bench.press(KeyCode.ENTER);
      until(bench, () -> !card(bench).field().orElseThrow().typed().isEmpty());
      assertThat(card(bench).how()).as("reading %d", now).hasSize(1);
      bench.press(KeyCode.ENTER);
    }
    assertThat(card(bench).verdict().orElseThrow().good()).isFalse();
    assertThat(card(bench).rows()).hasSize(2).allMatch(row -> row.text().contains("does not move"));
    enter(bench);
    assertThat(journal(bench).facts("stick")).containsEntry("answer", "not");
    assertThat(journal(bench).awake()).isEmpty();
  }

  /** A caution is at its test; a stop, and whatever transmits, is acknowledged first. */
  @Test
  void cautionsOfTestsAndOfTheStageAreShownAndStopsComeFirst() throws Exception {
    Path kit =
        kit(
            "glowmoth",
            "{\"id\":\"hand\",\"kind\":\"other\",\"part\":\"S1\"},"
                + "{\"id\":\"knock\",\"kind\":\"other\",\"part\":\"S2\"},"
                + "{\"id\":\"air\",\"kind\":\"radio\",\"part\":\"S3\"}");
    Path file = kit.resolve("kit.json");
    Files.writeString(
        file,
        Files.readString(file)
            .replace(
                "\"cautions\": [",
                "\"cautions\": [{\"at\":\"hand\",\"text\":\"It is hot.\",\"level\":\"danger\"},"
                    + "{\"at\":\"knock\",\"text\":\"Ask first.\",\"level\":\"stop\"},"
                    + "{\"at\":\"wake\",\"text\":\"Mind the cat.\",\"level\":\"care\"},"));
    BareKeys bench = waking(kit, "");
    assertThat(card(bench).caution().orElseThrow())
        .as("several stand together, under the gravest sign")
        .isEqualTo(new Card.Warning(true, "It is hot. Mind the cat."));
    enter(bench);
    assertThat(card(bench).go()).isEqualTo("I have read this");
    assertThat(card(bench).caution().orElseThrow().text()).isEqualTo("Ask first.");
    bench.press(KeyCode.NUMPAD1);
    assertThat(journal(bench).acknowledged()).contains("knock");
    enter(bench);
    assertThat(card(bench).caution().orElseThrow().text()).contains("licence");
    bench.press(KeyCode.NUMPAD3);
    assertThat(journal(bench).acknowledged()).contains("transmit:air");
    assertThat(card(bench).caution().orElseThrow().text()).isEqualTo("Mind the cat.");
  }

  /** The program that tried the loose module is not the one that the board wakes with. */
  @Test
  void nothingWakesBeforeEveryProgramIsIn() throws Exception {
    BareKeys bench = waking(kit("tidepool", ""), "");
    assertThat(card(bench).title()).isNotEqualTo("Load the program first");
    bench.press(KeyCode.SUBTRACT);
    assertThat(journal(bench).loaded()).containsOnlyKeys("hello");
    bench.press(KeyCode.F8);
    assertThat(card(bench).title()).isEqualTo("Load the program first");
  }

  /** What an author says counts for every kind, those with a hand of their own too. */
  @Test
  void theAuthorsWordsHoldForKindsWithAHandOfTheirOwn() throws Exception {
    BareKeys bench =
        waking(
            kit(
                "tidepool",
                KEYS.replace(
                    "\"kind\":\"buttons\",",
                    "\"kind\":\"buttons\",\"title\":\"Twelve keys\",\"normal\":[\"the first press is slow\"],"
                        + "\"otherwise\":[{\"seen\":\"all at once\",\"means\":[\"open:R11.2\"],"
                        + "\"say\":\"A column floats.\"}],")),
            "");
    assertThat(card(bench).title()).isEqualTo("Twelve keys");
    assertThat(card(bench).how().toString()).contains("the first press is slow");
    bench.press(KeyCode.ADD);
    assertThat(card(bench).rows().getFirst().text()).isEqualTo("1  all at once");
    assertThat(card(bench).rows().get(1).text()).isEqualTo("2  one is dead");
    bench.press(KeyCode.NUMPAD1);
    assertThat(card(bench).title()).isEqualTo("Twelve keys: all at once");
    assertThat(card(bench).how()).contains("A column floats.");
    assertThat(card(bench).rows().getFirst().text()).isEqualTo("joint open at R11.2");
    assertThat(journal(bench).awake()).isEmpty();
  }

  private static final String SCREEN =
      "{\"id\":\"screen\",\"kind\":\"display\",\"part\":\"DISP1\",\"width_px\":128,\"height_px\":128,"
          + "\"colour\":true,\"config\":{\"rotate\":90,\"x_offset\":-2}}";

  /**
   * Which way, which colours, how far off: each answer is one setting, on top of the one before.
   */
  @Test
  void aDisplayIsSetUpFromWhatIsSeen() throws Exception {
    BareKeys bench = waking(kit("tidepool", SCREEN), "");
    build(bench).practiceOn(false);
    enter(bench);
    bench.press(KeyCode.NUMPAD3);
    assertThat(card(bench).verdict().orElseThrow().text()).contains("turned 270°, not mirrored");
    enter(bench);
    assertThat(journal(bench).facts("screen"))
        .containsEntry("turn-deg", "270")
        .containsEntry("x-offset-px", "-2");
    bench.press(KeyCode.NUMPAD1);
    enter(bench);
    assertThat(card(bench).title()).isEqualTo("How do its colours look?");
    bench.press(KeyCode.NUMPAD4);
    enter(bench);
    assertThat(journal(bench).facts("screen"))
        .containsEntry("swap-red-blue", "true")
        .containsEntry("invert", "true");
    bench.press(KeyCode.NUMPAD1);
    enter(bench);
    bench.press(KeyCode.NUMPAD3);
    enter(bench);
    assertThat(journal(bench).facts("screen")).containsEntry("x-offset-px", "-5");
    bench.press(KeyCode.NUMPAD0);
    enter(bench);
    assertThat(card(bench).title()).isEqualTo("Is the frame whole, above and below?");
    assertThat(journal(bench).awake()).isEmpty();
    bench.keys().type("-1");
    enter(bench);
    assertThat(journal(bench).facts("screen")).containsEntry("y-offset-px", "1");
    enter(bench);
    assertThat(journal(bench).awake()).containsExactly("screen");
  }

  /** The simulated display is mounted and wired somehow; the walk looks at it and answers. */
  @Test
  void theWalkSetsTheSimulatedDisplayRight() throws Exception {
    BareKeys bench = waking(kit("tidepool", SCREEN), "");
    until(
        bench,
        () -> {
          bench.walk().step();
          return journal(bench).awake().contains("screen");
        });
    var display = (Peripheral.Display) build(bench).kit().peripherals().getFirst();
    assertThat(
            build(bench)
                .practice()
                .figure(
                    display, DisplaySetting.of(display.config(), journal(bench).facts("screen"))))
        .isEqualTo(new DisplaySetting.Seen(Pose.UPRIGHT, false, false, 0, 0));
  }

  private static final String LAMPS =
      "{\"id\":\"lamps\",\"kind\":\"matrix\",\"part\":\"U1\",\"wiring\":\"pairs\",\"volts\":3.3,\"vf_v\":2.0,"
          + "\"pins\":[\"U1.1\",\"U1.2\",\"U1.3\",\"U1.4\"],\"lights\":[[\"U1.1\",\"U1.2\"],[\"U1.1\",\"U1.3\"],"
          + "[\"U1.1\",\"U1.4\"]],\"refs\":[\"LED1\",\"LED2\",\"LED3\"]}";

  /** A board that writes down what it is asked, and says it is {@code name}. */
  private Process board(Path near, String name) throws IOException, InterruptedException {
    Path script = home.resolve("board.sh");
    Files.writeString(
        script,
        "while read -r a; do echo \"$a\" >> "
            + home.resolve("asked")
            + "; case \"$a\" in hello) echo ok humble-link/1 "
            + name
            + " page 128;; *) echo ok;; esac; done\n");
    Process far =
        new ProcessBuilder("socat", "pty,raw,echo=0,link=" + near, "EXEC:sh " + script)
            .redirectErrorStream(true)
            .start();
    for (int i = 0; i < 100 && !Files.exists(near); i++) {
      Thread.sleep(50);
    }
    return far;
  }

  private void over(BareKeys bench, Path near) throws InterruptedException {
    build(bench).practiceOn(false);
    bench.press(KeyCode.NUMPAD0);
    assertThat(card(bench).title()).isEqualTo("Over which line do you talk to the board?");
    bench.press(KeyCode.DECIMAL);
    bench.keys().type(near.toString());
    enter(bench);
  }

  /** Over a real line every light has its turn, and the board is looked at. */
  @Test
  void lightsAreToldOverALine() throws Exception {
    assumeTrue(Files.isExecutable(Path.of("/usr/bin/socat")), "the launcher installs it");
    Path near = home.resolve("near");
    Process far = board(near, "main");
    try {
      BareKeys bench = waking(kit("glowmoth", LAMPS), "");
      over(bench, near);
      assertThat(card(bench).go()).isEqualTo("Tell the board");
      enter(bench);
      until(bench, () -> card(bench).title().equals("Did every light shine?"));
      List<String> asked = Files.readAllLines(home.resolve("asked"));
      assertThat(asked).startsWith("hello", "start", "drive U1.1=high U1.2=low").endsWith("drive");
      assertThat(asked.stream().filter(a -> a.startsWith("drive ")).distinct()).hasSize(3);
      bench.press(KeyCode.ESCAPE);
      over(bench, home.resolve("nothing"));
      enter(bench);
      until(bench, () -> card(bench).verdict().isPresent());
      assertThat(card(bench).verdict().orElseThrow().text()).contains("nothing");
      assertThat(Files.readAllLines(home.resolve("asked"))).as("the first board").isEqualTo(asked);
    } finally {
      assertThat(far.destroyForcibly().waitFor(10, TimeUnit.SECONDS)).isTrue();
    }
  }

  /** A line that is not there stops what is told over it, and nothing else. */
  @Test
  void whatIsNotToldNeedsNoLine() throws Exception {
    BareKeys bench =
        waking(
            kit(
                "glowmoth",
                LAMPS
                    + ",{\"id\":\"keys\",\"kind\":\"buttons\",\"wiring\":\"single\",\"refs\":[\"S1\",\"S2\"]}"),
            "");
    over(bench, home.resolve("nothing"));
    enter(bench);
    until(bench, () -> card(bench).verdict().isPresent());
    assertThat(card(bench).verdict().orElseThrow().text()).contains("nothing");
    bench.press(KeyCode.DECIMAL);
    assertThat(card(bench).title()).isEqualTo("Keys");
    enter(bench);
    assertThat(card(bench).title()).isEqualTo("Did every key answer?");
  }

  @Test
  void anotherBoardIsNotDriven() throws Exception {
    assumeTrue(Files.isExecutable(Path.of("/usr/bin/socat")), "the launcher installs it");
    Path near = home.resolve("near");
    Process far = board(near, "another");
    try {
      BareKeys bench = waking(kit("glowmoth", LAMPS), "");
      over(bench, near);
      enter(bench);
      until(bench, () -> card(bench).verdict().isPresent());
      assertThat(card(bench).verdict().orElseThrow().text()).contains("another").contains("main");
      assertThat(Files.readAllLines(home.resolve("asked"))).containsExactly("hello");
    } finally {
      assertThat(far.destroyForcibly().waitFor(10, TimeUnit.SECONDS)).isTrue();
    }
  }

  /** A bus is answered by digits alone; what is not planned is typed. */
  @Test
  void whatAnswersOnABusIsToldByDigits() throws Exception {
    String bus =
        "{\"id\":\"bus\",\"kind\":\"i2c\",\"volts\":3.3,\"sda\":\"SX\",\"scl\":\"SY\",\"devices\":["
            + "{\"ref\":\"DISP1\",\"addresses\":[\"0x3c\"]},{\"ref\":\"U1\",\"addresses\":[\"0x20\"]}]}";
    BareKeys bench = waking(kit("tidepool", bus), "");
    build(bench).practiceOn(false);
    enter(bench);
    assertThat(card(bench).title()).isEqualTo("Which of them answered?");
    assertThat(card(bench).verdict().orElseThrow().text()).contains("DISP1, U1");
    bench.press(KeyCode.NUMPAD1);
    bench.press(KeyCode.NUMPAD2);
    assertThat(card(bench).go()).isEqualTo("It does, next");
    bench.press(KeyCode.NUMPAD0);
    bench.keys().type("50");
    enter(bench);
    assertThat(card(bench).verdict().orElseThrow().good()).as("0x50 is not planned").isFalse();
    enter(bench);
    assertThat(journal(bench).facts("bus"))
        .containsEntry("found", "0x20 0x3c 0x50")
        .containsEntry("answer", "not");
    assertThat(journal(bench).awake()).isEmpty();
  }

  @Test
  void aClickMarksAKeyAsItsNumberDoes() throws Exception {
    BareKeys bench = waking(kit("tidepool", KEYS), "");
    build(bench).practiceOn(false);
    enter(bench);
    bench.keys().pick("part:S4");
    assertThat(card(bench).verdict().orElseThrow().text()).contains("3");
    bench.press(KeyCode.NUMPAD3);
    bench.press(KeyCode.ENTER);
    assertThat(card(bench).verdict()).isEmpty();
  }
}
