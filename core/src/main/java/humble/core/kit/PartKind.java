package humble.core.kit;

import java.util.Locale;
import java.util.Optional;

/**
 * The kinds of part a kit may list, each with what is true of it: which way round it goes and what
 * its value counts in.
 */
public enum PartKind {
  RESISTOR(Way.EITHER, "Ω"),
  RESISTOR_NETWORK(Way.PIN_1, ""),
  CAPACITOR(Way.EITHER, "F"),
  CAPACITOR_POLARISED(Way.PLUS_FIRST, "F"),
  INDUCTOR(Way.EITHER, "H"),
  COIL(Way.EITHER, "H"),
  FERRITE(Way.EITHER, ""),
  DIODE(Way.CATHODE_FIRST, ""),
  ZENER(Way.CATHODE_FIRST, "V"),
  LED(Way.CATHODE_FIRST, ""),
  LED_SMART(Way.PIN_1, ""),
  LED_MATRIX(Way.PIN_1, ""),
  LASER(Way.CATHODE_FIRST, ""),
  TRANSISTOR_NPN(Way.THREE_LEGS, ""),
  TRANSISTOR_PNP(Way.THREE_LEGS, ""),
  MOSFET_N(Way.THREE_LEGS, ""),
  MOSFET_P(Way.THREE_LEGS, ""),
  REGULATOR(Way.THREE_LEGS, "V"),
  REFERENCE(Way.THREE_LEGS, ""),
  IC(Way.PIN_1, ""),
  SOCKET(Way.PIN_1, ""),
  CRYSTAL(Way.EITHER, "Hz"),
  RESONATOR(Way.EITHER, ""),
  SWITCH(Way.EITHER, ""),
  BUTTON(Way.EITHER, ""),
  POTENTIOMETER(Way.EITHER, "Ω"),
  TRIMMER(Way.EITHER, "Ω"),
  ENCODER(Way.EITHER, ""),
  JOYSTICK(Way.EITHER, ""),
  SENSOR(Way.PIN_1, ""),
  LDR(Way.EITHER, ""),
  CONNECTOR(Way.EITHER, ""),
  HEADER(Way.EITHER, ""),
  DISPLAY(Way.PIN_1, ""),
  MODULE(Way.PIN_1, ""),
  BUZZER(Way.PLUS_FIRST, ""),
  SPEAKER(Way.EITHER, ""),
  BATTERY(Way.PLUS_FIRST, ""),
  BATTERY_HOLDER(Way.PLUS_FIRST, ""),
  FUSE(Way.EITHER, ""),
  JUMPER(Way.EITHER, ""),
  LINK(Way.EITHER, ""),
  CARD(Way.PIN_1, ""),
  WIRE(Way.EITHER, ""),
  MECHANICAL(Way.EITHER, ""),
  OTHER(Way.EITHER, "");

  /** Which way round a part goes. */
  public enum Way {
    /** Either way; what a connector's own marks say stands with its line. */
    EITHER,
    /** Lead 1 is the cathode, lead 2 the anode. */
    CATHODE_FIRST,
    /** Lead 1 is plus, lead 2 minus. */
    PLUS_FIRST,
    /** Three legs decide what it does. */
    THREE_LEGS,
    /** Pin 1 goes to pin 1. */
    PIN_1
  }

  private final Way way;
  private final String unit;

  PartKind(Way way, String unit) {
    this.way = way;
    this.unit = unit;
  }

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

  /** Gives which way round it goes. */
  public Way way() {
    return way;
  }

  /** Gives the unit its value counts in; empty where its value is a name. */
  public String unit() {
    return unit;
  }

  /** Tells whether lead 1 is the cathode and lead 2 the anode. */
  public boolean isDiode() {
    return way == Way.CATHODE_FIRST;
  }

  /** Tells whether lead 1 is plus and lead 2 minus. */
  public boolean hasPlus() {
    return way == Way.PLUS_FIRST;
  }

  /** Tells whether three legs decide its function, so that it may be reversed. */
  public boolean isThreeLegged() {
    return way == Way.THREE_LEGS;
  }

  /** Tells whether the part has a right way round at all. */
  public boolean isOriented() {
    return way != Way.EITHER;
  }
}
