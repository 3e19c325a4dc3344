package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.walk.BareKeys;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Predicate;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What stands beside the programs, by its keys. */
class BesideTest {
  private static final long LONGEST_MS = 240_000;

  @TempDir Path home = Path.of("");

  private final BlockingQueue<Runnable> queue = BareKeys.queue();
  private final ExecutorService background = Executors.newSingleThreadExecutor();
  private Session session;
  private BareKeys bench;

  @AfterEach
  void close() {
    session.close();
    background.shutdownNow();
  }

  /** Lays a kit whose programs are in and whose settings are made, at Load. */
  private void load(Path kit) throws Exception {
    JournalOpen.Opened opened =
        (JournalOpen.Opened) Journal.open(home.resolve("bench.db"), Clock.systemUTC());
    session = new Session(opened.journal(), home, java.util.List.of(kit), background, queue::add);
    session.layKit(kit);
    bench = new BareKeys(session, Clock.systemUTC(), queue);
    OpenBuild open = build();
    open.kit()
        .firmware()
        .settings()
        .forEach(each -> open.act(new BuildEvent.SettingMade(each.id(), "x")));
    open.kit()
        .firmware()
        .images()
        .forEach(image -> {
          open.act(new BuildEvent.Loaded(image.id(), image.target(), 1, "", true, true));
          open.act(new BuildEvent.Started(image.id(), true, true));
        });
    bench.press(KeyCode.F7);
    until(card -> card.kicker().startsWith("beside"));
  }

  private Path kit(String name, String... changes) throws IOException {
    return CopiedKit.of(home, name, changes);
  }

  private Card card() {
    return bench.keys().card();
  }

  private OpenBuild build() {
    return bench.keys().build().orElseThrow();
  }

  private Build journal() {
    return build().build();
  }

  private void until(Predicate<Card> so) throws Exception {
    long end = System.currentTimeMillis() + LONGEST_MS;
    while (!so.test(card())) {
      assertThat(System.currentTimeMillis()).as(card().title()).isLessThan(end);
      bench.takeIn(20);
    }
  }

  @Test
  void aCardIsLaidAndReadBackAndAPageIsFilledInWithoutATrace() throws Exception {
    Path kit = kit("tidepool");
    load(kit);
    assertThat(card().title()).isEqualTo("The card with the levels");
    until(Card::goEnabled);
    Path own = home.resolve("settings").resolve(journal().id());
    Files.createDirectories(own);
    Files.writeString(own.resolve("tide.json"), "{\"tide\": \"storm\"}");
    bench.press(KeyCode.ENTER);
    until(card -> card.verdict().isPresent());
    assertThat(card().verdict().orElseThrow())
        .isEqualTo(new Card.Verdict(true, "All 3 files lie there and read back the same."));
    assertThat(own.resolve("practice-card-levels").resolve("TIDE.JSN"))
        .as("what the maker set goes onto the card")
        .hasContent("{\"tide\": \"storm\"}");
    bench.press(KeyCode.ENTER);
    assertThat(journal().beside().get("levels"))
        .isEqualTo(new BuildEvent.BesideDone("levels", "card", 3, true, true, ""));

    assertThat(card().title()).isEqualTo("The console's own page");
    bench.press(KeyCode.ENTER);
    assertThat(card().title()).isEqualTo("Network");
    bench.keys().type("harbour net");
    bench.press(KeyCode.ENTER);
    bench.keys().type("se=cret 7");
    bench.press(KeyCode.ENTER);
    assertThat(card().how()).contains("Type: quay");
    bench.press(KeyCode.ENTER);
    assertThat(card().title()).isEqualTo("Save it and start anew");
    bench.press(KeyCode.NUMPAD2);
    assertThat(journal().beside().get("scores").good()).isFalse();
    assertThat(own.resolve("scores.page"))
        .hasContent("network = harbour net\npassword = se=cret 7\nboard = quay\n");
    bench.press(KeyCode.F8);
    bench.press(KeyCode.F7);
    until(card -> card.title().equals("The console's own page"));
    bench.press(KeyCode.ENTER);
    assertThat(card().go()).isEqualTo("As last time");
    bench.press(KeyCode.ENTER);
    bench.press(KeyCode.ENTER);
    bench.press(KeyCode.ENTER);
    bench.press(KeyCode.ENTER);
    assertThat(journal().beside().get("scores").good()).isTrue();
    assertThat(journal().entries().toString()).doesNotContain("harbour net", "cret");
    assertThat(card().title()).isEqualTo("The program is in");
  }

