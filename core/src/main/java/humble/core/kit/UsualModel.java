package humble.core.kit;

import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.List;

/** What a part of a kind is when nothing is said of it: its model, and the case it comes in. */
public final class UsualModel {
  private UsualModel() {}

  /**
   * The case that parts of a kind usually come in.
   *
   * @param id the built-in package
   * @param confidence how sure that is, 0 to 1
   * @param others packages that are likely too
   */
  public record Case(String id, double confidence, List<String> others) {
    public Case {
      others = List.copyOf(others);
    }

    private static Case of(double confidence, String id, String... others) {
      return new Case(id, confidence, List.of(others));
    }
  }

  /** Gives the case that parts of a kind usually come in. */
  public static Case caseOf(PartKind kind) {
    return switch (kind) {
      case RESISTOR, LINK, JUMPER, WIRE -> Case.of(0.6, "axial-quarter-watt", "axial-half-watt");
      case CAPACITOR -> Case.of(0.5, "disc-5", "disc-2.5", "film-5");
      case CAPACITOR_POLARISED ->
          Case.of(0.5, "radial-5x11", "radial-6x11", "radial-8x12", "radial-10x16");
      case INDUCTOR, FERRITE, COIL -> Case.of(0.5, "axial-quarter-watt", "axial-half-watt");
      case DIODE, ZENER -> Case.of(0.6, "axial-small-glass", "axial-power-diode");
      case LED, LED_SMART, LASER -> Case.of(0.6, "led-5", "led-3");
      case TRANSISTOR_NPN, TRANSISTOR_PNP -> Case.of(0.8, "half-round-3", "tab-3-upright");
      case MOSFET_N, MOSFET_P, REGULATOR, REFERENCE ->
          Case.of(0.5, "half-round-3", "tab-3-upright", "tab-3-lying");
      case CRYSTAL, RESONATOR -> Case.of(0.6, "crystal-low", "crystal-tall");
      case BUTTON -> Case.of(0.8, "tact-6");
      case SWITCH -> Case.of(0.6, "slide-3", "toggle-panel");
      case POTENTIOMETER -> Case.of(0.6, "pot-9", "trimmer-6");
      case TRIMMER -> Case.of(0.8, "trimmer-6", "pot-9");
      case LDR, SENSOR -> Case.of(0.5, "disc-5", "half-round-3");
      case BUZZER, SPEAKER -> Case.of(0.6, "buzzer-12");
      case BATTERY, BATTERY_HOLDER -> Case.of(0.5, "coin-holder");
      case FUSE -> Case.of(0.3, "axial-quarter-watt");
      case IC -> Case.of(0.3, "dip-8", "dip-14", "dip-16", "dip-28", "dip-40-wide");
      case SOCKET ->
          Case.of(0.3, "socket-dip-8", "socket-dip-14", "socket-dip-16", "socket-dip-28");
      case RESISTOR_NETWORK -> Case.of(0.3, "sip-9", "sip-5");
      case HEADER, CONNECTOR -> Case.of(0.3, "header-1x2", "header-1x4", "header-1x6");
      case LED_MATRIX, ENCODER, JOYSTICK, DISPLAY, MODULE, CARD, MECHANICAL, OTHER ->
          Case.of(0.2, "header-1x4", "header-1x6", "header-1x8");
    };
  }

  static Model of(Line line, PartPackage pack) {
    Model given = line.model();
    if (given != null) {
      return given;
    }
    return switch (line.kind()) {
      case RESISTOR ->
          switch (Quantity.parse(line.value())) {
            case QuantityText.Read read -> new Model.Resistor(read.value());
            case QuantityText.Unreadable bad -> new Model.Open();
          };
      case DIODE -> new Model.Junction(0.65, 10, 1.8, false);
      case LED, LASER -> new Model.Junction(2.0, 10, 2.0, true);
      case ZENER ->
          switch (Quantity.parse(line.value())) {
            case QuantityText.Read read -> new Model.Zener(read.value(), 5);
            case QuantityText.Unreadable bad -> new Model.Junction(0.65, 10, 1.8, false);
          };
      case TRANSISTOR_NPN -> new Model.Bipolar(true, 200, "2", "1", "3");
      case TRANSISTOR_PNP -> new Model.Bipolar(false, 200, "2", "1", "3");
      case INDUCTOR, COIL, FERRITE, FUSE, LINK, WIRE -> new Model.Closed();
      case JUMPER -> new Model.Switch(List.of(List.of("1", "2")), false);
      case SWITCH, BUTTON ->
          new Model.Switch(
              pack.id().equals("tact-6") ? List.of(List.of("1", "3")) : List.of(List.of("1", "2")),
              false);
      // Nothing at direct current, or nothing that is the same for every part of the kind.
      case RESISTOR_NETWORK,
          CAPACITOR,
          CAPACITOR_POLARISED,
          LED_SMART,
          LED_MATRIX,
          MOSFET_N,
          MOSFET_P,
          REGULATOR,
          REFERENCE,
          IC,
          SOCKET,
          CRYSTAL,
          RESONATOR,
          POTENTIOMETER,
          TRIMMER,
          ENCODER,
          JOYSTICK,
          SENSOR,
          LDR,
          CONNECTOR,
          HEADER,
          DISPLAY,
          MODULE,
          BUZZER,
          SPEAKER,
          BATTERY,
          BATTERY_HOLDER,
          CARD,
          MECHANICAL,
          OTHER ->
          new Model.Open();
    };
  }
}
