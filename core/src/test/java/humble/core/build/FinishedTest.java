package humble.core.build;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Calibration;
import humble.core.kit.Finishing;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** How far trims, calibrations and proofs are, from the acts alone. */
class FinishedTest {
  private static Finished after(BuildEvent... events) {
    List<BuildEvent.Entry> entries = new ArrayList<>();
    for (BuildEvent event : events) {
      entries.add(new BuildEvent.Entry(entries.size() + 1, Instant.EPOCH, event));
    }
    return Build.of("b", entries).finished();
  }

  private static BuildEvent tried(double at, double reads) {
    return new BuildEvent.TrimTried("null", List.of(at), reads, "", false);
  }

  private static BuildEvent left() {
    return new BuildEvent.TrimLeft("null", List.of(0.5), 0.1, false, true, false);
  }

  @Test
  void whatIsTriedAgainIsLeftNoLonger() {
    assertThat(after(tried(0.5, 1), left()).left("null")).isPresent();
    Finished again = after(tried(0.5, 1), left(), tried(0.6, 0.9));
    assertThat(again.left("null")).isEmpty();
    assertThat(again.tries("null")).hasSize(2);
  }

  /** Readings of another signal are not compared; the screws stay where they are. */
  @Test
  void anewItGoesOnFromWhereTheScrewsStand() {
    Finished anew = after(tried(0.5, 1), tried(0.7, 2), left(), new BuildEvent.TrimAnew("null"));
    assertThat(anew.tries("null")).isEmpty();
    assertThat(anew.left("null")).isEmpty();
    assertThat(anew.from("null")).contains(List.of(0.7));
    assertThat(after(new BuildEvent.TrimAnew("null")).from("null")).isEmpty();
  }

  @Test
  void aCalibrationIsDoneByItsStepsAndOneWithoutStepsNever() {
    Calibration.Step step = new Calibration.Step(Calibration.Doing.SHORT, "", "", 0, "", 0, 0, 0);
    Calibration two = new Calibration("zero", "", List.of(step, step), List.of());
    BuildEvent first = new BuildEvent.Calibrated("zero", 1, List.of(), true);
    BuildEvent second = new BuildEvent.Calibrated("zero", 2, List.of(1.0), false);
    assertThat(after(first, first).isCalibrated(two)).isFalse();
    assertThat(after(first, second).isCalibrated(two)).isTrue();
    Finishing all = new Finishing(List.of(), List.of(two), List.of());
    assertThat(after(first, left()).over(all)).as("no trim of this kit").isEmpty();
    assertThat(after(first, second).over(all)).containsExactly("zero");
    assertThat(after().isCalibrated(new Calibration("zero", "", List.of(), List.of()))).isFalse();
    assertThat(after(first).restsOnPractice()).isTrue();
    assertThat(after(second).restsOnPractice()).isFalse();
  }

  /** Nothing that another hand trimmed or proved counts here. */
  @Test
  void takenOverItIsFinishedAnew() {
    BuildEvent proved = new BuildEvent.Proved("c10n", 1e-8, "inside", false);
    BuildEvent calibrated = new BuildEvent.Calibrated("zero", 1, List.of(), false);
    BuildEvent own = new BuildEvent.CameAlong("kit", "a.hcbuild", false);
    BuildEvent other = new BuildEvent.CameAlong("kit", "a.hcbuild", true);
    Finished kept = after(tried(0.5, 1), left(), proved, calibrated, own);
    assertThat(kept.left("null")).isPresent();
    assertThat(kept.proved("c10n")).isPresent();
    Finished taken = after(tried(0.5, 1), left(), proved, calibrated, other);
    assertThat(taken.left("null")).isEmpty();
    assertThat(taken.tries("null")).isEmpty();
    assertThat(taken.proved("c10n")).isEmpty();
    assertThat(taken.step("zero", 1)).isEmpty();
  }

  @Test
  void whatWasLeftLastComesLast() {
    List<BuildEvent.Entry> entries = new ArrayList<>();
    for (String id : List.of("a", "b", "a")) {
      entries.add(
          new BuildEvent.Entry(
              entries.size() + 1,
              Instant.EPOCH,
              new BuildEvent.Saw(id, Map.of("later", "yes"), false)));
    }
    assertThat(Build.of("b", entries).later()).containsExactly("b", "a");
    assertThat(Build.of("b", entries.subList(0, 1)).later()).containsExactly("a");
  }
}
