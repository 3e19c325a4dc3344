package humble.core.mend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.KitMaker;
import humble.core.circuit.Cancelled;
import humble.core.circuit.Fault;
import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.stock.Meter;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class TwoFaultsTest {
  private final Parts lamps = lamps();
  private final BoardState on = lamps.kit().state("on").orElseThrow();
  private final Diagnosis diagnosis =
      new Diagnosis(
          new Predictions(lamps, on, Suspects.of(lamps, on, Habits.usual()), () -> false),
          Meter.USUAL);

  /** Four lamps of one supply, each with a resistor of its own. */
  private static Parts lamps() {
    KitMaker kit = KitMaker.kit().line("j", PartKind.HEADER, "", "header-1x2", null, "J1");
    List<String> plus = new ArrayList<>(List.of("J1.1"));
    List<String> minus = new ArrayList<>(List.of("J1.2"));
    for (int i = 1; i <= 4; i++) {
      kit.resistor("R" + i, "330")
          .line("led" + i, PartKind.LED, "", "led-3", new Model.Junction(2, 10, 2, true), "LED" + i)
          .net("A" + i, "R" + i + ".2", "LED" + i + ".2");
      plus.add("R" + i + ".1");
      minus.add("LED" + i + ".1");
    }
    return kit.net("5V", plus.toArray(String[]::new))
        .net("GND", minus.toArray(String[]::new))
        .supply("usb", 5, 500, "J1.1", "J1.2")
        .state("on", "usb")
        .parts();
  }

  private List<Observation> of(String... texts) {
    List<Observation> observations = new ArrayList<>();
    for (String text : texts) {
      observations.add(
          Observation.reading(text, lamps, on)
              .or(() -> Observation.seen(text, lamps))
              .orElseThrow());
    }
    return observations;
  }

  private static String volts(Snapshot board, String net) {
    return String.format(
        java.util.Locale.ROOT, "V(%s)=%.3f", net, board.meterVolts(net).orElseThrow());
  }

  @Test
  void twoLampsTheWrongWayRoundAreFoundTogether() {
    Fault first = Fault.parse("reversed:LED1").orElseThrow();
    Fault second = Fault.parse("reversed:LED3").orElseThrow();
    Snapshot board = new StateSolver(lamps, on).with(List.of(first, second)).orElseThrow();
    List<Observation> seen =
        of(
            "dark:LED1",
            "lit:LED2",
            "dark:LED3",
            "lit:LED4",
            volts(board, "A1"),
            volts(board, "A3"),
            String.format(java.util.Locale.ROOT, "I(usb)=%.4f", board.supplyA()));

    assertThat(diagnosis.after(seen).explained()).isFalse();
    List<TwoFaults.Pair> pairs = diagnosis.pairs(seen, () -> false);
    assertThat(pairs).isNotEmpty();
    assertThat(pairs.getFirst().text())
        .contains("LED1")
        .contains("LED3")
        .contains(TwoFaults.SEPARATOR)
        .doesNotContain("LED2")
        .doesNotContain("LED4");
    assertThat(pairs.stream().mapToDouble(TwoFaults.Pair::belief).sum()).isLessThan(1 + 1e-9);
    assertThat(pairs).isSortedAccordingTo((a, b) -> Double.compare(b.belief(), a.belief()));
  }

  @Test
  void whatCannotBeIsNotExplainedByTwoEither() {
    assertThat(diagnosis.pairs(of("V(5V)=5.00", "V(A1)=9.00", "dark:LED2"), () -> false)).isEmpty();
  }

  @Test
  void whoeverLeavesNeedNotWaitForThem() {
    List<Observation> seen = of("dark:LED1", "dark:LED3");
    assertThatThrownBy(() -> diagnosis.pairs(seen, () -> true)).isInstanceOf(Cancelled.class);
  }

  @Test
  void aFaultNamesItsParts() {
    assertThat(Fault.parse("short:U1.9-U2.1").orElseThrow().refs()).containsExactly("U1", "U2");
    assertThat(Fault.parse("swapped:R1-R2").orElseThrow().refs()).containsExactly("R1", "R2");
    assertThat(Fault.parse("value:R3=1k").orElseThrow().refs()).containsExactly("R3");
    assertThat(Fault.parse("open:R3.2").orElseThrow().refs()).containsExactly("R3");
  }
}
