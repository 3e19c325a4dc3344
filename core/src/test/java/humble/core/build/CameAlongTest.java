package humble.core.build;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What counts of a build that came from another bench. */
class CameAlongTest {
  private static Build build(BuildEvent... events) {
    List<BuildEvent.Entry> entries = new ArrayList<>();
    for (BuildEvent event : events) {
      entries.add(new BuildEvent.Entry(entries.size() + 1L, Instant.EPOCH, event));
    }
    return Build.of("moth-1", entries);
  }

  private static final BuildEvent BEGAN = new BuildEvent.Began("Moth", "moth", "", 7);
  private static final BuildEvent FITTED = new BuildEvent.Fitted("fit:r", List.of("R1", "R2"), 4);
  private static final BuildEvent PASSED = new BuildEvent.GatePassed("rail", 5.0);
  private static final BuildEvent WOKE = new BuildEvent.Woke("lamps");
  private static final BuildEvent STOPPED = new BuildEvent.Acknowledged("power", "who may");

  private static BuildEvent came(boolean otherHand) {
    return new BuildEvent.CameAlong("kits/moth", "moth.hcbuild", otherHand);
  }

  @Test
  void onesOwnGoesOnWhereItWas() {
    Build own = build(BEGAN, FITTED, PASSED, WOKE, STOPPED, came(false));
    assertThat(own.began().orElseThrow().kitPath()).isEqualTo("kits/moth");
    assertThat(own.began().orElseThrow().practiceSeed()).isEqualTo(7);
    assertThat(own.gateOpen("rail")).isTrue();
    assertThat(own.awake()).containsExactly("lamps");
    assertThat(own.acknowledged()).containsExactly("power");
    assertThat(own.unseen()).isEmpty();
    assertThat(own.isTakenOver()).isFalse();
  }

  @Test
  void whatAnotherHandProvedIsHearsay() {
    Build taken = build(BEGAN, FITTED, PASSED, WOKE, STOPPED, came(true));
    assertThat(taken.isTakenOver()).isTrue();
    assertThat(taken.gateOpen("rail")).isFalse();
    assertThat(taken.awake()).isEmpty();
    assertThat(taken.acknowledged()).isEmpty();
    assertThat(taken.fittedRefs()).as("it is on the board all the same").contains("R1", "R2");
    assertThat(taken.unseen()).containsExactly("R1", "R2");
  }

  @Test
  void whatIsLookedAtCountsAndWhatIsNotThereIsFittedAgain() {
    Build seen =
        build(
            BEGAN,
            FITTED,
            came(true),
            new BuildEvent.SeenFitted(List.of("R1"), true),
            new BuildEvent.SeenFitted(List.of("R2"), false));
    assertThat(seen.unseen()).isEmpty();
    assertThat(seen.fittedRefs()).containsExactly("R1");
    assertThat(seen.isDone("fit:r", List.of("R1", "R2"))).isFalse();
  }

  @Test
  void whatIsProvedHereAfterwardsCounts() {
    Build proved =
        build(BEGAN, FITTED, PASSED, came(true), new BuildEvent.GatePassed("rail", 4.98));
    assertThat(proved.passedGates()).containsEntry("rail", 4.98);
  }

  @Test
  void takenBackItIsAsItWas() {
    Build back = build(BEGAN, FITTED, PASSED, came(true), new BuildEvent.TookBack(4));
    assertThat(back.gateOpen("rail")).isTrue();
    assertThat(back.isTakenOver()).isFalse();
  }

  /** The bare board was looked over while it was bare; that a thing was tried is only told. */
  @Test
  void whatWasTriedIsToldAndWhatIsUnderThePartsIsNotAskedFor() {
    BuildEvent looked = new BuildEvent.LookedOver("main", "outline", true);
    BuildEvent tried = new BuildEvent.Fitted("bell", List.of(), 0);
    BuildEvent coil = new BuildEvent.Coiled("w", "c", 1, true, false);
    Build taken = build(BEGAN, looked, tried, coil, came(true));
    assertThat(taken.lookedOver()).containsKey("main/outline");
    assertThat(taken.hearsay()).containsExactly("bell");
    assertThat(taken.isThrough("w", "c")).isFalse();
    assertThat(build(BEGAN, tried, came(true), tried).hearsay()).isEmpty();
    assertThat(build(BEGAN, tried, came(false)).hearsay()).isEmpty();
  }

  /** Taken back, its kit would lie nowhere; what was done after it can be taken back. */
  @Test
  void thatItCameAlongIsNotTakenBack() {
    assertThat(build(BEGAN, FITTED, came(true)).lastToTakeBack()).isEmpty();
    assertThat(build(BEGAN, FITTED, came(true), PASSED).lastToTakeBack()).hasValue(4);
  }

  /** A minute before it came is nobody's time at this bench; a minute after it is. */
  @Test
  void theTimeBeforeItCameWasNotSpentHere() {
    Build came =
        Build.of(
            "moth-1",
            List.of(
                new BuildEvent.Entry(1, Instant.EPOCH, BEGAN),
                new BuildEvent.Entry(2, Instant.EPOCH.plusSeconds(60), came(true)),
                new BuildEvent.Entry(3, Instant.EPOCH.plusSeconds(120), FITTED)));
    assertThat(came.benchTime(Instant.EPOCH)).hasSeconds(60);
  }

  @Test
  void aBuildRestsOnOneOtherOrOnNone() {
    BuildEvent on = new BuildEvent.RestsOn("buoy-1", "Buoy");
    assertThat(build(BEGAN, on).restsOn()).contains((BuildEvent.RestsOn) on);
    assertThat(build(BEGAN, on, new BuildEvent.RestsOn("", "")).restsOn()).isEmpty();
  }
}
