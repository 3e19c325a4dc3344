package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.practice.Answered;
import humble.core.practice.Skill;
import humble.desktop.practice.PracticeStage;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Two minutes of practice, by keypad. */
class PracticeTest {
  @TempDir private Path home;
  private BareBench bench;

  /** A clock that goes on when it is told to. */
  private static final class HandClock extends Clock {
    private Instant now = Instant.parse("2027-01-14T18:30:00Z");

    void on(Duration by) {
      now = now.plus(by);
    }

    @Override
    public ZoneId getZone() {
      return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
      return this;
    }

    @Override
    public Instant instant() {
      return now;
    }
  }

  @BeforeEach
  void open() {
    bench = BareBench.open(home);
  }

  @AfterEach
  void close() {
    bench.close();
  }

  private Card card() {
    return bench.card();
  }

  private void onTheShelf(String title) {
    for (int i = 0; i < 12 && !card().title().equals(title); i++) {
      bench.press(KeyCode.ADD);
    }
    assertThat(card().title()).isEqualTo(title);
  }

  @Test
  void itLiesOnTheShelfAndIsLeftByOneKey() {
    onTheShelf("Practice");
    bench.press(KeyCode.ENTER);
    assertThat(card().title()).isEqualTo("Two minutes of practice");
    bench.press(KeyCode.ESCAPE);
    assertThat(bench.keys().stage()).isEqualTo(StageId.SHELF);
    assertThat(card().kicker()).contains("on the shelf");
  }

  @Test
  void anAnswerIsKeptBeforeItIsJudged() {
    onTheShelf("Practice");
    bench.press(KeyCode.ENTER, KeyCode.ENTER);
    assertThat(card().goEnabled()).isFalse();
    bench.type("1");
    bench.press(KeyCode.ENTER);
    List<Answered> kept = bench.session().practised();
    assertThat(kept)
        .singleElement()
        .satisfies(a -> assertThat(a.skill()).isEqualTo(Skill.BANDS_FOUR));
    assertThat(card().verdict().orElseThrow().good()).isEqualTo(kept.getFirst().right());
    assertThat(bench.session().shelf()).as("it is no build").isEmpty();
  }

  @Test
  void nothingIsTakenAfterTwoMinutes() {
    HandClock clock = new HandClock();
    Session session = bench.session();
    PracticeStage stage = new PracticeStage(session, bench.keys(), clock, () -> {});
    stage.card().enter().run();
    clock.on(Duration.ofSeconds(119));
    stage.typed().type("47k");
    assertThat(stage.card().goEnabled()).isTrue();
    Card late = stage.card();
    clock.on(Duration.ofSeconds(2));
    late.enter().run();
    assertThat(session.practised()).as("a key pressed too late is no answer").isEmpty();
    assertThat(stage.card().title()).isEqualTo("Time is up");
    assertThat(stage.mat().spoken()).isEqualTo("practice");
  }

  @Test
  void noQuestionIsBegunThatHasNoTime() {
    HandClock clock = new HandClock();
    PracticeStage stage = new PracticeStage(bench.session(), bench.keys(), clock, () -> {});
    stage.card().enter().run();
    clock.on(Duration.ofSeconds(115));
    stage.typed().type("1");
    stage.card().enter().run();
    assertThat(stage.card().go()).isEqualTo("See how it went");
    stage.card().enter().run();
    assertThat(stage.card().title()).endsWith("of 1 right");
    assertThat(stage.card().rows()).singleElement().asString().contains("four bands");
  }

  /** Answered right by one who knows, every skill is held; the shelf then says that none is due. */
  @Test
  void whoKnowsIsTold() {
    HandClock clock = new HandClock();
    Session session = bench.session();
    for (int evening = 0; evening < 40 && session.practised().size() < 200; evening++) {
      PracticeStage stage = new PracticeStage(session, bench.keys(), clock, () -> {});
      stage.card().enter().run();
      for (int i = 0; i < 9 && !stage.card().title().contains("right"); i++) {
        clock.on(Duration.ofSeconds(6));
        answer(stage);
        clock.on(Duration.ofSeconds(2));
        stage.card().enter().run();
      }
      clock.on(Duration.ofMinutes(5));
    }
    assertThat(session.practised()).extracting(Answered::skill).contains(Skill.values());
  }

  /** Types or presses something, right or not, as the card asks. */
  private static void answer(PracticeStage stage) {
    for (char key : "798146213".toCharArray()) {
      if (stage.card().key(key).isPresent()) {
        stage.card().key(key).orElseThrow().act().run();
        return;
      }
    }
    stage.typed().type("10");
    stage.card().enter().run();
  }

  @Test
  void aPadIsClickedToo() {
    HandClock clock = new HandClock();
    PracticeStage stage = new PracticeStage(bench.session(), bench.keys(), clock, () -> {});
    stage.card().enter().run();
    for (int i = 0; i < 12 && !stage.card().title().contains("cathode"); i++) {
      answer(stage);
      stage.card().enter().run();
    }
    assertThat(stage.card().title()).contains("cathode");
    int before = bench.session().practised().size();
    char key =
        "798146213"
            .chars()
            .mapToObj(c -> (char) c)
            .filter(c -> stage.card().key(c).isPresent())
            .findFirst()
            .orElseThrow();
    stage.pick("pad:" + key);
    assertThat(bench.session().practised()).hasSize(before + 1);
    assertThat(stage.card().verdict()).isPresent();
    stage.pick("pad:" + key);
    assertThat(bench.session().practised()).as("it is answered once").hasSize(before + 1);
  }

  /** A keypad has no letters: nine and one more is A. */
  @Test
  void hexIsTypedOnAKeypad() {
    HandClock clock = new HandClock();
    PracticeStage stage = new PracticeStage(bench.session(), bench.keys(), clock, () -> {});
    stage.card().enter().run();
    for (int i = 0; i < 14 && !stage.card().title().contains("hexadecimal"); i++) {
      answer(stage);
      stage.card().enter().run();
    }
    assertThat(stage.card().title()).contains("hexadecimal");
    stage.typed().type("49");
    stage.card().key('+').orElseThrow().act().run();
    assertThat(stage.typed().text()).isEqualTo("4A");
    for (int i = 0; i < 6; i++) {
      stage.card().key('+').orElseThrow().act().run();
    }
    assertThat(stage.typed().text()).isEqualTo("40");
  }
}
