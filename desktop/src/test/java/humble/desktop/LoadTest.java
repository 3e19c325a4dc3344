package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Kit;
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
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Load by its keys, without a window. */
class LoadTest {
  private static final int MOST_STEPS = 4000;
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

  private Path kit(String name, String... changes) throws IOException {
    return CopiedKit.of(home, name, changes);
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

  private static void until(BareKeys bench, BooleanSupplier so) throws InterruptedException {
    long end = System.currentTimeMillis() + LONGEST_MS;
    while (!so.getAsBoolean()) {
      assertThat(System.currentTimeMillis()).as(bench.keys().card().title()).isLessThan(end);
      bench.takeIn(20);
    }
  }

  private static void walk(BareKeys bench, BooleanSupplier until) throws InterruptedException {
    for (int steps = 0; !until.getAsBoolean(); steps++) {
      assertThat(steps).as(bench.keys().card().title()).isLessThan(MOST_STEPS);
      if (!bench.walk().step()) {
        bench.takeIn(20);
      }
    }
  }

  private static void walkTo(BareKeys bench, StageId stage) throws InterruptedException {
    walk(bench, () -> bench.keys().stage() == stage);
    until(bench, () -> !card(bench).title().startsWith("Reading"));
  }

  private static OpenBuild build(BareKeys bench) {
    return bench.keys().build().orElseThrow();
  }

  private static Card card(BareKeys bench) {
    return bench.keys().card();
  }

  @Test
  void whatWasSentAndHowStandsInTheJournalAndItsStartIsAsked() throws Exception {
    BareKeys bench = bench(kit("glowmoth"));
    walkTo(bench, StageId.LOAD);
    bench.press(KeyCode.ENTER);
    until(bench, () -> !build(bench).build().loaded().isEmpty());
    BuildEvent.Loaded loaded = build(bench).build().loaded().get("lamp");
    assertThat(loaded.file()).isEqualTo("lamp.hex");
    assertThat(loaded.crc32()).isEqualTo(820779425L);
    assertThat(loaded.way()).isEqualTo("practice");
    assertThat(loaded.proof()).isEqualTo("read-back");
    assertThat(loaded.verified()).isTrue();
    assertThat(card(bench).title()).contains("start by itself");
    bench.press(KeyCode.ENTER);
    until(bench, () -> !build(bench).build().started().isEmpty());
    assertThat(build(bench).build().started()).containsEntry("lamp", true);
    assertThat(card(bench).title()).isEqualTo("The program is in");
  }

  /** Each setting is one card; the maker's own copy is changed, and what is private stays there. */
  @Test
  void settingsAreAskedForAndGoIntoTheMakersOwnCopy() throws Exception {
    Path kit = kit("tidepool");
    String original = Files.readString(kit.resolve("config.h"));
    BareKeys bench = bench(kit);
    walk(bench, () -> card(bench).title().startsWith("Which corners"));
    assertThat(card(bench).rows().getFirst().text()).isEqualTo("1  all four round");
    assertThat(card(bench).why().toString())
        .contains("settings/" + build(bench).build().id() + "/config.h in the folder of the bench")
        .doesNotContain(home.toString());
    bench.press(KeyCode.NUMPAD3);
    assertThat(card(bench).title()).isEqualTo("How does the water move?");
    bench.press(KeyCode.NUMPAD2);
    assertThat(card(bench).go()).isEqualTo("Keep 6");
    bench.press(KeyCode.ENTER);
    assertThat(card(bench).title()).isEqualTo("How high is the first note?");
    bench.keys().type("9999");
    bench.press(KeyCode.ENTER);
    assertThat(card(bench).verdict().orElseThrow().text()).contains("above 1760 Hz");
    bench.keys().type("440");
    bench.press(KeyCode.ENTER);
    assertThat(card(bench).go()).isEqualTo("Keep 10");
    bench.press(KeyCode.ENTER);
    assertThat(card(bench).title()).isEqualTo("Whose console is it?");
    assertThat(card(bench).goEnabled()).as("required").isFalse();
    bench.press(KeyCode.DECIMAL);
    assertThat(card(bench).rows())
        .extracting(Card.Row::text)
        .contains("owner is not set yet", "note is set against what the kit says");
    bench.press(KeyCode.SUBTRACT);
    until(bench, () -> card(bench).title().startsWith("Whose console"));
    bench.keys().type("Mira \"M\"");
    assertThat(card(bench).go()).doesNotContain("Mira");
    bench.press(KeyCode.ENTER);
    Build build = build(bench).build();
    assertThat(build.settings())
        .containsEntry("screen", "SCREEN_CUT_CORNER")
        .containsEntry("note", "440")
        .containsEntry("sleep", "10")
        .containsEntry("owner", "…");
    Path own = home.resolve("settings").resolve(build.id()).resolve("config.h");
    assertThat(Files.readString(own))
        .isEqualTo(
            original
                .replace("#define SCREEN_ROUND", "//#define SCREEN_ROUND")
                .replace("// #define SCREEN_CUT", " #define SCREEN_CUT")
                .replace("\t880\t", "\t440\t")
                .replace("OWNER_NAME \"\"", "OWNER_NAME \"Mira \\\"M\\\"\""));
    assertThat(Files.readString(own.resolveSibling("config.h.before"))).doesNotContain("Mira");
    assertThat(Files.readString(kit.resolve("config.h"))).as("the kit's own").isEqualTo(original);
    assertThat(own.resolveSibling("tide.json"))
        .hasContent(Files.readString(kit.resolve("tide.json")).replace("neap\",", "spring\","));
  }

  /** The board is asked before the maker is; what was there before comes back by one key. */
  @Test
  void aSettingIsHeldAgainstTheBoardAndCanBeAsItWas() throws Exception {
    Path kit = kit("tidepool", "\"hz\": 880", "\"hz\": 660");
    BareKeys bench = bench(kit);
    walk(bench, () -> card(bench).title().startsWith("How high"));
    assertThat(card(bench).how()).contains("The kit says: 660 (hz of tone).");
    assertThat(card(bench).verdict().orElseThrow())
        .isEqualTo(new Card.Verdict(false, "880 is set, which is not what the kit says."));
    assertThat(card(bench).key('+')).isPresent();
    bench.press(KeyCode.ENTER);
    assertThat(build(bench).build().settings()).containsEntry("note", "660");
    bench.press(KeyCode.SUBTRACT);
    until(bench, () -> card(bench).title().startsWith("How high"));
    assertThat(card(bench).verdict()).isEmpty();
    assertThat(card(bench).key(Card.ESC).orElseThrow().text()).isEqualTo("as it was before: 880");
    bench.press(KeyCode.ESCAPE);
    assertThat(build(bench).build().settings()).containsEntry("note", "880");
    Path own = home.resolve("settings").resolve(build(bench).build().id()).resolve("config.h");
    assertThat(Files.readString(own)).isEqualTo(Files.readString(kit.resolve("config.h")));
  }

  @Test
  void aProgramThatDoesNotStartIsSaidAndStaysOpen() throws Exception {
    BareKeys bench = bench(kit("glowmoth"));
    walkTo(bench, StageId.LOAD);
    bench.press(KeyCode.ENTER);
    until(bench, () -> !build(bench).build().loaded().isEmpty());
    bench.press(KeyCode.NUMPAD2);
    assertThat(build(bench).build().started()).containsEntry("lamp", false);
    assertThat(card(bench).verdict().orElseThrow().good()).isFalse();
    assertThat(card(bench).verdict().orElseThrow().text()).contains("start vector");
  }

  @Test
  void anotherWayIsChosenByItsDigitAndIsTheMakersOwnWord() throws Exception {
    BareKeys bench = bench(kit("glowmoth"));
    walkTo(bench, StageId.LOAD);
    bench.press(KeyCode.ADD);
    assertThat(card(bench).title()).contains("reach the chip");
    int own =
        card(bench).rows().stream()
                .map(Card.Row::text)
                .toList()
                .indexOf(card(bench).rows().getLast().text())
            + 1;
    assertThat(card(bench).rows().getLast().text()).contains("of your own");
    bench.press(KeyCode.valueOf("NUMPAD" + own));
    assertThat(card(bench).go()).isEqualTo("I loaded it myself");
    bench.press(KeyCode.ENTER);
    BuildEvent.Loaded loaded = build(bench).build().loaded().get("lamp");
    assertThat(loaded.way()).isEqualTo("own");
    assertThat(loaded.verified()).isFalse();
    assertThat(loaded.practice()).isFalse();
    assertThat(card(bench).go())
        .as("nobody but the maker can say")
        .isEqualTo("It starts by itself");
  }

  @Test
  void aKitWithNothingToLoadSaysSoAndCountsItNotAsDone() throws Exception {
    BareKeys bench = bench(kit("weathercock"));
    bench.press(KeyCode.F7);
    until(bench, () -> card(bench).goEnabled());
    assertThat(card(bench).title()).isEqualTo("This kit has no program to load");
    assertThat(card(bench).rows()).isEmpty();
    assertThat(build(bench).build().loaded()).isEmpty();
  }

  @Test
  void anImageThatGoesInBeforeItsSocketIsAStepOnTheWay() throws Exception {
    BareKeys bench =
        bench(kit("glowmoth", "\"id\": \"lamp\",", "\"id\": \"lamp\", \"moment\": \"in-socket\","));
    walkTo(bench, StageId.LOAD);
    assertThat(build(bench).build().fittedRefs())
        .as("the chip still lies there")
        .doesNotContain("U1");
    assertThat(card(bench).how())
        .anySatisfy(line -> assertThat(line).contains("not in its socket"));
    bench.press(KeyCode.ENTER);
    until(bench, () -> !build(bench).build().loaded().isEmpty());
    assertThat(build(bench).build().doneSteps()).contains("load:lamp");
    bench.press(KeyCode.ENTER);
    until(bench, () -> !build(bench).build().started().isEmpty());
    walk(bench, () -> build(bench).build().fittedRefs().contains("U1"));
  }

  @Test
  void aFileWithoutAHashSaysThatItCannotProveItself() throws Exception {
    Path kit = kit("glowmoth");
    Path file = kit.resolve("kit.json");
    Files.writeString(
        file, Files.readString(file).replaceAll(",\\s*\"sha256\": \"[0-9a-f]+\"", ""));
    BareKeys bench = bench(kit);
    Kit read = build(bench).kit();
    assertThat(read.firmware().images().getFirst().sha256()).isEmpty();
    walkTo(bench, StageId.LOAD);
    assertThat(card(bench).why().toString()).contains("cannot prove");
  }

  /** Two kits in one: a module tried before it is soldered down, and its game when all is on. */
  @Test
  void aModuleIsTriedLooseAndItsGameGoesInWhenTheConsoleIsAwake() throws Exception {
    BareKeys bench = bench(kit("tidepool"));
    walkTo(bench, StageId.LOAD);
    assertThat(build(bench).build().fittedRefs()).doesNotContain("U1").contains("R11");
    assertThat(card(bench).title()).contains("Try the module");
    walk(bench, () -> build(bench).build().loaded().containsKey("game"));
    assertThat(build(bench).build().fittedRefs()).contains("U1", "DISP1");
    assertThat(build(bench).build().fittedRefs())
        .as("what the maker soldered is fitted by nobody")
        .doesNotContain("U2", "J2", "R1");
    assertThat(build(bench).onBoard()).contains("U2", "J2", "R1", "U1");
    assertThat(build(bench).build().loaded().get("hello").proof()).isEqualTo("read-back");
  }

  @Test
  void anImageThatLocksTheMakerOutIsSentOnlyAfterAStop() throws Exception {
    Path kit = kit("glowmoth");
    Path file = kit.resolve("kit.json");
    Files.writeString(
        file,
        Files.readString(file)
            .replace(
                "\"clock_hz\": 8000000",
                "\"clock_hz\": 8000000, \"config\": [{\"id\": \"w\", \"at\": 0, \"bytes\": 1, \"fields\":"
                    + " [{\"id\": \"l\", \"mask\": 255, \"says\": \"the loader is\", \"values\":"
                    + " [{\"is\": 16, \"say\": \"shut for good\", \"locks_out\": true}]}]}]"));
    BareKeys bench = bench(kit);
    walkTo(bench, StageId.LOAD);
    assertThat(card(bench).go()).isEqualTo("I have read this");
    assertThat(card(bench).caution().orElseThrow().toString()).contains("shut for good");
    bench.press(KeyCode.NUMPAD1);
    assertThat(build(bench).build().acknowledged()).contains("lock:lamp");
    assertThat(card(bench).go()).isEqualTo("Send it");
    bench.press(KeyCode.ENTER);
    until(bench, () -> build(bench).build().loaded().containsKey("lamp"));
  }

  @Test
  void aCommandOfTheMakersOwnIsRunAndItsWordIsTakenForNoMore() throws Exception {
    BareKeys bench = bench(kit("glowmoth"));
    walkTo(bench, StageId.LOAD);
    Path copy = home.resolve("in the chip");
    type(bench, "cp {file} '" + copy + "'");
    assertThat(card(bench).go()).isEqualTo("Send it");
    bench.press(KeyCode.ENTER);
    until(bench, () -> build(bench).build().loaded().containsKey("lamp"));
    BuildEvent.Loaded loaded = build(bench).build().loaded().get("lamp");
    assertThat(loaded.verified()).isFalse();
    assertThat(loaded.proof()).isEqualTo("command");
    assertThat(copy).hasSameBinaryContentAs(home.resolve("glowmoth").resolve("lamp.hex"));
  }

  @Test
  void aCommandThatFailsSaysWhatItSaidLast() throws Exception {
    BareKeys bench = bench(kit("glowmoth"));
    walkTo(bench, StageId.LOAD);
    type(bench, "cp {file} '" + home.resolve("no").resolve("such folder") + "'");
    bench.press(KeyCode.ENTER);
    until(bench, () -> card(bench).verdict().isPresent());
    assertThat(card(bench).verdict().orElseThrow().text()).contains("ended with 1").contains("cp:");
    assertThat(build(bench).build().loaded()).isEmpty();
  }

  private static void type(BareKeys bench, String command) {
    bench.press(KeyCode.ADD);
    bench.press(KeyCode.DECIMAL);
    assertThat(card(bench).title()).contains("own programmer");
    bench.keys().type(command);
    bench.press(KeyCode.ENTER);
  }
}
