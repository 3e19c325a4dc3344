package humble.core.mend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import humble.core.KitMaker;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.stock.Meter;
import java.util.List;
import org.junit.jupiter.api.Test;

class TrialTest {
  private static Parts board() {
    return KitMaker.kit()
        .line("j", PartKind.HEADER, "", "header-1x2", null, "J1")
        .resistor("R1", "330")
        .line("l", PartKind.LED, "", "led-3", new Model.Junction(2.0, 10, 2.0, true), "LED1")
        .place("J1", 5, 5)
        .place("R1", 20, 5)
        .place("LED1", 20, 15)
        .net("5V", "J1.1", "R1.1")
        .net("A", "R1.2", "LED1.a")
        .net("GND", "LED1.k", "J1.2")
        .supply("usb", 5, 100, "J1.1", "J1.2")
        .state("on", "usb")
        .parts();
  }

  private static List<Trial> after(String... readings) {
    Parts parts = board();
    BoardState on = parts.kit().state("on").orElseThrow();
    Predictions predictions =
        new Predictions(parts, on, Suspects.of(parts, on, Habits.usual()), () -> false);
    List<Observation> observations =
        java.util.Arrays.stream(readings)
            .map(text ->
                Observation.reading(text, parts, on)
                    .or(() -> Observation.seen(text, parts))
                    .orElseThrow())
            .toList();
    return Trial.ranked(parts, new Diagnosis(predictions, Meter.USUAL).after(observations));
  }

  /** Whoever knows that one of two equally likely joints is it learns most of a bit by the iron. */
  @Test
  void whatATrialTellsIsTheInformationOfAChannelThatMayMiss() {
    assertThat(Trial.bits(0.5, 1)).isCloseTo(1, offset(1e-12));
    assertThat(Trial.bits(1, 0.9)).isCloseTo(0, offset(1e-12));
    assertThat(Trial.bits(0, 0.9)).isZero();
    // H(0.25) - 0.5 H(0.5) = 0.8113 - 0.5
    assertThat(Trial.bits(0.5, 0.5)).isCloseTo(0.3113, offset(1e-4));
  }

  @Test
  void theyAreRankedTogetherByWhatTheyDecidePerMinute() {
    List<Trial> all = after("dark:LED1");
    assertThat(all)
        .isSortedAccordingTo((a, b) -> Double.compare(b.bitsPerMinute(), a.bitsPerMinute()));
    assertThat(all.getFirst().act()).isEqualTo(Trial.Act.MEASURE);
    assertThat(all).extracting(Trial::act).contains(Trial.Act.REHEAT);
    assertThat(all).filteredOn(t -> t.act() == Trial.Act.MEASURE).hasSize(1);
  }

  /**
   * With 5 V at the light and none of it lit only joints of the light, its way and its death are
   * left.
   */
  @Test
  void whenNothingIsLeftToMeasureTheIronIsFirst() {
    List<Trial> all = after("dark:LED1", "V(A)=5.00", "I(usb)=0");
    assertThat(all).isNotEmpty();
    assertThat(all)
        .filteredOn(t -> t.act() == Trial.Act.REHEAT)
        .extracting(Trial::what)
        .startsWith("LED1.1", "LED1.2");
  }
}
