package humble.core.marking;

import humble.core.units.Band;
import java.util.Map;
import java.util.Optional;

/**
 * The tolerance letters of IEC 60062:2016, tables 4 and 5. Below 10 pF the letters B to G of a
 * capacitor are picofarads; a reading gives the percentage they amount to.
 */
public final class ToleranceLetter {
  private static final double SMALL_F = 10e-12;

  private static final Map<Character, Double> PERCENT =
      Map.ofEntries(
          Map.entry('E', 0.005),
          Map.entry('L', 0.01),
          Map.entry('P', 0.02),
          Map.entry('W', 0.05),
          Map.entry('B', 0.1),
          Map.entry('C', 0.25),
          Map.entry('D', 0.5),
          Map.entry('F', 1.0),
          Map.entry('G', 2.0),
          Map.entry('H', 3.0),
          Map.entry('J', 5.0),
          Map.entry('K', 10.0),
          Map.entry('M', 20.0),
          Map.entry('N', 30.0));

  private static final Map<Character, Band> LOPSIDED =
      Map.of(
          'Q', new Band(-10, 30),
          'T', new Band(-10, 50),
          'S', new Band(-20, 50),
          'Z', new Band(-20, 80));

  private static final Map<Character, Double> PICOFARADS =
      Map.of('B', 0.1, 'C', 0.25, 'D', 0.5, 'F', 1.0, 'G', 2.0);

  private ToleranceLetter() {}

  /** Gives the tolerance of a capacitor of {@code farads}, in per cent. */
  static Optional<Band> ofCapacitor(char letter, double farads) {
    Double picofarads = PICOFARADS.get(letter);
    if (picofarads != null && farads > 0 && farads < SMALL_F) {
      double percent = picofarads * 1e-12 / farads * 100;
      return Optional.of(new Band(-percent, percent));
    }
    Band lopsided = LOPSIDED.get(letter);
    return lopsided != null ? Optional.of(lopsided) : of(letter);
  }

  /** Gives the tolerance of a resistor or an inductor, in per cent. */
  public static Optional<Band> of(char letter) {
    return Optional.ofNullable(PERCENT.get(letter)).map(percent -> new Band(-percent, percent));
  }
}
