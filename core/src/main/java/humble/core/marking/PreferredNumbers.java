package humble.core.marking;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** The series of preferred numbers of IEC 60063:2015. */
public final class PreferredNumbers {
  private static final int[] E24 = {
    100, 110, 120, 130, 150, 160, 180, 200, 220, 240, 270, 300, 330, 360, 390, 430, 470, 510, 560,
    620, 680, 750, 820, 910
  };
  private static final Set<Integer> FINE_E48 = fine(48);
  private static final Set<Integer> FINE_E96 = fine(96);
  private static final Set<Integer> FINE_E192 = fine(192);

  private PreferredNumbers() {}

  /**
   * Gives the coarsest series, {@code E3} to {@code E192}, that holds {@code value}; empty when
   * none does.
   */
  public static Optional<String> coarsestSeries(double value) {
    if (!(value > 0) || Double.isInfinite(value)) {
      return Optional.empty();
    }
    double decade = Math.floor(Math.log10(value) + 1e-9);
    double scaled = value / Math.pow(10, decade) * 100;
    int digits = (int) Math.round(scaled);
    if (Math.abs(scaled - digits) > 1e-6 * scaled) {
      return Optional.empty();
    }
    for (int i = 0; i < E24.length; i++) {
      if (E24[i] == digits) {
        return Optional.of(i % 8 == 0 ? "E3" : i % 4 == 0 ? "E6" : i % 2 == 0 ? "E12" : "E24");
      }
    }
    if (FINE_E48.contains(digits)) {
      return Optional.of("E48");
    }
    if (FINE_E96.contains(digits)) {
      return Optional.of("E96");
    }
    return FINE_E192.contains(digits) ? Optional.of("E192") : Optional.empty();
  }

  /**
   * Gives the largest number of E12 that is not above {@code most}.
   *
   * @throws IllegalArgumentException when {@code most} is no positive number
   */
  public static double largestE12(double most) {
    if (!(most > 0) || Double.isInfinite(most)) {
      throw new IllegalArgumentException("no number of E12 is at most " + most);
    }
    int decade = (int) Math.floor(Math.log10(most) + 1e-9);
    BigDecimal scale = BigDecimal.ONE.movePointRight(decade - 2);
    for (int i = E24.length - 2; i >= 0; i -= 2) {
      double number = scale.multiply(BigDecimal.valueOf(E24[i])).doubleValue();
      if (number <= most * (1 + 1e-12)) {
        return number;
      }
    }
    return BigDecimal.valueOf(820).multiply(scale).movePointLeft(1).doubleValue();
  }

  /** The fine series are rounded powers, with 920 in E192 as the one exception of the standard. */
  private static Set<Integer> fine(int n) {
    Set<Integer> numbers = new TreeSet<>();
    for (int i = 0; i < n; i++) {
      int number = (int) Math.round(100 * Math.pow(10, i / (double) n));
      numbers.add(n == 192 && number == 919 ? 920 : number);
    }
    return numbers;
  }
}
