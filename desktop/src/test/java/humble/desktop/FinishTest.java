package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.BuildEvent;
import humble.core.power.Unproved;
import humble.core.words.Phrase;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.formats.report.TextReports;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** An instrument is trimmed, calibrated and proved by its keys. */
class FinishTest {
  private static BareBench meter(Path home) {
    BareBench bench = BareBench.open(home);
    bench.session().layKit(BenchInTest.root().resolve("kits/larkfield"));
    bench.keys().goByKey(StageId.UNPACK);
    return bench;
  }

  private static List<String> open(BareBench bench) {
    return Unproved.of(bench.keys().build().orElseThrow().kit(), bench.build()).stream()
        .map(Phrase::key)
        .toList();
  }

  /** Left in the middle of a null and laid again, it goes on with the same setting. */
  @Test
  void fromTheBagToProvedAndGoneOnWithInBetween(@TempDir Path home) throws InterruptedException {
    String asked;
    try (BareBench bench = meter(home)) {
      Card lamp = bench.walkTo("Begin at T3");
      assertThat(lamp.go()).isEqualTo("Read it off, simulated");
      assertThat(open(bench)).contains("unproved.trim", "unproved.calibration", "unproved.proof");
      bench.walkTo("as it should be");
      assertThat(bench.build().finished().tries("lamp")).isNotEmpty();
      bench.press(KeyCode.ENTER);
      assertThat(bench.build().finished().left("lamp").orElseThrow().reached()).isTrue();
      assertThat(bench.build().finished().left("lamp").orElseThrow().reads()).isBetween(11.5, 12.5);
      for (int i = 0; i < 5; i++) {
        bench.press(KeyCode.ENTER, KeyCode.ENTER);
      }
      assertThat(bench.build().finished().tries("null")).hasSize(5);
      asked = bench.card().title();
    }
    try (BareBench bench = BareBench.again(home)) {
      bench.keys().goByKey(StageId.WAKE);
      assertThat(bench.card().title()).isEqualTo(asked);
      // What was tried is taken back like everything else.
      bench.press(KeyCode.SUBTRACT);
      assertThat(bench.build().finished().tries("null")).hasSize(4);
      bench.walkTo("Dark and full scale: as it should be");
      assertThat(bench.card().verdict().orElseThrow().good()).isTrue();
      bench.press(KeyCode.ENTER);
      BuildEvent.TrimLeft left = bench.build().finished().left("null").orElseThrow();
      assertThat(left.reads()).isLessThanOrEqualTo(2);
      assertThat(left.practice()).isTrue();
      bench.walkTo("Hold it to");
      assertThat(open(bench)).doesNotContain("unproved.trim", "unproved.calibration");
      bench.walkTo("The board is awake");
      assertThat(bench.build().finished().proved("k10")).isPresent();
      assertThat(open(bench)).doesNotContain("unproved.proof").contains("unproved.practice");
    }
  }

  @Test
  void whatIsLeftEarlyIsNotCalledReached(@TempDir Path home) throws InterruptedException {
    try (BareBench bench = meter(home)) {
      bench.walkTo("Begin at T3");
      bench.type("3");
      bench.press(KeyCode.ENTER);
      bench.type("7");
      bench.press(KeyCode.ENTER);
      assertThat(bench.build().finished().tries("lamp"))
          .extracting(BuildEvent.TrimTried::practice)
          .containsOnly(false);
      // The signal is another now: what was read before says nothing of it.
      bench.press(KeyCode.DIVIDE);
      assertThat(bench.build().finished().tries("lamp")).isEmpty();
      assertThat(bench.build().finished().from("lamp").orElseThrow()).hasSize(1);
      bench.type("3");
      bench.press(KeyCode.ENTER);
      bench.type("7");
      bench.press(KeyCode.ENTER);
      bench.press(KeyCode.ADD);
      BuildEvent.TrimLeft left = bench.build().finished().left("lamp").orElseThrow();
      assertThat(left.reached()).isFalse();
      assertThat(left.reads()).isEqualTo(7);
      assertThat(open(bench)).contains("unproved.trim-left");
    }
  }

