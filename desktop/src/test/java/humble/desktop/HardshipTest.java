package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.BuildEvent;
import humble.desktop.stage.StageId;
import humble.store.Copies;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Clock;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the window does when the disk, another window or the program itself fails. */
class HardshipTest {
  @TempDir Path home;

  private Connection database() throws Exception {
    return DriverManager.getConnection("jdbc:sqlite:" + home.resolve("bench.db"));
  }

  private void sql(String text) throws Exception {
    try (Connection connection = database();
        Statement statement = connection.createStatement()) {
      statement.execute(text);
    }
  }

  private static String verdict(BenchInTest bench) {
    return bench.card().verdict().map(said -> said.text()).orElse("");
  }

  @Test
  void anActThatCannotBeWrittenIsToldStaysTypedAndIsWrittenByTheSameKey() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.UNPACK);
      bench.press(KeyCode.ENTER);
      String title = bench.card().title();
      sql("CREATE TRIGGER broken BEFORE INSERT ON event BEGIN SELECT RAISE(FAIL, 'no'); END");
      bench.number("7");
      bench.press(KeyCode.ENTER);
      assertThat(verdict(bench)).contains("Not written").contains("same key");
      assertThat(bench.card().title()).isEqualTo(title);
      assertThat(bench.card().field().orElseThrow().typed()).isEqualTo("7");
      assertThat(bench.card().goEnabled()).isTrue();
      int before =
          BenchInTest.on(() -> bench.window().build().orElseThrow().build().entries().size());
      sql("DROP TRIGGER broken");
      bench.press(KeyCode.ENTER);
      assertThat(verdict(bench)).doesNotContain("Not written");
      assertThat(bench.card().title()).isNotEqualTo(title);
      assertThat(
              BenchInTest.on(() -> bench.window().build().orElseThrow().build().entries().size()))
          .isEqualTo(before + 1);
    }
  }

  @Test
  void aRemarkThatCannotBeWrittenIsNotLost() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.UNPACK);
      sql("CREATE TRIGGER broken BEFORE INSERT ON event BEGIN SELECT RAISE(FAIL, 'no'); END");
      bench.press(KeyCode.MULTIPLY);
      bench.type("bagtorn");
      bench.press(KeyCode.ENTER);
      assertThat(verdict(bench)).contains("Not written");
      assertThat(bench.card().field().orElseThrow().typed()).isEqualTo("bagtorn");
      sql("DROP TRIGGER broken");
      bench.press(KeyCode.ENTER);
      assertThat(
              BenchInTest.on(
                  () -> bench.window().build().orElseThrow().build().entries().getLast().event()))
          .isEqualTo(new BuildEvent.Noted("Unpack", "bagtorn"));
    }
  }

  @Test
  void whileAnotherWindowWritesThisOneGoesOnDrawingAndTheActIsWrittenAfterwards() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.UNPACK);
      bench.press(KeyCode.ENTER);
      int before =
          BenchInTest.on(() -> bench.window().build().orElseThrow().build().entries().size());
      AtomicInteger drawn = new AtomicInteger();
      try (Connection other = database();
          Statement statement = other.createStatement()) {
        statement.execute("BEGIN IMMEDIATE");
        Platform.runLater(() -> bench.window().keys().enter());
        for (int i = 0; i < 20; i++) {
          Platform.runLater(drawn::incrementAndGet);
          Thread.sleep(20);
        }
        bench.waitFor(() -> drawn.get() == 20);
        // A second Enter in between must not do the act twice.
        bench.press(KeyCode.ENTER);
        statement.execute("ROLLBACK");
      }
      bench.waitFor(() ->
          BenchInTest.on(() -> bench.window().build().orElseThrow().build().entries().size())
              == before + 1);
      Thread.sleep(200);
      assertThat(
              BenchInTest.on(() -> bench.window().build().orElseThrow().build().entries().size()))
          .isEqualTo(before + 1);
    }
  }

  @Test
  void aFaultInAKeyIsToldWrittenDownAndTheProgramGoesOn() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      BenchInTest.on(() -> {
        bench.window().pick("shelf:no number");
        return true;
      });
      assertThat(verdict(bench)).contains("NumberFormatException").contains("humble.log");
      assertThat(home.resolve("log/humble.log")).content().contains("NumberFormatException");
      bench.press(KeyCode.ESCAPE);
      assertThat(verdict(bench)).isEmpty();
      bench.walkTo(StageId.SORT);
    }
  }

  @Test
  void aFaultInTheBackgroundIsToldOnTheCardThatWaits() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.UNPACK);
      BenchInTest.on(() -> {
        bench
            .window()
            .build()
            .orElseThrow()
            .works()
            .start(
                calledOff -> {
                  throw new IllegalStateException("nothing to reckon with");
                },
                done -> {});
        return true;
      });
      bench.waitFor(
          () -> BenchInTest.on(() -> !bench.window().build().orElseThrow().failed().isEmpty()));
      assertThat(home.resolve("log/humble.log")).content().contains("nothing to reckon with");
      bench.press(KeyCode.ENTER);
      bench.walkTo(StageId.SORT);
    }
  }

  /** What the background brought and could not be written is written when somebody says so. */
  @Test
  void anActFromTheBackgroundIsKeptUntilItIsWritten() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.UNPACK);
      sql("CREATE TRIGGER broken BEFORE INSERT ON event BEGIN SELECT RAISE(FAIL, 'no'); END");
      BenchInTest.on(() -> {
        var open = bench.window().build().orElseThrow();
        open.works()
            .start(
                calledOff -> new BuildEvent.Loaded("lamp", "main", 1, "00", true, true), open::act);
        return true;
      });
      bench.waitFor(() -> verdict(bench).contains("Not written"));
      assertThat(bench.card().go()).isEqualTo("Write it once more");
      sql("DROP TRIGGER broken");
      bench.press(KeyCode.ENTER);
      assertThat(
              BenchInTest.on(
                  () -> bench.window().build().orElseThrow().build().loaded().containsKey("lamp")))
          .isTrue();
    }
  }

  private void damaged() throws Exception {
    if (Journal.open(home.resolve("bench.db"), Clock.systemUTC())
        instanceof JournalOpen.Opened opened) {
      opened
          .journal()
          .append(
              "glowmoth-1",
              new BuildEvent.Began("Moth", "glowmoth", BenchInTest.glowmoth().toString(), 7));
      opened.journal().append("glowmoth-1", new BuildEvent.Counted("r220", 6));
      Copies.of(home.resolve("bench.db")).make(opened.journal());
      opened.journal().append("glowmoth-1", new BuildEvent.Counted("r10k", 6));
      opened.journal().close();
    }
    sql("UPDATE event SET body = '{\"item\":\"r220\",\"pieces\":9}' WHERE number = 2");
  }

  @Test
  void aDamagedJournalOpensOnTheShelfAndGoesOnWithoutWhatIsDamaged() throws Exception {
    damaged();
    try (BenchInTest bench = BenchInTest.again(home)) {
      assertThat(bench.at()).isEqualTo(StageId.SHELF);
      assertThat(verdict(bench)).contains("not as written");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().rows().getFirst().text())
          .isEqualTo("Entry 2 is not as it was written.");
      bench.number("1");
      assertThat(verdict(bench)).contains("written again");
      bench.press(KeyCode.F1);
      bench.press(KeyCode.ENTER);
      assertThat(BenchInTest.on(() -> bench.window().build().orElseThrow().build().counted()))
          .containsOnlyKeys("r10k");
      bench.press(KeyCode.ENTER);
      assertThat(verdict(bench)).doesNotContain("Not written");
    }
  }

  @Test
  void aCopyIsPutInPlaceFromTheShelfAfterAskingOnce() throws Exception {
    damaged();
    try (BenchInTest bench = BenchInTest.again(home)) {
      bench.press(KeyCode.ENTER);
      bench.press(KeyCode.ENTER);
      assertThat(verdict(bench)).contains("Enter again");
      bench.press(KeyCode.ENTER);
      assertThat(verdict(bench)).contains("In place").contains("bench.db.aside-1");
      bench.press(KeyCode.F1);
      bench.press(KeyCode.ENTER);
      assertThat(BenchInTest.on(() -> bench.window().build().orElseThrow().build().counted()))
          .containsEntry("r220", 6)
          .hasSize(1);
    }
  }

  @Test
  void aSoundJournalIsLeftByEnterAndACopyIsPutInPlaceOnlyWhenAskedFor() throws Exception {
    damaged();
    sql("UPDATE event SET body = '{\"item\":\"r220\",\"pieces\":6}' WHERE number = 2");
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.press(KeyCode.ADD, KeyCode.ADD, KeyCode.ADD, KeyCode.ENTER);
      assertThat(bench.card().title()).contains("3 entries in one build");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().kicker()).contains("on the shelf");
      bench.press(KeyCode.ADD, KeyCode.ADD, KeyCode.ADD, KeyCode.ENTER);
      bench.number("2");
      assertThat(verdict(bench)).contains("Enter again");
      bench.press(KeyCode.ENTER);
      assertThat(verdict(bench)).contains("In place");
      assertThat(bench.card().title()).contains("2 entries in one build");
    }
  }

  @Test
  void aReportThatIsThereIsReplacedOnlyWhenAskedTwice() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.UNPACK);
      bench.press(KeyCode.F10);
      Path report = home.resolve("reports/glowmoth-1.html");
      Files.createDirectories(report.getParent());
      Files.writeString(report, "mine");
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> bench.card().verdict().isPresent());
      assertThat(report).hasContent("mine");
      assertThat(verdict(bench)).contains("there already");
      bench.press(KeyCode.ADD);
      bench.waitFor(() -> bench.card().verdict().isPresent());
      assertThat(report).hasContent("mine");
      assertThat(home.resolve("reports/glowmoth-1-2.html")).content().contains("<bdi>");
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> bench.card().verdict().isPresent());
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> bench.card().verdict().isPresent());
      assertThat(report).content().contains("<bdi>");
    }
  }

  @Test
  void aBuildWhoseIdLeadsOutOfTheFolderWritesIntoTheFolder() throws Exception {
    if (Journal.open(home.resolve("in/bench.db"), Clock.systemUTC())
        instanceof JournalOpen.Opened opened) {
      opened
          .journal()
          .append(
              "../../out",
              new BuildEvent.Began("Moth", "../x", BenchInTest.glowmoth().toString(), 7));
      opened.journal().close();
    }
    try (BenchInTest bench = BenchInTest.again(home.resolve("in"))) {
      bench.press(KeyCode.F10);
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> bench.card().verdict().isPresent());
      assertThat(home.resolve("in/reports")).isDirectoryContaining("glob:**/_.._.._out.html");
      assertThat(home).isDirectoryNotContaining("glob:**/*.html");
    }
  }
}
