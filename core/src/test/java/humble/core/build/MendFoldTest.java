package humble.core.build;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class MendFoldTest {
  private static Build build(BuildEvent... events) {
    List<BuildEvent.Entry> entries = new ArrayList<>();
    for (BuildEvent event : events) {
      Instant at = Instant.parse("2027-01-14T18:30:00Z").plusSeconds(60L * entries.size());
      entries.add(new BuildEvent.Entry(entries.size() + 1L, at, event));
    }
    return Build.of("glowmoth-1", entries);
  }

  @Test
  void observationsStandByStateUntilTheFaultOfThatStateIsFound() {
    Build searching =
        build(
            new BuildEvent.FaultHidden("lamp1", 2, "open:LED1.2", 4),
            new BuildEvent.Observed("idle", "I(usb)=22.3m", true),
            new BuildEvent.Observed("lamp1", "dark:LED1", false),
            new BuildEvent.Observed("lamp1", "V(3V3)=3.30", true));
    assertThat(searching.observed("lamp1")).containsExactly("dark:LED1", "V(3V3)=3.30");
    assertThat(searching.hidden().orElseThrow().level()).isEqualTo(2);
    assertThat(searching.mended()).isEmpty();

    BuildEvent.Mended found = new BuildEvent.Mended("lamp1", "open:LED1.2", 2, true);
    Build after = searching.with(new BuildEvent.Entry(5, Instant.EPOCH, found));
    assertThat(after.observed("lamp1")).isEmpty();
    assertThat(after.observed("idle")).containsExactly("I(usb)=22.3m");
    assertThat(after.hidden()).isEmpty();
    assertThat(after.mended()).containsExactly(found);
  }

  @Test
  void aFoundFaultTakenBackIsSearchedForAgainWithAllThatWasRead() {
    Build build =
        build(
            new BuildEvent.Observed("lamp1", "dark:LED1", false),
            new BuildEvent.Mended("lamp1", "open:LED1.2", 1, false),
            new BuildEvent.TookBack(2));
    assertThat(build.observed("lamp1")).containsExactly("dark:LED1");
    assertThat(build.mended()).isEmpty();
  }

  @Test
  void aGateIsOpenWithItsReadingOrWithAReasonAndShutAgainWhenThatIsTakenBack() {
    Build build =
        build(
            new BuildEvent.GatePassed("rail5", 5.01),
            new BuildEvent.GateOverridden("rail33", "the meter is out"),
            new BuildEvent.GateOverridden("rail9", "no time"),
            new BuildEvent.TookBack(3));
    assertThat(build.gateOpen("rail5")).isTrue();
    assertThat(build.gateOpen("rail33")).isTrue();
    assertThat(build.gateOpen("rail9")).isFalse();
    assertThat(build.passedGates()).containsOnlyKeys("rail5");
    assertThat(build.overriddenGates()).containsOnlyKeys("rail33");
  }
}
