package humble.core.kit;

import java.util.Locale;
import java.util.Optional;

/** The kinds of part a kit may list. */
public enum PartKind {
  RESISTOR,
  RESISTOR_NETWORK,
  CAPACITOR,
  CAPACITOR_POLARISED,
  INDUCTOR,
  COIL,
  FERRITE,
  DIODE,
  ZENER,
  LED,
  LED_SMART,
  LED_MATRIX,
  LASER,
  TRANSISTOR_NPN,
  TRANSISTOR_PNP,
  MOSFET_N,
  MOSFET_P,
  REGULATOR,
  REFERENCE,
  IC,
  SOCKET,
  CRYSTAL,
  RESONATOR,
  SWITCH,
  BUTTON,
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
  FUSE,
  JUMPER,
  LINK,
  CARD,
  WIRE,
  MECHANICAL,
  OTHER;

  /** Gives the kind of that name in a kit file, such as {@code capacitor-polarised}. */
  public static Optional<PartKind> named(String name) {
    for (PartKind kind : values()) {
      if (kind.text().equals(name)) {
        return Optional.of(kind);
      }
    }
    return Optional.empty();
  }

  /** Gives the name used in kit files. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** Tells whether lead 1 is the cathode and lead 2 the anode. */
  public boolean isDiode() {
    return this == DIODE || this == ZENER || this == LED || this == LASER;
  }

  /** Tells whether lead 1 is plus and lead 2 minus. */
  public boolean hasPlus() {
    return this == CAPACITOR_POLARISED
        || this == BUZZER
        || this == BATTERY
        || this == BATTERY_HOLDER;
  }

  /** Tells whether three legs decide its function, so that it may be reversed. */
  public boolean isThreeLegged() {
    return switch (this) {
      case TRANSISTOR_NPN, TRANSISTOR_PNP, MOSFET_N, MOSFET_P, REGULATOR, REFERENCE -> true;
      default -> false;
    };
  }

  /** Tells whether the part has a right way round at all. */
  public boolean isOriented() {
    return switch (this) {
      case IC, SOCKET, DISPLAY, MODULE, CARD, SENSOR, RESISTOR_NETWORK, LED_SMART, LED_MATRIX ->
          true;
      default -> isDiode() || hasPlus() || isThreeLegged();
    };
  }
}
