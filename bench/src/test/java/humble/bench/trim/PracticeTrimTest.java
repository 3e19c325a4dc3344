package humble.bench.trim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.kit.Calibration;
import humble.core.kit.Proof;
import humble.core.kit.Trim;
import humble.core.trim.Ear;
import humble.core.trim.Goal;
import humble.core.trim.Knob;
import humble.core.trim.TrimAdvice;
import humble.core.trim.TrimState;
import humble.core.trim.Trimmer;
import humble.core.units.Band;
import humble.core.wake.Aim;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Simulated instruments answer from models of their own, and alike for the same seed. */
class PracticeTrimTest {
  private static Trim trim(int n, Goal goal, @Nullable Band window) {
    List<Trim.Screw> screws = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      screws.add(new Trim.Screw(new Knob("T" + i, 0, 10, 0.01), "", 0.75));
    }
    return new Trim(
        "t",
        "t",
        screws,
        new Trim.Reading("x", "mV", goal, 0.1, 0.04, window, Trim.Shown.NUMBER),
        "",
        List.of());
  }

  private static double reached(Trim trim, long seed) {
    PracticeTrim practice = new PracticeTrim(trim, seed);
    List<TrimState.Try> tries = new ArrayList<>();
    TrimAdvice advice = Trimmer.advise(trim.state(tries));
    for (int k = 0; k < 150 && !advice.stop(); k++) {
      tries.add(new TrimState.Try(advice.next(), practice.shows(advice.next(), k)));
      advice = Trimmer.advise(trim.state(tries));
    }
    return practice.exact(advice.next());
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 4})
  void nullsOfAnyNumberOfScrewsAreReached(int n) {
    List<Double> left = new ArrayList<>();
    for (int seed = 0; seed < 9; seed++) {
      left.add(reached(trim(n, Goal.MIN, null), seed));
    }
    left.sort(null);
    assertThat(left.get(4)).as("the middle one, in millivolts").isLessThan(0.2);
  }

  @Test
  void peaksAndValuesAreReached() {
    for (int seed = 0; seed < 5; seed++) {
      assertThat(reached(trim(2, Goal.MAX, null), seed)).isGreaterThan(7.6);
      assertThat(reached(trim(1, new Goal.Reach(12), new Band(11.5, 12.5)), seed))
          .isCloseTo(12, within(0.3));
    }
  }

  @Test
  void theSameSeedReadsTheSameAndAnEarHearsWhatIsThere() {
    Trim trim = trim(2, Goal.MIN, null);
    List<Double> middle = List.of(5.0, 5.0);
    PracticeTrim practice = new PracticeTrim(trim, 3);
    assertThat(practice.shows(middle, 4)).isEqualTo(new PracticeTrim(trim, 3).shows(middle, 4));
    assertThat(practice.exact(middle)).isNotEqualTo(new PracticeTrim(trim, 4).exact(middle));
    List<Double> low = List.of(0.0, 0.0);
    boolean louder = practice.exact(low) > practice.exact(middle);
    Ear heard = practice.hears(louder ? low : middle, louder ? middle : low, 0);
    assertThat(heard).isIn(Ear.SAME, Ear.MORE, Ear.FAR_MORE);
    assertThat(practice.hears(middle, middle, 1)).isEqualTo(Ear.SAME);
  }

  @Test
  void aBeamIsFoundByTurningAsAsked() {
    int good = 0;
    for (int seed = 0; seed < 20; seed++) {
      PracticeBeam beam = new PracticeBeam(seed);
      double enough = 2.1 * beam.dark();
      List<Double> read = new ArrayList<>();
      while (read.size() < 20 && new Aim(read, enough).next() != Aim.Next.GLUE) {
        read.add(beam.reads(read, enough));
      }
      good += read.size() < 12 ? 1 : 0;
    }
    assertThat(good).isGreaterThan(17);
  }

  /** The error of the instrument is that of its specification, or of a range left wrong. */
  @Test
  void anInstrumentReadsAsItIsSpecified() {
    Proof proof =
        new Proof("p", "p", "resistor", 1e4, 1, "0.5%+2@1", "", List.of(), false, List.of());
    int wrongRange = 0;
    for (int seed = 0; seed < 200; seed++) {
      double reads = new PracticeInstrument(seed).reads(proof);
      boolean tenth = Math.abs(reads - 1e3) < 40;
      wrongRange += tenth ? 1 : 0;
      assertThat(tenth || Math.abs(reads - 1e4) < 400).as("%s", reads).isTrue();
    }
    assertThat(wrongRange).isBetween(8, 50);
    Calibration calibration =
        new Calibration(
            "c",
            "c",
            List.of(new Calibration.Step(Calibration.Doing.SHORT, "", "", 0, "Ω", 0.2, 3, 0)),
            List.of());
    PracticeInstrument one = new PracticeInstrument(1);
    assertThat(one.reads(calibration, 1, 0)).isEqualTo(one.reads(calibration, 1, 0));
    assertThat(one.reads(calibration, 1, 0)).isNotEqualTo(one.reads(calibration, 1, 1));
  }
}
