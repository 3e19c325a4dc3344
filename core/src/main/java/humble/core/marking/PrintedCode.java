package humble.core.marking;

import humble.core.units.Band;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads the codes printed on small parts, IEC 60062:2016 clauses 4 to 6 and the 96-value code of
 * EIA-575. A code often means several things; all are given, the likeliest first: of a preferred
 * series and of a usual size for its kind, then in the order in which a kind's own rules find them.
 */
public final class PrintedCode {
  private static final Pattern CAPACITOR =
      Pattern.compile(
          "(?<before>[0-3][A-HJKVW])?\\s*(?<value>[0-9]*[.]?[0-9]*\\s*(?:[RPNUµΜ][0-9]*)?F?)"
              + "\\s*(?<letter>[BCDFGJKMZQST])?\\s*(?:(?<after>[0-3][A-HJKVW])|(?<volts>[0-9.]+)\\s*V?)?");
  private static final Pattern POINTED = Pattern.compile("([0-9]*)([RPNUµΜKMG])([0-9]*)");
  private static final Pattern RESISTOR =
      Pattern.compile("(?<value>[0-9]*[RKMG]?[0-9]*)(?<letter>[ELPWBCDFGHJKMN])?");
  private static final Pattern NINETY_SIX = Pattern.compile("([0-9]{2})([ZYRXSABHCDEF])");
  private static final Pattern INDUCTOR =
      Pattern.compile("(?<value>[0-9]*[RNU]?[0-9]*)(?<letter>[BCDFGJKMN])?");
  private static final Pattern CRYSTAL =
      Pattern.compile("([0-9]+(?:[.][0-9]+)?)\\s*(?:(K|M)(?:HZ)?)?");
  private static final double WATCH_HZ = 32_768;

  private final String text;
  private final Set<MarkReading> readings = new LinkedHashSet<>();

  /** No part has room for more. */
  private static final int LONGEST = 64;

  private PrintedCode(String text) {
    this.text = text.strip().toUpperCase(Locale.ROOT);
  }

  /**
   * Gives every way to read {@code text}, the likeliest first; empty when there is none.
   *
   * @param text what is printed
   * @param as the kind of part it is printed on, null when that is not known
   */
  public static List<MarkReading> read(String text, MarkReading.@Nullable Kind as) {
    if (text.length() > LONGEST) {
      return List.of();
    }
    PrintedCode code = new PrintedCode(text);
    for (MarkReading.Kind kind : MarkReading.Kind.values()) {
      if (as == null || as == kind) {
        code.read(kind);
      }
    }
    List<MarkReading> sorted = new ArrayList<>(code.readings);
    sorted.sort(Comparator.comparingInt(PrintedCode::oddness));
    return sorted;
  }

  private void read(MarkReading.Kind kind) {
    switch (kind) {
      case CAPACITOR -> capacitor();
      case RESISTOR -> resistor();
      case INDUCTOR -> inductor();
      case CRYSTAL -> crystal();
    }
  }

  /** How unlikely a reading is: a value of no series, and a size that its kind hardly comes in. */
  private static int oddness(MarkReading reading) {
    boolean usual =
        switch (reading.as()) {
          case CAPACITOR -> reading.value() >= 0.1e-12 && reading.value() <= 0.1;
          case RESISTOR ->
              reading.value() == 0 || (reading.value() >= 0.01 && reading.value() <= 22e6);
          case INDUCTOR -> reading.value() >= 1e-9 && reading.value() <= 0.1;
          case CRYSTAL -> reading.value() >= 30e3 && reading.value() <= 200e6;
        };
    boolean preferred =
        reading.as() == MarkReading.Kind.CRYSTAL
            || reading.value() == 0
            || PreferredNumbers.coarsestSeries(reading.value())
                .map(
                    series -> series.length() < 4 && !series.equals("E48") && !series.equals("E96"))
                .orElse(false);
    return (usual ? 0 : 2) + (preferred ? 0 : 1);
  }

  private void capacitor() {
    Matcher matcher = CAPACITOR.matcher(text);
    if (!matcher.matches() || matcher.group("value").isBlank()) {
      return;
    }
    String value = matcher.group("value").replace(" ", "").replace("F", "");
    Double volts = volts(matcher);
    boolean printedVolts = matcher.group("volts") != null;
    List<Double> farads = new ArrayList<>();
    if (value.matches("[0-9]{3}") && !printedVolts) {
      farads.add(digits(value, 2, true) * 1e-12);
    }
    if (value.matches("[0-9]{1,2}")) {
      farads.add(Integer.parseInt(value) * 1e-12);
    }
    if (value.matches("[0-9]*[.]?[0-9]+") && (printedVolts || value.matches("0?[.][0-9]+"))) {
      farads.addFirst(Double.parseDouble(value) * 1e-6);
    } else if (value.matches("[0-9]{1,4}")) {
      farads.add(Integer.parseInt(value) * 1e-6);
    }
    pointed(value, "R", 1e-12).ifPresent(farads::add);
    pointed(value, "P", 1e-12).ifPresent(farads::add);
    pointed(value, "N", 1e-9).ifPresent(farads::add);
    pointed(value.replace('µ', 'U').replace('Μ', 'U'), "U", 1e-6).ifPresent(farads::add);
    String letter = matcher.group("letter");
    for (double each : farads) {
      if (each > 0) {
        Band tolerance =
            letter == null
                ? null
                : ToleranceLetter.ofCapacitor(letter.charAt(0), each).orElse(null);
        readings.add(new MarkReading(MarkReading.Kind.CAPACITOR, clean(each), tolerance, volts));
      }
    }
  }

