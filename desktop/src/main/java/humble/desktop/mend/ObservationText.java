package humble.desktop.mend;

import humble.core.mend.Measure;
import humble.core.mend.Observation;
import java.math.BigDecimal;
import java.math.RoundingMode;

/** How an observation is written into the journal: as the command line takes it. */
public final class ObservationText {
  private ObservationText() {}

  /** Gives it as {@code V(5V)=3.1} or {@code dark:LED3}. */
  public static String of(Observation observation) {
    return switch (observation) {
      case Observation.Seen seen -> seen.sight().text() + ":" + seen.ref();
      case Observation.Reading read -> read.measure() + "=" + value(read);
    };
  }

  /** Gives the same for people: with its unit. */
  static String plain(String written) {
    int equals = written.lastIndexOf('=');
    if (equals < 0) {
      return written.replace(":", ": ");
    }
    String value = written.substring(equals + 1);
    String unit =
        switch (written.charAt(0)) {
          case 'V' -> "V";
          case 'I' -> "A";
          default -> value.equals("open") ? "" : "Ω";
        };
    boolean prefixed = !value.isEmpty() && Character.isLetter(value.charAt(value.length() - 1));
    String shown =
        prefixed && !value.equals("open")
            ? value.substring(0, value.length() - 1) + " " + value.charAt(value.length() - 1) + unit
            : value + " " + unit;
    return written.substring(0, equals) + " = " + shown.strip();
  }

  private static String value(Observation.Reading read) {
    if (Double.isInfinite(read.value())) {
      return "open";
    }
    boolean amps = read.measure() instanceof Measure.Amps;
    BigDecimal digit = new BigDecimal(Double.toString(read.lastDigit()));
    int places = Math.clamp(digit.stripTrailingZeros().scale() - (amps ? 3 : 0), 0, 9);
    BigDecimal value =
        new BigDecimal(amps ? read.value() * 1000 : read.value())
            .setScale(places, RoundingMode.HALF_UP);
    return value.toPlainString() + (amps ? "m" : "");
  }
}
