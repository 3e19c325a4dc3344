package humble.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.trim.Ear;
import humble.core.trim.Goal;
import humble.core.trim.Knob;
import humble.core.trim.TrimAdvice;
import humble.core.trim.TrimState;
import humble.core.trim.Trimmer;
import humble.core.units.Band;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What a kit says of its trims, calibrations and proofs. */
class TrimTest {
  static Trim nullOf(String id, String ref, String... after) {
    return new Trim(
        id,
        id,
        List.of(new Trim.Screw(new Knob("T1", 0, 1, 0.01), ref, 0.75)),
        new Trim.Reading("J3", "V", Goal.MIN, 0.01, 0, null, Trim.Shown.NUMBER),
        "",
        List.of(after));
  }

  private static Proof proof(String id, String pin) {
    return new Proof(
        id, id, "resistor", 1e4, 1, "", "ref", List.of(pin, "R1.2"), false, List.of("null"));
  }

  @Test
  void whatIsNamedHasToBeThere() {
    Calibration step =
        new Calibration(
            "arms",
            "arms",
            List.of(new Calibration.Step(Calibration.Doing.SHORT, "", "gone", 0, "", 0, 0, 0)),
            List.of("nobody"));
    Kit kit =
        KitMaker.kit()
            .resistor("R1", "1k")
            .net("A", "R1.1")
            .finishing(
                new Finishing(
                    List.of(nullOf("null", "R9"), nullOf("null", "R1", "null")),
                    List.of(step),
                    List.of(proof("k10", "R1.9"))))
            .make();
    assertThat(KitCheck.of(kit).stream().filter(Finding::isError).map(Finding::where))
        .containsExactlyInAnyOrder(
            "kit.json#/trims/0/knobs/0/ref",
            "kit.json#/trims/1/id",
            "kit.json#/trims/1/after",
            "kit.json#/calibrations/0/after",
            "kit.json#/calibrations/0/steps/0/loose",
            "kit.json#/proofs/0/loose",
            "kit.json#/proofs/0/terminals");
    assertThat(kit.finishing().ids()).isEqualTo(Set.of("null", "arms", "k10"));
  }

  @Test
  void onlyAWindowMakesAReadingGoodByItself() {
    Trim without = nullOf("null", "");
    assertThat(without.isGood(0)).isFalse();
    Trim with =
        new Trim(
            "lamp",
            "",
            without.knobs(),
            new Trim.Reading(
                "", "mA", new Goal.Reach(12), 0.1, 0, new Band(11, 13), Trim.Shown.NUMBER),
            "",
            List.of());
    assertThat(with.isGood(11)).isTrue();
    assertThat(with.isGood(13.1)).isFalse();
  }

  /**
   * An ear that tells steps of loudness and wavers brings two screws near their null all the same.
   */
  @Test
  void anEarIsAMeterToo() {
    Trim trim =
        new Trim(
            "hum",
            "",
            List.of(
                new Trim.Screw(new Knob("T1", 0, 1, 0.01), "", 0.75),
                new Trim.Screw(new Knob("T2", 0, 1, 0.01), "", 0.75)),
            new Trim.Reading("the hum", "", Goal.MIN, 0, 0, null, Trim.Shown.EAR),
            "",
            List.of());
    TrimState told =
        trim.state(
            List.of(
                new TrimState.Try(List.of(0.5, 0.5), 1),
                new TrimState.Try(List.of(0.75, 0.5), 0.4)));
    assertThat(told.meterStep()).isEqualTo(Ear.STEP * 0.4);
    assertThat(told.noise()).isEqualTo(Ear.NOISE * 0.4);
    List<Double> ends = new ArrayList<>();
    for (int seed = 0; seed < 40; seed++) {
      Random random = new Random(seed);
      double a = 0.25 + 0.5 * random.nextDouble();
      double b = 0.25 + 0.5 * random.nextDouble();
      List<TrimState.Try> tries = new ArrayList<>();
      double sounds = 0;
      for (int k = 0; k < 40; k++) {
        TrimAdvice advice = Trimmer.advise(trim.state(tries));
        sounds = hum(advice.next(), a, b);
        if (advice.stop()) {
          break;
        }
        TrimState state = trim.state(tries);
        double reads =
            state
                .best()
                .map(best ->
                    Ear.of(
                            (hum(advice.next(), a, b) + 0.01)
                                / (hum(best.at(), a, b) + 0.01)
                                * (1 + 0.08 * random.nextGaussian()))
                        .reads(best.reads()))
                .orElse(Ear.FIRST);
        tries.add(new TrimState.Try(advice.next(), reads));
      }
      ends.add(sounds / hum(List.of(0.5, 0.5), a, b));
    }
    ends.sort(null);
    assertThat(ends.get(20)).as("the middle one").isLessThan(0.2);
  }

  private static double hum(List<Double> at, double a, double b) {
    double one = at.get(0) - a + 0.4 * (at.get(1) - b);
    double two = at.get(1) - b + 0.3 * (at.get(0) - a);
    return Math.hypot(one, two);
  }
}
