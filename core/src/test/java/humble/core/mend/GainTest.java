package humble.core.mend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.stock.Meter;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class GainTest {
  private final Parts board =
      KitMaker.kit()
          .line("j", PartKind.HEADER, "", "header-1x2", null, "J1")
          .resistor("R1", "1k")
          .resistor("R2", "2k")
          .line("led", PartKind.LED, "", "led-3", new Model.Junction(2.0, 10, 2.0, true), "LED1")
          .net("5V", "J1.1", "R1.1")
          .net("MID", "R1.2", "R2.1", "LED1.2")
          .net("GND", "J1.2", "R2.2", "LED1.1")
          .supply("usb", 5, 500, "J1.1", "J1.2")
          .state("on", "usb")
          .parts();
  private final BoardState on = board.kit().state("on").orElseThrow();
  private final Predictions predictions =
      new Predictions(board, on, Suspects.of(board, on, Habits.usual()), () -> false);
  private static final Meter METER = Meter.parse("0.5%+2@1m").orElseThrow();

  private Gain among(String... names) {
    double[] belief = new double[predictions.suspects().size()];
    Integer[] order = new Integer[belief.length];
    for (int s = 0; s < belief.length; s++) {
      order[s] = s;
      boolean one = List.of(names).contains(predictions.suspects().get(s).name());
      belief[s] = one ? 1.0 / names.length : 0;
    }
    Arrays.sort(order, (a, b) -> Double.compare(belief[b], belief[a]));
    return new Gain(new Likelihood(predictions, METER), belief, order);
  }

  @Test
  void twoThatReadFarApartAreWorthOneBitAndFourTwo() {
    assertThat(among("open:R1.2", "missing:LED1").bits(new Measure.Volts("MID")))
        .isCloseTo(1, within(0.01));
    assertThat(
            among("open:R1.2", "missing:LED1", "short:LED1.1-LED1.2", "value:R1=10k")
                .bits(new Measure.Volts("MID")))
        .isBetween(1.4, 2.01);
  }

  @Test
  void twoThatReadTheSameAreWorthNothing() {
    assertThat(among("missing:LED1", "dead:LED1").bits(new Measure.Volts("MID")))
        .isCloseTo(0, within(1e-6));
    assertThat(among("missing:LED1", "dead:LED1").bits(new Measure.Look("LED1")))
        .isCloseTo(0, within(1e-6));
  }

  @Test
  void aLookIsWorthLessThanAReadingForEyesAreNotSure() {
    double look = among("missing:LED1", "value:R2=20k").bits(new Measure.Look("LED1"));
    assertThat(look).isBetween(0.7, 0.99);
  }

  @Test
  void noMeasurementIsWorthMoreThanWhatIsNotKnownYet() {
    Diagnosis diagnosis = new Diagnosis(predictions, METER);
    double entropy = 0;
    for (Suspect suspect : predictions.suspects()) {
      entropy -= suspect.prior() * Math.log(suspect.prior()) / Math.log(2);
    }
    Diagnosis.Next next = diagnosis.after(List.of()).next().orElseThrow();
    assertThat(next.gainBits()).isBetween(0.0, entropy);
  }

  @Test
  void whatNoProbeReachesIsNotAdvised() {
    Diagnosis diagnosis = new Diagnosis(predictions, METER);
    Measure first = diagnosis.after(List.of()).next().orElseThrow().measure();
    Measure second = diagnosis.after(List.of(), Set.of(first)).next().orElseThrow().measure();
    assertThat(second).isNotEqualTo(first);
    assertThat(diagnosis.available(List.of())).contains(first, second).doesNotHaveDuplicates();
  }
}
