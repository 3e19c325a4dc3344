package humble.core.trim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.function.ToDoubleFunction;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Which setting is tried next, held to instruments that know nothing of bowls. */
class TrimmerTest {
  private static List<Knob> knobs(int n, double step) {
    List<Knob> all = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      all.add(new Knob("T" + i, 0, 1, step));
    }
    return all;
  }

  private static double[] array(List<Double> at) {
    return at.stream().mapToDouble(each -> each).toArray();
  }

  /** What came of a search. */
  private record End(int tries, double[] at, TrimAdvice last, TrimState state) {}

  private static End search(TrimState from, ToDoubleFunction<double[]> reads, int most) {
    TrimState state = from;
    for (int tries = 1; ; tries++) {
      TrimAdvice advice = Trimmer.advise(state);
      double[] at = array(advice.next());
      if (advice.stop() || tries > most) {
        return new End(tries, at, advice, state);
      }
      state = state.with(new TrimState.Try(advice.next(), reads.applyAsDouble(at)));
    }
  }

  private static double shown(double value, double step) {
    return Math.max(0, Math.round(value / step) * step);
  }

  /** The amplitude of two or more parts, each pulled at by every screw. */
  private static ToDoubleFunction<double[]> nullAt(double[] least, double[][] pulls, double step) {
    return at -> {
      double sum = 0;
      for (double[] pull : pulls) {
        double part = 0;
        for (int j = 0; j < at.length; j++) {
          part += pull[j] * (at[j] - least[j]);
        }
        sum += part * part;
      }
      return step > 0 ? shown(4 * Math.sqrt(sum), step) : 4 * Math.sqrt(sum);
    };
  }

  @Test
  void twoScrewsThatPullAtEachOtherAreDoneInADozenTries() {
    double[] least = {0.31, 0.68};
    double[][] pulls = {{1, 0.8}, {0.7, 1}};
    End end =
        search(
            new TrimState(knobs(2, 0.001), "V", Goal.MIN, 0.01, 0, List.of()),
            nullAt(least, pulls, 0.01),
            60);
    assertThat(nullAt(least, pulls, 0).applyAsDouble(end.at())).isLessThanOrEqualTo(0.01);
    assertThat(end.tries()).isLessThanOrEqualTo(14);
    assertThat(end.last().stop()).isTrue();
  }

  @Test
  void oneScrewAndFourAreTrimmedToo() {
    End one =
        search(
            new TrimState(knobs(1, 0.001), "V", Goal.MIN, 0.01, 0, List.of()),
            nullAt(new double[] {0.83}, new double[][] {{1}}, 0.01),
            30);
    assertThat(one.at()[0]).isBetween(0.82, 0.84);
    double[] least = {0.3, 0.6, 0.45, 0.7};
    double[][] pulls = {{1, 0.3, 0, 0.2}, {0.2, 1, 0.4, 0}, {0, 0.3, 1, 0.3}, {0.4, 0, 0.2, 1}};
    End four =
        search(
            new TrimState(knobs(4, 0.001), "V", Goal.MIN, 0.02, 0, List.of()),
            nullAt(least, pulls, 0.02),
            120);
    assertThat(nullAt(least, pulls, 0).applyAsDouble(four.at())).isLessThanOrEqualTo(0.04);
    assertThat(four.tries()).isLessThan(50);
  }

  @Test
  void theMostIsFoundAndAValueIsReached() {
    ToDoubleFunction<double[]> hill =
        at -> 5 - 3 * Math.pow(at[0] - 0.7, 2) - 2 * Math.pow(at[1] - 0.2, 2);
    End top = search(new TrimState(knobs(2, 0.01), "V", Goal.MAX, 0.005, 0, List.of()), hill, 40);
    assertThat(hill.applyAsDouble(top.at())).isGreaterThan(4.99);
    ToDoubleFunction<double[]> rate = at -> 2 + 5 * at[0];
    End reached =
        search(
            new TrimState(
                List.of(new Knob("T", 0, 1, 0)), "Hz", new Goal.Reach(5), 0.001, 0, List.of()),
            rate,
            30);
    assertThat(rate.applyAsDouble(reached.at())).isBetween(4.998, 5.002);
  }

  /** Left and gone on with, it is as if it had not been left: it holds nothing. */
  @Test
  void theSameTriesGiveTheSameAdvice() {
    ToDoubleFunction<double[]> reads =
        nullAt(new double[] {0.4, 0.3}, new double[][] {{1, 0.5}, {0.2, 1}}, 0.01);
    TrimState state = new TrimState(knobs(2, 0.001), "V", Goal.MIN, 0.01, 0.002, List.of());
    for (int i = 0; i < 12; i++) {
      TrimAdvice advice = Trimmer.advise(state);
      TrimState again =
          new TrimState(state.knobs(), "V", Goal.MIN, 0.01, 0.002, new ArrayList<>(state.tries()));
      assertThat(Trimmer.advise(again)).isEqualTo(advice);
      state =
          state.with(new TrimState.Try(advice.next(), reads.applyAsDouble(array(advice.next()))));
    }
  }

  /** Large or small, readings are weighed alike. */
  @Test
  void theSizeOfTheReadingsDoesNotMatter() {
    TrimState plain = new TrimState(knobs(2, 0.001), "V", Goal.MIN, 0.01, 0, List.of());
    TrimState vast = new TrimState(knobs(2, 0.001), "V", Goal.MIN, 0.01e200, 0, List.of());
    ToDoubleFunction<double[]> reads =
        nullAt(new double[] {0.4, 0.3}, new double[][] {{1, 0.5}, {0.2, 1}}, 0.01);
    for (int i = 0; i < 10; i++) {
      List<Double> next = Trimmer.advise(plain).next();
      assertThat(Trimmer.advise(vast).next()).isEqualTo(next);
      plain = plain.with(new TrimState.Try(next, reads.applyAsDouble(array(next))));
      vast = vast.with(new TrimState.Try(next, reads.applyAsDouble(array(next)) * 1e200));
    }
  }

  /** Round the middle first; twice as far where it was better, the other side where it was not. */
  @Test
  void theFirstTriesGoDownhill() {
    TrimState state = new TrimState(knobs(2, 0), "V", Goal.MIN, 0.01, 0, List.of());
    TrimState better =
        state
            .with(new TrimState.Try(List.of(0.5, 0.5), 3))
            .with(new TrimState.Try(List.of(0.75, 0.5), 2));
    assertThat(Trimmer.advise(state).next()).containsExactly(0.5, 0.5);
    assertThat(Trimmer.advise(better).next()).containsExactly(1.0, 0.5);
    TrimState worse =
        state
            .with(new TrimState.Try(List.of(0.5, 0.5), 3))
            .with(new TrimState.Try(List.of(0.75, 0.5), 4));
    assertThat(Trimmer.advise(worse).next()).containsExactly(0.25, 0.5);
  }

  /** A meter that hardly moves is told apart from a null that was reached. */
  @Test
  void aMeterThatShowsTheSameAllRoundWantsMoreSignal() {
    End end = search(new TrimState(knobs(2, 0.01), "bars", Goal.MIN, 1, 0, List.of()), at -> 3, 60);
    assertThat(end.last().stop()).isTrue();
    assertThat(end.last().why().key()).isEqualTo("trim.coarse");
    assertThat(Words.core(Locale.ENGLISH).sentence(end.last().why()))
        .contains("turn the signal up");
  }

  @Test
  void aScrewThatComesToItsEndIsNamed() {
    TrimState state = new TrimState(knobs(1, 0), "V", Goal.MIN, 0.001, 0, List.of());
    End end = search(state, at -> 3 - 2 * at[0], 60);
    assertThat(end.last().stop()).isTrue();
    assertThat(end.last().why().key()).isEqualTo("trim.end");
    assertThat(Words.core(Locale.ENGLISH).sentence(end.last().why())).startsWith("T0 stands");
    assertThat(end.at()[0]).isEqualTo(1.0);
  }

  /** Whatever was read, what is asked for can be set by a hand. */
  @Property(tries = 120)
  void whatIsAskedForCanBeSet(
      @ForAll @IntRange(min = 1, max = 4) int n,
      @ForAll @IntRange(min = 0, max = 40) int tries,
      @ForAll long seed) {
    Random random = new Random(seed);
    List<Knob> knobs = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      double low = random.nextDouble() * 10 - 5;
      knobs.add(new Knob("T" + i, low, low + 0.5 + random.nextDouble() * 100, 0.25));
    }
    TrimState state =
        new TrimState(knobs, "V", Goal.MIN, 0.01, random.nextDouble() * 0.1, List.of());
    for (int k = 0; k < tries; k++) {
      TrimAdvice advice = Trimmer.advise(state);
      for (int i = 0; i < n; i++) {
        Knob knob = knobs.get(i);
        double at = advice.next().get(i);
        assertThat(at).isBetween(knob.low(), knob.high());
        double steps = (at - knob.low()) / knob.step();
        assertThat(Math.abs(steps - Math.round(steps)) < 1e-6 || at == knob.high()).isTrue();
      }
      assertThat(advice.expectedGain()).isFinite().isNotNegative();
      state = state.with(new TrimState.Try(advice.next(), random.nextDouble() * 5 - 1));
    }
  }

  @Test
  void moreThanFourAreNotTrimmedTogether() {
    assertThatThrownBy(
            () -> Trimmer.advise(new TrimState(knobs(5, 0), "V", Goal.MIN, 0, 0, List.of())))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(
            () -> Trimmer.advise(new TrimState(List.of(), "V", Goal.MIN, 0, 0, List.of())))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aNoisyMeterDoesNotKeepAScrewAtItsEnd() {
    Random random = new Random(5);
    TrimState state = new TrimState(knobs(1, 0.001), "V", Goal.MIN, 0.01, 0.004, List.of());
    End end = search(state, at -> shown(3 - 2 * at[0] + 0.004 * random.nextGaussian(), 0.01), 60);
    assertThat(end.last().why().key()).isEqualTo("trim.end");
    assertThat(end.tries()).isLessThan(9);
  }

  /** What improves by less than the meter can show brings nothing. */
  @Test
  void whatCannotBeShownBringsNothing() {
    List<TrimState.Try> tries = new ArrayList<>();
    for (int k = 0; k < 7; k++) {
      tries.add(new TrimState.Try(List.of(k / 10.0), 1 - 0.004 * k));
    }
    assertThat(new Tried(new TrimState(knobs(1, 0), "V", Goal.MIN, 0.05, 0, tries)).idle())
        .isEqualTo(4);
    assertThat(new Tried(new TrimState(knobs(1, 0), "V", Goal.MIN, 0.001, 0, tries)).idle())
        .isZero();
  }

  @Test
  void anEarTellsInOrder() {
    double before = 0;
    for (Ear ear : Ear.values()) {
      assertThat(ear.reads(2)).isGreaterThan(before);
      assertThat(Ear.of(ear.reads(1))).isEqualTo(ear);
      before = ear.reads(2);
    }
    assertThat(Ear.SAME.reads(2)).isEqualTo(2);
  }
}
