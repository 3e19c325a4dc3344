package humble.core.orient;

import humble.core.kit.Model;
import humble.core.kit.Part;

/** What comes of fitting a part the wrong way round. */
public enum Harm {
  HARMLESS,
  DEAD,
  DAMAGE,
  DANGER;

  /** Gives what comes of reversing {@code part}. */
  public static Harm ifReversed(Part part) {
    return switch (part.line().kind()) {
      case CAPACITOR_POLARISED, BATTERY, BATTERY_HOLDER -> DANGER;
      case TRANSISTOR_NPN,
          TRANSISTOR_PNP,
          MOSFET_N,
          MOSFET_P,
          REGULATOR,
          REFERENCE,
          IC,
          DISPLAY,
          MODULE,
          CARD,
          SENSOR,
          LED_SMART,
          LASER ->
          DAMAGE;
      case DIODE, ZENER, LED, LED_MATRIX, RESISTOR_NETWORK, SOCKET -> DEAD;
      case BUZZER -> part.model() instanceof Model.Resistor ? HARMLESS : DEAD;
      default -> HARMLESS;
    };
  }

  /** Tells whether a second, different mark is asked for before the step is done. */
  public boolean needsTwoMarks() {
    return this == DAMAGE || this == DANGER;
  }
}
