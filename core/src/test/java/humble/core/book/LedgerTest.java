package humble.core.book;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Kit;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** What a build comes to, worked out by hand. */
class LedgerTest {
  private static final Instant SEVEN = Instant.parse("2027-01-14T19:00:00Z");

  /** An act so many minutes after seven. */
  private record Act(double minute, BuildEvent event) {}

  static Build build(String id, List<Act> acts) {
    List<BuildEvent.Entry> entries = new ArrayList<>();
    for (Act act : acts) {
      entries.add(
          new BuildEvent.Entry(
              entries.size() + 1L,
              SEVEN.plusMillis(Math.round(act.minute() * 60_000)),
              act.event()));
    }
    return Build.of(id, entries);
  }

  private static Act at(double minute, BuildEvent event) {
    return new Act(minute, event);
  }

  private static BuildEvent fitted(String... refs) {
    return new BuildEvent.Fitted("fit:" + refs[0], List.of(refs), 2 * refs.length);
  }

  private static Kit kit() {
    return KitMaker.kit()
        .resistor("R1", "1k")
        .resistor("R2", "1k")
        .resistor("R3", "1k")
        .loose("cord", 1, 2)
        .task("glue", "coat", 45, List.of(), List.of())
        .make();
  }

  @Test
  void hoursGoToTheStageOfTheActTheyEndWithAndPausesToNone() {
    Build build =
        build(
            "b",
            List.of(
                at(0, new BuildEvent.Began("b", "k", "k", 1)),
                at(4, new BuildEvent.Counted("cord", 1)),
                at(10, fitted("R1")),
                at(12, new BuildEvent.MarkSeen("fit:R2", "x")),
                at(15, fitted("R2", "R3")),
                at(60, new BuildEvent.GateRead("g", 5, "inside", false)),
                at(61, new BuildEvent.GatePassed("g", 5)),
                at(24 * 60, new BuildEvent.Woke("lamp")),
                at(24 * 60 + 7, new BuildEvent.Fitted("glue", List.of(), 0))));
    Ledger ledger = Ledger.of(kit(), build, ZoneOffset.UTC);
    assertThat(ledger.hours())
        .isEqualTo(
            Map.of(
                BenchStage.UNPACK, Duration.ofMinutes(4),
                BenchStage.FIT, Duration.ofMinutes(6 + 2 + 3 + 7),
                BenchStage.POWER, Duration.ofMinutes(1)));
    assertThat(ledger.bench()).isEqualTo(Duration.ofMinutes(23));
    assertThat(ledger.unattended())
        .as("it hardened beside the bench")
        .isEqualTo(Duration.ofMinutes(45));
    assertThat(ledger.evenings())
        .containsExactly(
            new Ledger.Evening(LocalDate.of(2027, 1, 14), Duration.ofMinutes(16), 6, 7),
            new Ledger.Evening(LocalDate.of(2027, 1, 15), Duration.ofMinutes(7), 0, 2));
    assertThat(ledger.joints()).isEqualTo(6);
    assertThat(ledger.waits()).containsExactly(new Ledger.Stock("cord", -1));
    assertThat(ledger.over()).isEmpty();
  }

  @Test
  void aPartIsRightTheFirstTimeWhereNothingOfItWasEverWrong() {
    Build build =
        build(
            "b",
            List.of(
                at(0, fitted("R1", "R2", "R3")),
                at(1, new BuildEvent.JointSeen("R1.1", "good")),
                at(2, new BuildEvent.JointSeen("R2.2", "dry")),
                at(3, new BuildEvent.JointSeen("R2.2", "good")),
                at(4, new BuildEvent.Mended("s", "reversed:R3", 3, true))));
    Ledger.FirstTime first = Ledger.firstTime(build);
    assertThat(first.troubled()).as("mended later is not the first time").isEqualTo(Set.of("R2"));
    assertThat(first.rate()).contains(2 / 3.0);
    assertThat(Ledger.of(kit(), build, ZoneOffset.UTC).cured())
        .as("what was hidden on the practice bench was never wrong")
        .isEmpty();
    assertThat(Ledger.firstTime(build("e", List.of())).rate())
        .as("of nothing nothing is right")
        .isEmpty();
  }

  /** Whatever was done when: no minute is lost or counted twice. */
  @Property(tries = 200)
  void theHoursOfTheStagesAreThoseOfTheBench(@ForAll long seed) {
    Random random = new Random(seed);
    List<Act> acts = new ArrayList<>();
    List<BuildEvent> kinds =
        List.of(
            fitted("R1"),
            new BuildEvent.Counted("cord", 1),
            new BuildEvent.Noted("Fit", "x"),
            new BuildEvent.Turned("main", "top", 90),
            new BuildEvent.TookBack(1));
    double minute = 0;
    for (int i = 0; i < 40; i++) {
      minute += random.nextDouble() * 26;
      acts.add(at(Math.round(minute * 10) / 10.0, kinds.get(random.nextInt(kinds.size()))));
    }
    Build build = build("b", acts);
    assertThat(Ledger.of(kit(), build, ZoneOffset.UTC).bench())
        .isEqualTo(build.benchTime(Instant.EPOCH));
  }

  @Test
  void buildsOfOneKitAreComparedStepByStep() {
    List<Build> builds = new ArrayList<>();
    double[] minutes = {2, 4, 6, 8, 30};
    for (int i = 0; i < minutes.length; i++) {
      builds.add(
          build(
              "b" + i,
              List.of(
                  at(0, new BuildEvent.Began("b" + i, "k", "k", 1)),
                  at(minutes[i] / 2, new BuildEvent.MarkSeen("fit:R1", "x")),
                  at(minutes[i], fitted("R1")),
                  at(minutes[i] + 1, fitted("R2")),
                  at(
                      minutes[i] + 2,
                      new BuildEvent.JointSeen("R1.1", i == 1 || i == 3 ? "dry" : "good")))));
    }
    Comparison found = Comparison.of(builds);
    assertThat(found.builds()).hasSize(5);
    assertThat(found.builds().get(1).firstTimeRight()).contains(0.5);
    assertThat(found.builds().get(1).hours()).isEqualTo(0.1);
    // 2, 4, 6, 8, 30: the middle is 6, the middle half lies from 4 to 8.
    assertThat(found.steps())
        .containsExactly(
            new Comparison.Step("fit:R1", 6, 4, 2, 5), new Comparison.Step("fit:R2", 1, 0, 0, 5));
  }
}
