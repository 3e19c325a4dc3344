package humble.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.kit.Says;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class MultiplexTest {
  private static final Model LIGHT = new Model.Junction(2.0, 10, 2.0, true);
  private static final Model CHIP =
      new Model.Load("8", "4", 2, 2.7, Map.of("1", 25.0, "2", 25.0, "3", 25.0, "5", 25.0));

  private static Peripheral.Matrix matrix(List<Peripheral.Light> lights, String... lines) {
    return new Peripheral.Matrix(
        new Peripheral.Named("lamps", "U1", List.of(), Says.NOTHING), lights, List.of(lines), 5, 2);
  }

  /** Two rows of two lights, a resistor in each row. */
  private static Parts rows() {
    return KitMaker.kit()
        .line("u", PartKind.IC, "", "dip-8", CHIP, "U1")
        .line("led", PartKind.LED, "", "led-3", LIGHT, "LED1", "LED2", "LED3", "LED4")
        .resistor("R1", "330")
        .resistor("R2", "330")
        .net("5V", "U1.8")
        .net("GND", "U1.4")
        .net("A", "U1.1", "R1.1")
        .net("B", "U1.2", "R2.1")
        .net("ROWA", "R1.2", "LED1.2", "LED2.2")
        .net("ROWB", "R2.2", "LED3.2", "LED4.2")
        .net("C1", "U1.3", "LED1.1", "LED3.1")
        .net("C2", "U1.5", "LED2.1", "LED4.1")
        .supply("usb", 5, 500, "5V", "GND")
        .state("idle", "usb")
        .state("bare", "usb", "U1")
        .peripheral(
            matrix(
                List.of(
                    new Peripheral.Light("U1.1", "U1.3", "LED1"),
                    new Peripheral.Light("U1.1", "U1.5", "LED2"),
                    new Peripheral.Light("U1.2", "U1.3", "LED3"),
                    new Peripheral.Light("U1.2", "U1.5", "LED4")),
                "U1.1",
                "U1.2",
                "U1.3",
                "U1.5"))
        .parts();
  }

  @Test
  void oneRowLitAtATimeCountsAsOneRow() {
    Parts parts = rows();
    BoardState idle = parts.kit().state("idle").orElseThrow();
    Multiplex scan = Multiplex.of(parts, idle).getFirst();
    double oneRow =
        new StateSolver(parts, idle.withDrive(Map.of("U1.1", "high", "U1.3", "low", "U1.5", "low")))
                .asDesigned()
                .orElseThrow()
                .supplyA()
            * 1000;
    double bothRows =
        new StateSolver(
                    parts,
                    idle.withDrive(
                        Map.of("U1.1", "high", "U1.2", "high", "U1.3", "low", "U1.5", "low")))
                .asDesigned()
                .orElseThrow()
                .supplyA()
            * 1000;
    assertThat(scan.meanMa()).isCloseTo(oneRow, within(1e-6));
    assertThat(scan.mostMa()).isCloseTo(oneRow, within(1e-6)).isLessThan(0.7 * bothRows);
    assertThat(scan.lineMa()).isCloseTo(oneRow - 2, within(0.01));
  }

  @Test
  void linesThatAreAnodeAndCathodeByTurnsLightOneAtATime() {
    Parts parts =
        KitMaker.kit()
            .line("u", PartKind.IC, "", "dip-8", CHIP, "U1")
            .line("led", PartKind.LED, "", "led-3", LIGHT, "LED1", "LED2", "LED3")
            .resistor("R1", "100")
            .resistor("R2", "100")
            .resistor("R3", "100")
            .net("5V", "U1.8")
            .net("GND", "U1.4")
            .net("A", "U1.1", "R1.1")
            .net("B", "U1.2", "R2.1")
            .net("C", "U1.3", "R3.1")
            .net("LA", "R1.2", "LED1.2", "LED2.1", "LED3.2")
            .net("LB", "R2.2", "LED1.1", "LED2.2")
            .net("LC", "R3.2", "LED3.1")
            .supply("usb", 5, 500, "5V", "GND")
            .state("idle", "usb")
            .peripheral(
                matrix(
                    List.of(
                        new Peripheral.Light("U1.1", "U1.2", "LED1"),
                        new Peripheral.Light("U1.2", "U1.1", "LED2"),
                        new Peripheral.Light("U1.1", "U1.3", "LED3")),
                    "U1.1",
                    "U1.2",
                    "U1.3"))
            .parts();
    Multiplex scan = Multiplex.of(parts, parts.kit().state("idle").orElseThrow()).getFirst();
    // (5 − 2.05) V over two resistors of 100 Ω and two outputs of 25 Ω, and 2 mA for the chip.
    assertThat(scan.mostMa()).isCloseTo(2 + 11.8, within(0.3));
    assertThat(scan.meanMa()).isCloseTo(scan.mostMa(), within(0.05));
  }

  @Test
  void withoutTheChipNothingIsScanned() {
    Parts parts = rows();
    assertThat(Multiplex.of(parts, parts.kit().state("bare").orElseThrow())).isEmpty();
  }
}
