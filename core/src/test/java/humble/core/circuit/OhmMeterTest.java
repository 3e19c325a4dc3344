package humble.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class OhmMeterTest {
  private static Parts board() {
    return KitMaker.kit()
        .resistor("R1", "10k")
        .resistor("R2", "10k")
        .resistor("R3", "470")
        .line("led", PartKind.LED, "", "led-3", null, "LED1")
        .line("c", PartKind.CAPACITOR, "100n", "disc-5", null, "C1")
        .line("b", PartKind.BATTERY, "", "coin-holder", new Model.Battery(3, 12, 220, 2.2), "BT1")
        .line(
            "s",
            PartKind.SWITCH,
            "",
            "slide-3",
            new Model.Switch(List.of(List.of("1", "2")), false),
            "S1")
        .line(
            "u",
            PartKind.IC,
            "",
            "dip-8",
            new Model.Load("8", "4", 20, 2.7, Map.of("1", 25.0)),
            "U1")
        .net("5V", "R1.1", "R2.1", "R3.1", "U1.8", "BT1.+", "S1.1", "C1.1")
        .net("GND", "R1.2", "R2.2", "LED1.k", "U1.4", "BT1.-", "C1.2")
        .net("L", "R3.2", "LED1.a", "U1.1")
        .net("SW", "S1.2")
        .supply("usb", 5, 500, "5V", "GND")
        .state(KitMaker.state("on", "usb", List.of(), List.of(), Map.of("U1.1", "high")))
        .state(KitMaker.state("closed", "usb", List.of(), List.of("S1"), Map.of()))
        .parts();
  }

  private static OhmMeter.Reading between(String state, String red, String black, Fault... faults) {
    Parts parts = board();
    return OhmMeter.between(
        parts, parts.kit().state(state).orElseThrow(), red, black, List.of(faults));
  }

  private static double ohms(OhmMeter.Reading reading) {
    return ((OhmMeter.Reading.Ohms) reading).ohms();
  }

  @Test
  void twoEqualResistorsReadHalfAndNothingElseConducts() {
    // Battery out, chip asleep at 0.2 V, its output off, the LED off; of the chip's own diode a
    // leak is left, and 0.6 µA of its 0.2 V forwards.
    assertThat(ohms(between("on", "5V", "GND"))).isCloseTo(5000, within(10.0));
    assertThat(ohms(between("on", "GND", "5V"))).isCloseTo(4925, within(15.0));
    assertThat(ohms(between("on", "5V", "L"))).isCloseTo(470, within(0.5));
  }

  @Test
  void anOpenSwitchIsOpenAndAClosedOneIsNot() {
    assertThat(between("on", "5V", "SW")).isEqualTo(new OhmMeter.Reading.Open());
    assertThat(ohms(between("closed", "5V", "SW"))).isLessThan(0.01);
  }

  @Test
  void faultsShow() {
    assertThat(ohms(between("on", "5V", "GND", Fault.parse("open:R1.1").orElseThrow())))
        .isCloseTo(10_000, within(20.0));
    Fault bridge = Fault.parse("short:C1.1-C1.2").orElseThrow();
    assertThat(ohms(between("on", "5V", "GND", bridge))).isLessThan(0.01);
  }

  @Test
  void anUnknownNetIsNamed() {
    assertThatThrownBy(() -> between("on", "5V", "12V"))
        .isInstanceOf(CircuitInput.class)
        .hasMessageContaining("'12V'");
  }
}