  /** What reads outside is over, but it is neither proved nor shown as done. */
  @Test
  void whatReadsOutsideIsNotShownAsDone(@TempDir Path home) throws InterruptedException {
    try (BareBench bench = meter(home)) {
      bench.walkTo("Hold it to");
      bench.type("8500");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().verdict().orElseThrow().good()).isFalse();
      bench.press(KeyCode.ENTER);
      assertThat(bench.build().finished().proved("k10").orElseThrow().verdict())
          .isEqualTo("outside");
      assertThat(open(bench)).contains("unproved.proof-outside");
      // Left for later, the next one comes; then it comes again.
      String second = bench.card().title();
      bench.press(KeyCode.DECIMAL);
      assertThat(bench.card().title()).startsWith("Hold it to").isNotEqualTo(second);
      bench.press(KeyCode.ENTER, KeyCode.ENTER, KeyCode.ENTER);
      assertThat(bench.card().title()).isEqualTo(second);
      assertThat(bench.card().key('.')).as("nothing else is left").isEmpty();
      bench.walkTo("The board is awake");
      assertThat(bench.card().rows())
          .filteredOn(row -> row.text().equals("the reference resistor"))
          .extracting(Card.Row::standing)
          .containsExactly(Standing.DEVIATED);
    }
  }

  /** One more at the best is read, not made up. */
  @Test
  void oneMoreAtTheBestIsReadAnew(@TempDir Path home) throws InterruptedException {
    try (BareBench bench = meter(home)) {
      bench.walkTo("Dark and full scale: as it should be");
      int tries = bench.build().finished().tries("null").size();
      bench.press(KeyCode.ADD);
      assertThat(bench.build().finished().tries("null")).hasSize(tries);
      bench.type("1");
      bench.press(KeyCode.ENTER);
      assertThat(bench.build().finished().tries("null")).hasSize(tries + 1);
      assertThat(bench.build().finished().tries("null").getLast().practice()).isFalse();
    }
  }

  /** Readings of a step that was taken back are not those of the one before. */
  @Test
  void aStepThatWasTakenBackIsReadAnew(@TempDir Path home) throws InterruptedException {
    try (BareBench bench = meter(home)) {
      bench.walkTo("reference part in");
      while (!bench.card().go().equals("Read it off, simulated")) {
        bench.press(KeyCode.ENTER);
      }
      bench.type("10001");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().rows()).anyMatch(row -> row.text().startsWith("10001.0 Ω"));
      bench.keys().takeBack();
      bench.keys().takeBack();
      assertThat(bench.build().finished().step("arms", 1)).isEmpty();
      assertThat(bench.card().title()).startsWith("terminals shorted");
      assertThat(bench.card().rows()).noneMatch(row -> row.text().contains("10001"));
    }
  }

  /** An ear compares; no number of it is told as one that was read. */
  @Test
  void whatIsHeardIsNotMeasured(@TempDir Path home) throws Exception {
    String text = Files.readString(BenchInTest.root().resolve("kits/larkfield/kit.json"));
    int lamp = text.indexOf("\"goal\": 12");
    Path kit = Files.createDirectories(home.resolve("heard"));
    Files.writeString(
        kit.resolve("kit.json"),
        text.substring(0, lamp)
            + "\"goal\": \"max\", \"shown\": \"ear\""
            + text.substring(text.indexOf("}", lamp)));
    try (BareBench bench = BareBench.open(home)) {
      bench.session().layKit(kit);
      bench.keys().goByKey(StageId.UNPACK);
      bench.walkTo("Begin at T3");
      bench.press(KeyCode.ENTER);
      bench.type("4");
      bench.type("2");
      assertThat(bench.build().finished().tries("lamp"))
          .extracting(BuildEvent.TrimTried::heard)
          .containsExactly("first", "less", "more");
      bench.press(KeyCode.ADD);
      assertThat(bench.build().finished().left("lamp").orElseThrow().byEar()).isTrue();
      String report =
          TextReports.markdown(
              bench.keys().build().orElseThrow().kit(),
              bench.build(),
              Locale.ENGLISH,
              ZoneOffset.UTC);
      assertThat(report).contains("by ear alone").contains("a little less than the best");
    }
  }
}