  private static @Nullable Double volts(Matcher matcher) {
    String code = matcher.group("after") == null ? matcher.group("before") : matcher.group("after");
    if (code != null) {
      return VoltageCode.volts(code).orElse(null);
    }
    String volts = matcher.group("volts");
    return volts != null && volts.matches("[0-9]+([.][0-9]+)?") ? Double.valueOf(volts) : null;
  }

  private void resistor() {
    Matcher matcher = RESISTOR.matcher(text);
    if (matcher.matches()) {
      String value = matcher.group("value");
      Band tolerance = letter(matcher.group("letter"));
      if (value.matches("0+")) {
        // No part of 0 Ω is made to so many per cent.
        if (tolerance == null) {
          readings.add(new MarkReading(MarkReading.Kind.RESISTOR, 0, null, null));
        }
      } else if (value.matches("[0-9]{3}")) {
        add(MarkReading.Kind.RESISTOR, digits(value, 2, false), tolerance);
      } else if (value.matches("[0-9]{4}")) {
        add(MarkReading.Kind.RESISTOR, digits(value, 3, false), tolerance);
      }
      for (String point : List.of("R", "K", "M", "G")) {
        double scale =
            point.equals("R") ? 1 : point.equals("K") ? 1e3 : point.equals("M") ? 1e6 : 1e9;
        pointed(value, point, scale)
            .ifPresent(ohms -> add(MarkReading.Kind.RESISTOR, ohms, tolerance));
      }
    }
    Matcher fine = NINETY_SIX.matcher(text);
    if (fine.matches()) {
      int index = Integer.parseInt(fine.group(1));
      if (index >= 1 && index <= 96) {
        double mantissa = Math.round(100 * Math.pow(10, (index - 1) / 96.0));
        add(
            MarkReading.Kind.RESISTOR,
            mantissa * ninetySixScale(fine.group(2).charAt(0)),
            new Band(-1, 1));
      }
    }
  }

  private static double ninetySixScale(char letter) {
    return switch (letter) {
      case 'Z' -> 1e-3;
      case 'Y', 'R' -> 1e-2;
      case 'X', 'S' -> 1e-1;
      case 'A' -> 1;
      case 'B', 'H' -> 10;
      case 'C' -> 100;
      case 'D' -> 1e3;
      case 'E' -> 1e4;
      default -> 1e5;
    };
  }

  private void inductor() {
    Matcher matcher = INDUCTOR.matcher(text);
    if (!matcher.matches()) {
      return;
    }
    String value = matcher.group("value");
    Band tolerance = letter(matcher.group("letter"));
    if (value.matches("[0-9]{3}")) {
      add(MarkReading.Kind.INDUCTOR, digits(value, 2, false) * 1e-6, tolerance);
    }
    pointed(value, "R", 1e-6).ifPresent(h -> add(MarkReading.Kind.INDUCTOR, h, tolerance));
    pointed(value, "U", 1e-6).ifPresent(h -> add(MarkReading.Kind.INDUCTOR, h, tolerance));
    pointed(value, "N", 1e-9).ifPresent(h -> add(MarkReading.Kind.INDUCTOR, h, tolerance));
  }

  /** A bare number on a can is megahertz; 32.768 is the watch crystal's kilohertz. */
  private void crystal() {
    Matcher matcher = CRYSTAL.matcher(text);
    if (!matcher.matches()) {
      return;
    }
    String unit = matcher.group(2);
    if (!(Quantity.parse(matcher.group(1)) instanceof QuantityText.Read read)
        || read.value() <= 0
        || (unit == null && !matcher.group(1).contains("."))) {
      return;
    }
    if (unit == null && Math.abs(read.value() * 1e3 - WATCH_HZ) < 0.5) {
      add(MarkReading.Kind.CRYSTAL, WATCH_HZ, null);
    }
    add(MarkReading.Kind.CRYSTAL, read.value() * ("K".equals(unit) ? 1e3 : 1e6), null);
  }

  private void add(MarkReading.Kind kind, double value, @Nullable Band tolerance) {
    if (value > 0) {
      readings.add(new MarkReading(kind, clean(value), tolerance, null));
    }
  }

  private static @Nullable Band letter(@Nullable String letter) {
    return letter == null ? null : ToleranceLetter.of(letter.charAt(0)).orElse(null);
  }

  /** Gives the value of significant digits and an exponent; on capacitors 8 is −2 and 9 is −1. */
  private static double digits(String code, int significant, boolean smallExponents) {
    int exponent = code.charAt(significant) - '0';
    if (smallExponents && exponent >= 8) {
      exponent -= 10;
    }
    return Integer.parseInt(code.substring(0, significant)) * Math.pow(10, exponent);
  }

  /**
   * Reads a number with a letter in the place of its point: {@code 4K7}, {@code R47}, {@code 47N}.
   */
  private static Optional<Double> pointed(String value, String point, double scale) {
    Matcher matcher = POINTED.matcher(value);
    if (!matcher.matches()
        || !matcher.group(2).equals(point)
        || (matcher.group(1).isEmpty() && matcher.group(3).isEmpty())) {
      return Optional.empty();
    }
    String whole = matcher.group(1).isEmpty() ? "0" : matcher.group(1);
    String part = matcher.group(3).isEmpty() ? "0" : matcher.group(3);
    return Optional.of(Double.parseDouble(whole + "." + part) * scale);
  }

  /** Gives the value without the dust of binary fractions: fifteen digits are enough. */
  private static double clean(double value) {
    return new java.math.BigDecimal(value).round(new java.math.MathContext(12)).doubleValue();
  }
}