  @Test
  void otherFilesOnACardAreReplacedOnlyWhenAsked() throws Exception {
    load(kit("tidepool"));
    until(Card::goEnabled);
    Path card = home.resolve("settings").resolve(journal().id()).resolve("practice-card-levels");
    Files.createDirectories(card);
    Files.writeString(card.resolve("TIDE.JSN"), "mine");
    bench.press(KeyCode.ENTER);
    until(now -> now.verdict().isPresent());
    assertThat(card().go()).isEqualTo("Replace them");
    assertThat(card.resolve("TIDE.JSN")).hasContent("mine");
    bench.press(KeyCode.ENTER);
    until(now -> now.verdict().filter(Card.Verdict::good).isPresent());
    assertThat(card.resolve("TIDE.JSN")).hasSameBinaryContentAs(home.resolve("tidepool/tide.json"));
  }

  @Test
  void aTableThatSetsATransmitterStopsFirstAndTheMakerStatesTheLimits() throws Exception {
    Path kit =
        kit(
            "tidepool",
            "\"cards\": [",
            "\"channels\": [{\"id\": \"memories\", \"file\": \"m.csv\", \"title\": \"Channels\", \"key\": \"hz\","
                + " \"low\": 433050000, \"high\": 434790000, \"step\": 25000, \"unique\": [\"name\"],"
                + " \"transmits\": true}], \"cards\": [");
    Files.writeString(
        kit.resolve("m.csv"), "name,hz\nquay,433050000\nlock,433075000\npier,434000001\n");
    load(kit);
    assertThat(card().caution().orElseThrow().grave()).isTrue();
    assertThat(card().caution().orElseThrow().text()).contains("licence", "dummy load");
    bench.press(KeyCode.NUMPAD1);
    assertThat(journal().acknowledged()).contains("transmits:memories");
    until(Card::goEnabled);
    bench.keys().type("433.06M");
    bench.press(KeyCode.ENTER);
    bench.press(KeyCode.ENTER);
    assertThat(card().verdict().orElseThrow().text()).isEqualTo("2 things are against it.");
    assertThat(card().rows())
        .extracting(Card.Row::text)
        .containsExactly(
            "line 2: 433050000 is below the limit you state, 433060000.",
            "line 4: 434000001 is on no step of 25000: the nearest is 434000000.");
    Path own = home.resolve("settings").resolve(journal().id()).resolve("m.csv");
    Files.writeString(own, "name,hz\nlock,433075000\npier,434000000\n");
    bench.press(KeyCode.ENTER);
    until(card -> card.verdict().isPresent());
    assertThat(card().verdict().orElseThrow().good()).isTrue();
    bench.press(KeyCode.ENTER);
    assertThat(journal().beside().get("memories"))
        .isEqualTo(new BuildEvent.BesideDone("memories", "channels", 2, true, true, "433060000.."));
    assertThat(kit.resolve("m.csv")).content().contains("434000001");
  }

  @Test
  void aLibraryIsKeptAsItWorkedAndAnUpdateIsNoticed() throws Exception {
    Path kit =
        kit(
            "tidepool",
            "\"cards\": [",
            "\"libraries\": [{\"id\": \"glass\", \"title\": \"The screen library\"}], \"cards\": [");
    Path library = Files.createDirectories(home.resolve("glass/src"));
    String header = Files.readString(kit.resolve("config.h"));
    Files.writeString(library.resolve("config.h"), header);
    load(kit);
    bench.press(KeyCode.DECIMAL);
    until(card -> card.title().equals("The console's own page"));
    bench.press(KeyCode.DECIMAL);
    assertThat(card().title()).isEqualTo("The screen library");
    until(card -> card.go().equals("Type it"));
    build().act(new BuildEvent.SettingMade("screen", "SCREEN_ROUND_CORNERS"));
    build().act(new BuildEvent.SettingMade("note", "880"));
    build().act(new BuildEvent.SettingMade("sleep", "10"));
    bench.keys().type(home.resolve("glass").toString());
    bench.press(KeyCode.ENTER);
    until(Card::goEnabled);
    assertThat(card().rows()).isEmpty();
    bench.press(KeyCode.ENTER);
    assertThat(journal().beside().get("glass").good()).isTrue();

    Files.writeString(
        library.resolve("config.h"), header.replace("#define SCREEN_R", "// #define SCREEN_R"));
    Files.writeString(library.resolve("new.h"), "");
    bench.press(KeyCode.F8);
    bench.press(KeyCode.F7);
    until(card -> card.title().equals("The card with the levels"));
    bench.press(KeyCode.DECIMAL);
    bench.press(KeyCode.DECIMAL);
    until(card -> card.verdict().isPresent());
    assertThat(card().verdict().orElseThrow().text())
        .isEqualTo("It is another than when it worked: 1 changed, 1 new, 0 gone.");
    assertThat(card().rows())
        .extracting(Card.Row::text)
        .containsExactly(
            "screen (src/config.h) is not as you set it: an update may have undone the edit");
    Files.writeString(library.resolve("config.h"), header);
    Files.delete(library.resolve("new.h"));
    bench.press(KeyCode.ENTER);
    until(card -> !card.kicker().startsWith("beside"));
    assertThat(journal().entries().toString()).doesNotContain(home.resolve("glass").toString());
  }
}
