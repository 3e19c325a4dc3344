package humble.core.kit;

import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.List;

/** The model a part has when its kit gives none. */
final class UsualModel {
  private UsualModel() {}

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
