package humble.core.orient;

import java.util.Locale;
import java.util.Optional;

/**
 * A mark that tells which way round a part is: what it points at, and how often it tells the truth.
 *
 * <p>The reliabilities are those of the bench, not of a standard: printed and moulded marks are
 * seldom wrong, leads are cut and bent by others before, and the cup inside a lens holds the
 * cathode in most makes but not in all. A test at a few milliamperes is next to certain.
 */
public enum Cue {
  LONG_LEAD(true, 0.9),
  PLUS(true, 0.97),
  SQUARE_PAD(true, 0.85),
  TRIANGLE_BASE(true, 0.95),
  LIGHTS(true, 0.995),
  FLAT(false, 0.93),
  STRIPE(false, 0.97),
  K(false, 0.95),
  CUP(false, 0.8),
  TRIANGLE_TIP(false, 0.95),
  SHORT_LEAD(false, 0.9),
  MINUS(false, 0.97),
  NOTCH(true, 0.97),
  BEVEL(true, 0.85),
  DOT(true, 0.9);

  private final boolean anode;
  private final double reliability;

  Cue(boolean anode, double reliability) {
    this.anode = anode;
    this.reliability = reliability;
  }

  /** Gives the cue of that name, such as {@code long-lead}. */
  public static Optional<Cue> named(String name) {
    for (Cue cue : values()) {
      if (cue.text().equals(name)) {
        return Optional.of(cue);
      }
    }
    return Optional.empty();
  }

  /** Gives the name used in files. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** Tells whether it points at the anode, the plus or pin 1, rather than at the other end. */
  public boolean pointsAtFirst() {
    return anode;
  }

  /** Gives how often it tells the truth, between a half and one. */
  public double reliability() {
    return reliability;
  }
}
