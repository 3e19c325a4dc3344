package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.walk.KeyList;
import humble.formats.guide.GuideBook;
import humble.formats.guide.GuidePage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The guide over the bench, all keys, and the first walk. */
class GuideTest {
  @TempDir private Path home;

  private static void letters(BareBench bench, String text) {
    for (char c : text.toCharArray()) {
      bench.keys().character(String.valueOf(c));
    }
  }

  @Test
  void oneKeyOpensThePageOfTheStageAndLeavesWhatIsTyped() throws Exception {
    try (BareBench bench = BareBench.with(home, "buoy")) {
      bench.type("4");
      String before = bench.card().title();
      letters(bench, "?");
      assertThat(bench.card().kicker()).isEqualTo("guide");
      assertThat(bench.card().title()).isEqualTo("Unpack");
      bench.press(KeyCode.ESCAPE);
      assertThat(bench.card().title()).isEqualTo(before);
      assertThat(bench.card().field().orElseThrow().typed()).isEqualTo("4");
      letters(bench, "??");
      assertThat(bench.card().title()).as("again it leaves").isEqualTo(before);
    }
  }

  @Test
  void everyStageHasAPageWithAPicture() {
    GuideBook book = GuideBook.shipped();
    for (StageId stage : StageId.values()) {
      GuidePage page = book.page(stage.name().toLowerCase(Locale.ROOT));
      assertThat(page.id()).isEqualTo(stage.name().toLowerCase(Locale.ROOT));
      List<String> pictures =
          page.blocks().stream()
              .filter(GuidePage.Picture.class::isInstance)
              .map(block -> ((GuidePage.Picture) block).file())
              .toList();
      assertThat(pictures).as(page.id()).isNotEmpty();
      pictures.forEach(file -> assertThat(GuideBook.picture(file)).as(file).isPresent());
    }
  }

  @Test
  void aWordFindsPagesAndKeysAndTheKeyIsPressed() throws Exception {
    try (BareBench bench = BareBench.with(home, "buoy")) {
      letters(bench, "?");
      letters(bench, "remark");
      assertThat(bench.card().rows())
          .extracting(Card.Row::text)
          .anyMatch(text -> text.contains("a remark for the book"));
      int row = 0;
      while (!bench.card().rows().get(row).text().contains("a remark for the book")) {
        row++;
      }
      bench.type(Integer.toString(row + 1));
      assertThat(bench.card().title()).isEqualTo("What is worth keeping?");
      bench.press(KeyCode.ESCAPE);
      letters(bench, "?");
      letters(bench, "zzyzx");
      assertThat(bench.card().verdict().orElseThrow().good()).isFalse();
      bench.press(KeyCode.ESCAPE);
      assertThat(bench.card().field().orElseThrow().typed()).isEmpty();
      assertThat(bench.card().kicker()).isEqualTo("guide");
    }
  }

  @Test
  void whatTheKeysDoHereIsListedAndDone() throws Exception {
    try (BareBench bench = BareBench.with(home, "buoy")) {
      bench.press(KeyCode.F4);
      bench.waitFor(() -> bench.card().key('E').isPresent());
      String before = bench.card().kicker() + bench.card().title();
      letters(bench, "?");
      List<String> rows = bench.card().rows().stream().map(Card.Row::text).toList();
      assertThat(rows).anyMatch(text -> text.contains("key E: evenings"));
      assertThat(before).isNotEmpty();
    }
  }

  /** No key of any card is left out: the page is what the sources say. */
  @Test
  void thePageOfKeysIsWhatTheCardsOffer() throws Exception {
    Path root = BenchInTest.root();
    Path sources = root.resolve("desktop/src/main/java/humble/desktop");
    assertThat(Files.readString(root.resolve("docs/guide/keys.md")))
        .as("./humble keys writes it anew")
        .isEqualTo(KeyList.of(sources));
    Pattern silent = Pattern.compile("silent\\('([A-Z])'");
    String page = KeyList.of(sources);
    try (var files = Files.walk(sources)) {
      for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
        Matcher matcher = silent.matcher(Files.readString(file));
        while (matcher.find()) {
          assertThat(page).as(file.toString()).contains("`" + matcher.group(1) + "`");
        }
      }
    }
  }

  /** The links of the pages lead somewhere. */
  @Test
  void linksLeadSomewhere() throws Exception {
    Path guide = BenchInTest.root().resolve("docs/guide");
    Pattern link = Pattern.compile("]\\(([^)]+)\\)");
    int links = 0;
    try (var files = Files.list(guide)) {
      for (Path file : files.toList()) {
        Matcher matcher = link.matcher(Files.readString(file));
        while (matcher.find()) {
          assertThat(guide.resolve(matcher.group(1))).as(file + " " + matcher.group(1)).exists();
          links++;
        }
      }
    }
    assertThat(links).isGreaterThan(20);
  }

  @Test
  void theFirstWalkIsShownOnceAndLeftAtOnce() {
    try (BareBench bench = BareBench.open(home)) {
      bench.keys().welcome();
      assertThat(bench.card().kicker()).contains("1 of 6");
      bench.press(KeyCode.ESCAPE);
      assertThat(bench.card().kicker()).contains("on the shelf");
      bench.keys().welcome();
      assertThat(bench.card().kicker()).contains("on the shelf");
    }
  }

  @Test
  void theFirstWalkEndsOnTheShelf() {
    try (BareBench bench = BareBench.open(home)) {
      bench.keys().welcome();
      for (int i = 0; i < 6; i++) {
        assertThat(bench.card().kicker()).contains(i + 1 + " of 6");
        assertThat(bench.card().how().getFirst()).isNotBlank();
        bench.press(KeyCode.ENTER);
      }
      assertThat(bench.card().kicker()).contains("on the shelf");
    }
  }

  @Test
  void whoHasBegunABuildIsNotWalkedRound() {
    try (BareBench bench = BareBench.with(home, "buoy")) {
      String before = bench.card().title();
      bench.keys().welcome();
      assertThat(bench.card().title()).isEqualTo(before);
    }
  }
}
