package humble.core.practice;

import java.util.Locale;
import java.util.Optional;

/** Something that is read at a bench and can be practised on its own. */
public enum Skill {
  /** Four bands: two digits, a multiplier, a tolerance. */
  BANDS_FOUR,
  /** Five bands: three digits, a multiplier, a tolerance. */
  BANDS_FIVE,
  /** Three figures printed on a capacitor. */
  CODES,
  /** The cathode of a diode or a light, by its stripe or flat. */
  CATHODE,
  /** The plus lead of a polarised can. */
  PLUS,
  /** Pin 1 of a chip from above, by its notch. */
  PIN_ONE,
  /** Pin 1 of a chip among the joints, seen from below. */
  PIN_ONE_BELOW,
  /** A row of switches as octal figures. */
  OCTAL,
  /** A row of switches as hexadecimal figures. */
  HEX,
  /** What a meter reads over two resistors side by side. */
  SIDE_BY_SIDE,
  /** What a meter reads in the middle of a divider. */
  DIVIDER,
  /** What a light behind a resistor takes. */
  LIGHT_CURRENT;

  /** Gives the name that the journal keeps. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** Gives the skill of that name; empty where there is none. */
  public static Optional<Skill> named(String name) {
    for (Skill skill : values()) {
      if (skill.text().equals(name)) {
        return Optional.of(skill);
      }
    }
    return Optional.empty();
  }
}
