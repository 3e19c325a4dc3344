package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.desktop.stage.StageId;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/** From the shelf to the book with nothing but the keys of a numeric keypad, by robot. */
class WholeWalkTest {
  private static final Set<KeyCode> KEYPAD =
      EnumSet.of(
          KeyCode.ENTER,
          KeyCode.NUMPAD0,
          KeyCode.NUMPAD1,
          KeyCode.NUMPAD2,
          KeyCode.NUMPAD3,
          KeyCode.NUMPAD4,
          KeyCode.NUMPAD5,
          KeyCode.NUMPAD6,
          KeyCode.NUMPAD7,
          KeyCode.NUMPAD8,
          KeyCode.NUMPAD9,
          KeyCode.DECIMAL,
          KeyCode.ADD,
          KeyCode.SUBTRACT,
          KeyCode.MULTIPLY,
          KeyCode.DIVIDE);

  @TempDir Path home;

  @Test
  void aFirstTimerFinishesTheBadgeOnThePracticeBench() throws Exception {
    FxRobot robot = new FxRobot();
    List<StageId> visited = new ArrayList<>();
    try (BenchInTest bench = BenchInTest.open(home)) {
      long since = System.currentTimeMillis();
      while (!bench.over()) {
        StageId at = bench.at();
        if (visited.isEmpty() || visited.getLast() != at) {
          visited.add(at);
        }
        List<KeyCode> keys = bench.next();
        assertThat(KEYPAD).containsAll(keys);
        for (KeyCode key : keys) {
          robot.type(key);
          since = System.currentTimeMillis();
        }
        WaitForAsyncUtils.waitForFxEvents(1);
        assertThat(System.currentTimeMillis() - since)
            .as("stuck at %s", bench.card())
            .isLessThan(60_000);
      }
      visited.add(bench.at());
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> bench.card().verdict().isPresent());
      assertThat(bench.card().verdict().orElseThrow().good()).isTrue();
    }
    assertThat(visited)
        .startsWith(StageId.SHELF, StageId.UNPACK, StageId.SORT, StageId.PLAN, StageId.FIT);
    assertThat(visited)
        .contains(StageId.POWER, StageId.LOAD, StageId.WAKE, StageId.CLOSE)
        .endsWith(StageId.BOOK);
    assertThat(visited.indexOf(StageId.POWER)).isLessThan(visited.indexOf(StageId.LOAD));
    journalHoldsIt();
    assertThat(Files.readString(home.resolve("reports/glowmoth-1.html")))
        .contains("Glowmoth lantern badge")
        .contains("Case closed")
        .contains("simulated");
  }

  /** Nothing was shown as done that the journal does not hold. */
  private void journalHoldsIt() {
    try (Journal journal =
        ((JournalOpen.Opened) Journal.open(home.resolve("bench.db"), Clock.systemUTC()))
            .journal()) {
      Build build = journal.build("glowmoth-1");
      assertThat(build.counted()).hasSize(26);
      assertThat(build.measured()).containsOnlyKeys("r220", "r10k");
      assertThat(build.bandsRead()).containsExactlyInAnyOrder("r2k2", "r11k", "r1k");
      assertThat(build.school()).contains("low");
      assertThat(build.choices()).containsOnlyKeys("sounder", "pane");
      assertThat(build.fittedRefs()).hasSize(54).contains("U1", "DISP1", "LED20");
      assertThat(build.passedGates()).containsOnlyKeys("rail33", BuildEvent.Closed.ONCE_MORE);
      assertThat(build.loaded().get("lamp"))
          .satisfies(loaded -> {
            assertThat(loaded.verified()).isTrue();
            assertThat(loaded.practice()).isTrue();
            assertThat(loaded.bytes()).isEqualTo(1754);
          });
      assertThat(build.awake()).containsExactlyInAnyOrder("lamps", "screen");
      assertThat(build.facts("screen")).containsKey("turn-deg");
      assertThat(build.closed()).contains("front", "once-more", "back", "closed");
      // The chip went in only after the rail had read right.
      List<BuildEvent> events = build.entries().stream().map(BuildEvent.Entry::event).toList();
      int passed = indexOf(events, e -> e instanceof BuildEvent.GatePassed);
      int inserted =
          indexOf(events, e -> e instanceof BuildEvent.Fitted f && f.refs().contains("U1"));
      assertThat(passed).isPositive().isLessThan(inserted);
      // What can burst was looked at twice before it was fitted.
      for (String ref : List.of("C1", "C2", "U2", "Q1", "DISP1", "U1")) {
        int fitted =
            indexOf(events, e -> e instanceof BuildEvent.Fitted f && f.refs().contains(ref));
        String step = ((BuildEvent.Fitted) events.get(fitted)).step();
        assertThat(
                events.subList(0, fitted).stream()
                    .filter(e -> e instanceof BuildEvent.MarkSeen m && m.step().equals(step)))
            .as(ref)
            .hasSizeGreaterThanOrEqualTo(2);
      }
    }
  }

  private static int indexOf(
      List<BuildEvent> events, java.util.function.Predicate<BuildEvent> test) {
    for (int i = 0; i < events.size(); i++) {
      if (test.test(events.get(i))) {
        return i;
      }
    }
    return -1;
  }
}
