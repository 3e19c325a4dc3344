package humble.core.build;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class BuildTest {
  private static final Instant START = Instant.parse("2027-01-14T18:30:00Z");

  private static Build build(BuildEvent... events) {
    List<BuildEvent.Entry> entries = new ArrayList<>();
    for (BuildEvent event : events) {
      entries.add(
          new BuildEvent.Entry(
              entries.size() + 1L, START.plusSeconds(60L * entries.size()), event));
    }
    return Build.of("glowmoth-1", entries);
  }

  private static BuildEvent.Began began() {
    return new BuildEvent.Began("Glowmoth", "glowmoth", "kits/glowmoth", 7);
  }

  @Test
  void theFoldHoldsWhatWasDone() {
    Build build =
        build(
            began(),
            new BuildEvent.Counted("r220", 6),
            new BuildEvent.Counted("r220", 7),
            new BuildEvent.Measured("r220", 221, "inside"),
            new BuildEvent.Chose("sounder", "soft"),
            new BuildEvent.TookSchool("low"),
            new BuildEvent.MarkSeen("fit:C1", "stripe"),
            new BuildEvent.Fitted("fit:C1", List.of("C1"), 2),
            new BuildEvent.GateRead("rail33", 3.31, "inside", true),
            new BuildEvent.GatePassed("rail33", 3.31),
            new BuildEvent.Saw("lamps", Map.of("dark", "3 7"), true),
            new BuildEvent.Saw("lamps", Map.of("dark", "7"), true),
            new BuildEvent.Woke("lamps"),
            new BuildEvent.Closed("front"));
    assertThat(build.counted()).containsEntry("r220", 7);
    assertThat(build.measured().get("r220")).hasSize(1);
    assertThat(build.choices()).containsEntry("sounder", "soft");
    assertThat(build.school()).contains("low");
    assertThat(build.marksSeen("fit:C1")).containsExactly("stripe");
    assertThat(build.fittedRefs()).containsExactly("C1");
    assertThat(build.passedGates()).containsEntry("rail33", 3.31);
    assertThat(build.facts("lamps")).containsExactly(Map.entry("dark", "7"));
    assertThat(build.facts("screen")).isEmpty();
    assertThat(build.awake()).containsExactly("lamps");
    assertThat(build.closed()).containsExactly("front");
  }

  @Test
  void aRepairShutsTheGateThatWasReadWithTheFault() {
    BuildEvent[] read = {
      began(),
      new BuildEvent.GateRead("rail33", 2.1, "above", false),
      new BuildEvent.GateOverridden("rail33", "the meter is out"),
      new BuildEvent.GatePassed("rail5", 5),
      new BuildEvent.SeriesRead("empty", 4.9, false, false),
      new BuildEvent.Mended("empty", "open:R3.2", 4, false)
    };
    assertThat(build(read).gateOpen("rail33")).isTrue();
    BuildEvent[] mended = java.util.Arrays.copyOf(read, read.length + 1);
    mended[read.length] = new BuildEvent.Repaired("empty", "open:R3.2", List.of("rail33"));
    assertThat(build(mended).gateOpen("rail33")).isFalse();
    assertThat(build(mended).gateReadings()).isEmpty();
    assertThat(build(mended).seriesRead()).isEmpty();
    assertThat(build(mended).gateOpen("rail5")).as("of another state").isTrue();
  }

  @Test
  void onlyTheLastThatWasSeenOfACoilOrALightCounts() {
    Build build =
        build(
            began(),
            new BuildEvent.Coiled("tuner", "a", Double.POSITIVE_INFINITY, false, false),
            new BuildEvent.Tried("red", "blue"));
    assertThat(build.isThrough("tuner", "a")).isFalse();
    assertThat(build.tried("red")).contains("blue");
    Build again =
        build(
            began(),
            new BuildEvent.Coiled("tuner", "a", Double.POSITIVE_INFINITY, false, false),
            new BuildEvent.Tried("red", "blue"),
            new BuildEvent.Coiled("tuner", "a", 0.3, true, false),
            new BuildEvent.Tried("red", "red"));
    assertThat(again.isThrough("tuner", "a")).isTrue();
    assertThat(again.isThrough("tuner", "b")).isFalse();
    assertThat(again.tried("red")).contains("red");
  }

  @Test
  void whatWasTakenBackNoLongerCountsButStaysInTheLog() {
    Build build =
        build(
            began(),
            new BuildEvent.Counted("r220", 6),
            new BuildEvent.Counted("r220", 9),
            new BuildEvent.TookBack(3));
    assertThat(build.counted()).containsEntry("r220", 6);
    assertThat(build.entries()).hasSize(4);
    assertThat(build.inForce()).hasSize(2);
    assertThat(build.lastToTakeBack()).hasValue(2);
  }

  @Test
  void theBeginningCannotBeTakenBack() {
    assertThat(build(began()).lastToTakeBack()).isEmpty();
    assertThat(build().lastToTakeBack()).isEmpty();
  }

  /** Taking back one by one retraces every state the build was in. */
  @Property
  void takingBackRetracesTheWay(
      @ForAll @Size(min = 1, max = 12) List<@IntRange(min = 0, max = 30) Integer> counts) {
    List<BuildEvent.Entry> entries = new ArrayList<>();
    entries.add(new BuildEvent.Entry(1, START, began()));
    List<Build> states = new ArrayList<>(List.of(Build.of("b", entries)));
    for (int count : counts) {
      Build next =
          states
              .getLast()
              .with(
                  new BuildEvent.Entry(
                      entries.size() + states.size(),
                      START,
                      new BuildEvent.Counted("i" + count % 3, count)));
      states.add(next);
    }
    Build now = states.getLast();
    long number = 1000;
    for (int i = states.size() - 1; i > 0; i--) {
      now =
          now.with(
              new BuildEvent.Entry(
                  number++, START, new BuildEvent.TookBack(now.lastToTakeBack().orElseThrow())));
      assertThat(now.counted()).isEqualTo(states.get(i - 1).counted());
    }
    assertThat(now.lastToTakeBack()).isEmpty();
  }

  @Test
  void longPausesAreNotTimeAtTheBench() {
    List<BuildEvent.Entry> entries =
        List.of(
            new BuildEvent.Entry(1, START, began()),
            new BuildEvent.Entry(2, START.plusSeconds(300), new BuildEvent.Counted("a", 1)),
            new BuildEvent.Entry(3, START.plusSeconds(300 + 3600), new BuildEvent.Counted("b", 1)),
            new BuildEvent.Entry(4, START.plusSeconds(300 + 3660), new BuildEvent.Counted("c", 1)));
    Build build = Build.of("b", entries);
    assertThat(build.benchTime(Instant.EPOCH)).isEqualTo(Duration.ofSeconds(360));
    assertThat(build.benchTime(START.plusSeconds(3600))).isEqualTo(Duration.ofSeconds(60));
  }
}
