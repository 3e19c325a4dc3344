package humble.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SnapshotTest {
  private static KitMaker lamp(String r1, String r2) {
    return KitMaker.kit()
        .line("j", PartKind.HEADER, "", "header-1x2", null, "J1")
        .resistor("R1", r1)
        .resistor("R2", r2)
        .resistor("R3", "330")
        .line("led", PartKind.LED, "", "led-3", new Model.Junction(2.0, 10, 2.0, true), "LED1")
        .net("5V", "J1.1", "R1.1", "R3.1")
        .net("MID", "R1.2", "R2.1")
        .net("A", "R3.2", "LED1.2")
        .net("GND", "J1.2", "R2.2", "LED1.1")
        .supply("usb", 5, 500, "J1.1", "J1.2")
        .state("on", "usb");
  }

  private static Snapshot board(Parts parts, String... faults) {
    BoardState state = parts.kit().state("on").orElseThrow();
    return new StateSolver(parts, state)
        .with(List.of(faults).stream().map(f -> Fault.parse(f).orElseThrow()).toList())
        .orElseThrow();
  }

  @Test
  void theSpreadFromTolerancesIsThatOfManyBoardsDrawn() {
    Snapshot nominal = board(lamp("1k", "2k").parts());
    Random random = new Random(3);
    double sum = 0;
    double squares = 0;
    double amps = 0;
    double ampSquares = 0;
    int boards = 600;
    for (int i = 0; i < boards; i++) {
      String r1 = Double.toString(1000 * (1 + 0.02 * random.nextGaussian()));
      String r2 = Double.toString(2000 * (1 + 0.02 * random.nextGaussian()));
      Snapshot drawn = board(lamp(r1, r2).parts());
      double volts = drawn.openVolts("MID").orElseThrow();
      sum += volts;
      squares += volts * volts;
      amps += drawn.supplyA();
      ampSquares += drawn.supplyA() * drawn.supplyA();
    }
    double sigma = Math.sqrt(squares / boards - Math.pow(sum / boards, 2));
    assertThat(nominal.sigmaVolts("MID")).isCloseTo(sigma, within(0.12 * sigma));
    // R3 does not vary in the boards drawn: only R1 and R2 move the supply's current here.
    double sigmaA = Math.sqrt(Math.max(0, ampSquares / boards - Math.pow(amps / boards, 2)));
    assertThat(nominal.supplySigmaA()).isGreaterThan(0.9 * sigmaA);
  }

  @Test
  void aVoltmeterLoadsWhatIsHighOhmed() {
    Snapshot board = board(lamp("10M", "10M").parts());
    assertThat(board.openVolts("MID").orElseThrow()).isCloseTo(2.5, within(1e-3));
    // 5 MΩ seen into the divider, 10 MΩ of the meter.
    assertThat(board.meterVolts("MID").orElseThrow()).isCloseTo(2.5 * 10 / 15, within(1e-3));
    assertThat(board.riseOhm("MID")).isCloseTo(5e6, within(50.0));
    assertThat(board.meterVolts("5V", "MID").orElseThrow()).isCloseTo(2.5 * 10 / 15, within(1e-2));
    assertThat(board.meterVolts("5V", "5V").orElseThrow()).isZero();
    assertThat(board.meterVolts("NOWHERE")).isEmpty();
  }

  @Test
  void aMeterOnALiftedCathodeSeesTheSupplyLessWhatTheLightDropsAtSoLittle() {
    Parts parts = lamp("1k", "2k").parts();
    Snapshot lifted = board(parts, "open:LED1.1");
    double volts = lifted.meterVolts("LED1.1").orElseThrow();
    // 0.36 µA through the light: 2 V at 10 mA less 2·25.9 mV a factor e.
    double drop = 2.0 - 2 * 0.0258649 * Math.log(0.01 / (volts / 10e6));
    assertThat(volts).isCloseTo(5 - drop, within(2e-3));
    assertThat(lifted.lit("LED1")).isFalse();
    assertThat(lifted.openVolts("GND").orElseThrow()).isZero();
  }

  @Test
  void heatIsVoltsTimesAmperesAndAllOfItComesFromTheSupply() {
    Parts parts = lamp("1k", "2k").parts();
    Snapshot board = board(parts);
    double heat = 0;
    for (String ref : List.of("R1", "R2", "R3", "LED1")) {
      assertThat(board.watts(ref)).isPositive();
      heat += board.watts(ref);
    }
    assertThat(heat).isCloseTo(5 * board.supplyA(), within(1e-6));
    assertThat(board.watts("R1")).isCloseTo(5.0 / 3 * 5.0 / 3 / 1000, within(1e-6));
    assertThat(board.mostAmps("R1")).isCloseTo(5.0 / 3000, within(1e-7));
  }

  @Test
  void aSupplysOwnJointCutsTheBoardOff() {
    Parts parts = lamp("1k", "2k").parts();
    for (String fault : List.of("open:J1.1", "open:J1.2")) {
      Snapshot off = board(parts, fault);
      assertThat(off.supplyA()).as(fault).isCloseTo(0, within(1e-6));
      assertThat(off.lit("LED1")).as(fault).isFalse();
      assertThat(off.meterVolts("5V").orElseThrow()).as(fault).isCloseTo(0, within(1e-3));
    }
  }

  @Test
  void aBridgedRailStandsAtTheLimitOfTheSupply() {
    Snapshot bridged = board(lamp("1k", "2k").parts(), "short:J1.1-J1.2");
    assertThat(bridged.limited()).isTrue();
    assertThat(bridged.supplyA()).isCloseTo(0.5, within(1e-6));
    assertThat(bridged.supplySigmaA()).isZero();
  }

  @Test
  void aMissingBatteryLeavesGroundWhereItWas() {
    Parts parts =
        KitMaker.kit()
            .line("b", PartKind.BATTERY, "", "coin-holder", new Model.Battery(3, 10, 200, 2), "BT1")
            .resistor("R1", "1k")
            .net("BAT", "BT1.1", "R1.1")
            .net("LOW", "BT1.2", "R1.2")
            .state("on", null)
            .parts();
    assertThat(board(parts).openVolts("BAT").orElseThrow()).isCloseTo(2.97, within(0.01));
    Snapshot without = board(parts, "missing:BT1");
    assertThat(without.openVolts("LOW").orElseThrow()).isZero();
    assertThat(without.meterVolts("BAT").orElseThrow()).isCloseTo(0, within(1e-6));
  }
}
