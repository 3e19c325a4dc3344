package humble.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import java.util.List;
import org.junit.jupiter.api.Test;

class CircuitSenseTest {
  private static List<String> findings(KitMaker kit) {
    return KitCheck.of(kit.make()).stream().map(Finding::toString).toList();
  }

  @Test
  void aShortedSourceIsNamedWithTheParts() {
    assertThat(
            findings(
                KitMaker.kit()
                    .resistor("R1", "1k")
                    .line("f", PartKind.FUSE, "", "axial-quarter-watt", null, "F1", "F2")
                    .net("IN", "F1.1", "R1.1")
                    .net("A", "F1.2", "F2.1")
                    .net("GND", "F2.2", "R1.2")
                    .supply("usb", 5, 500, "IN", "GND")))
        .anyMatch(text ->
            text.contains("The supply 'usb' is shorted")
                && text.contains("joined to net GND by F1, F2"));
  }

  @Test
  void aFloatingSupplyIsNamedWithItsNet() {
    assertThat(
            findings(
                KitMaker.kit()
                    .resistor("R1", "1k")
                    .line("j", PartKind.HEADER, "", "header-1x2", null, "J1")
                    .net("IN", "J1.1", "R1.1")
                    .net("OUT", "R1.2")
                    .net("BACK", "J1.2")
                    .supply("usb", 5, 500, "J1.1", "J1.2")))
        .anyMatch(text -> text.contains("'usb' floats") && text.contains("net BACK"));
  }

  @Test
  void aChipWithoutAModelIsNamedAndASoundKitSaysNothing() {
    KitMaker kit =
        KitMaker.kit()
            .resistor("R1", "1k")
            .line("u", PartKind.IC, "", "dip-8", null, "U1")
            .net("IN", "R1.1", "U1.8")
            .net("GND", "R1.2", "U1.4")
            .supply("usb", 5, 500, "IN", "GND");
    assertThat(findings(kit)).anyMatch(text -> text.contains("U1 has no electrical model"));
    assertThat(
            findings(
                KitMaker.kit()
                    .resistor("R1", "1k")
                    .net("IN", "R1.1")
                    .net("GND", "R1.2")
                    .supply("usb", 5, 500, "IN", "GND")))
        .noneMatch(text -> text.contains("supply") || text.contains("model"));
  }
}
