package humble.core.intake;

import humble.core.kit.PartKind;
import humble.core.marking.MarkReading;
import humble.core.marking.PreferredNumbers;
import humble.core.marking.PrintedCode;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * What the value column of a row says: {@code 10k 1% 0.25W}, {@code 47uF/16V}, {@code 104}.
 *
 * @param value the value for the kit file; empty when there is none
 * @param number its number in the base unit, NaN when it is none
 * @param tolerancePct tolerance written beside it, when any
 * @param guess what had to be guessed about the value, null when nothing
 * @param confidence belief in that guess
 * @param problem one sentence when the value cannot be read, empty otherwise
 * @param rest words that are no value
 */
record ValueText(
    String value,
    double number,
    @Nullable Double tolerancePct,
    @Nullable Phrase guess,
    double confidence,
    String problem,
    String rest) {
  private static final Pattern TOLERANCE =
      Pattern.compile("(?:±|\\+/?-)?\\s?([0-9]+(?:[.,][0-9]+)?)\\s?%");
  private static final Pattern VOLTS_OR_WATTS =
      Pattern.compile("(?i)(?<![\\w.])[0-9]+(?:[.,/][0-9]+)?\\s?(v|vdc|w|mw|watt|volt|ppm)(?!\\w)");
  private static final Pattern BREAK = Pattern.compile("[\\s;/|]+|,(?=\\s)");
  private static final Pattern UNIT = Pattern.compile("[a-zA-ZΩµμ]{1,5}");
  private static final Pattern BARE = Pattern.compile("[0-9]+([.,][0-9]+)?");
  private static final Pattern DIGITS = Pattern.compile("[0-9]+");

  /** Two digits and a letter that is no prefix: the 96-value code of small resistors. */
  private static final Pattern NINETY_SIX = Pattern.compile("[0-9]{2}[ABCDEFHSXYZ]");

  private static final Set<String> COARSE = Set.of("E3", "E6", "E12", "E24");

  /** What is longer was never meant as a value; patterns would look through it again and again. */
  private static final int LONGEST = 200;

  private static final double LIKELY = 0.85;
  private static final double UNSURE = 0.6;

  /** Reads the value of a part of {@code kind}. */
  static ValueText of(String text, PartKind kind) {
    String left = text.strip();
    if (left.length() > LONGEST) {
      String problem = isMeasured(kind) ? "The value has more than 200 characters." : "";
      return new ValueText(left, Double.NaN, null, null, 1, problem, left);
    }
    Double tolerance = null;
    Matcher percent = TOLERANCE.matcher(left);
    if (percent.find()) {
      tolerance = Double.valueOf(percent.group(1).replace(',', '.'));
      left = (left.substring(0, percent.start()) + " " + left.substring(percent.end())).strip();
    }
    if (!isMeasured(kind)) {
      return new ValueText(left, Double.NaN, tolerance, null, 1, "", left);
    }
    left = VOLTS_OR_WATTS.matcher(left).replaceAll(" ").strip();
    List<String> words = new ArrayList<>(List.of(BREAK.split(left)));
    words.removeIf(String::isEmpty);
    for (int i = 0; i < words.size(); i++) {
      String unit =
          i + 1 < words.size() && UNIT.matcher(words.get(i + 1)).matches() ? words.get(i + 1) : "";
      String joined = words.get(i) + unit;
      if (!unit.isEmpty() && Quantity.parse(joined) instanceof QuantityText.Read read) {
        words.subList(i, i + 2).clear();
        return read(joined, read, kind, tolerance, String.join(" ", words));
      }
      if (Character.isDigit(words.get(i).charAt(0))
          && Quantity.parse(words.get(i)) instanceof QuantityText.Read read) {
        String word = words.remove(i);
        return read(word, read, kind, tolerance, String.join(" ", words));
      }
    }
    Optional<ValueText> code =
        kind == PartKind.RESISTOR ? code(left, kind, tolerance) : Optional.empty();
    if (code.isPresent()) {
      return code.get();
    }
    boolean needed = kind == PartKind.RESISTOR || kind == PartKind.CAPACITOR;
    String problem =
        !needed
            ? ""
            : left.isEmpty()
                ? "The value is missing."
                : Quantity.parse(left) instanceof QuantityText.Unreadable bad
                    ? "The value cannot be read: " + bad.sentence()
                    : "";
    return new ValueText(left, Double.NaN, tolerance, null, 1, problem, left);
  }

  private static ValueText read(
      String word, QuantityText.Read read, PartKind kind, @Nullable Double tolerance, String rest) {
    boolean bare = BARE.matcher(word).matches();
    boolean printed = kind == PartKind.RESISTOR && NINETY_SIX.matcher(word).matches();
    if (bare || printed) {
      Optional<ValueText> code = code(word, kind, tolerance);
      if (code.isPresent()) {
        return code.get();
      }
    }
    return new ValueText(word, read.value(), tolerance, null, 1, "", rest);
  }

  /** A bare number may be a printed code: 104 on a capacitor is no 104 farads. */
  private static Optional<ValueText> code(String word, PartKind kind, @Nullable Double tolerance) {
    if (kind == PartKind.CAPACITOR_POLARISED && BARE.matcher(word).matches()) {
      double farads = Double.parseDouble(word.replace(',', '.')) * 1e-6;
      return Optional.of(guessed(farads, tolerance, Phrase.of("guess.value.electrolytic"), LIKELY));
    }
    if (kind == PartKind.CAPACITOR) {
      return PrintedCode.read(word, MarkReading.Kind.CAPACITOR).stream()
          .findFirst()
          .map(reading ->
              guessed(
                  reading.value(), tolerance, Phrase.of("guess.value.capacitor", word), LIKELY));
    }
    if (kind == PartKind.RESISTOR) {
      double plain = DIGITS.matcher(word).matches() ? Double.parseDouble(word) : Double.NaN;
      boolean asNumber =
          PreferredNumbers.coarsestSeries(plain).filter(COARSE::contains).isPresent();
      if (plain == 0 || asNumber || word.length() < 3) {
        return Optional.empty();
      }
      return PrintedCode.read(word, MarkReading.Kind.RESISTOR).stream()
          .filter(reading -> reading.value() != plain)
          .filter(reading ->
              PreferredNumbers.coarsestSeries(reading.value())
                  .filter(s -> !s.equals("E192"))
                  .isPresent())
          .findFirst()
          .map(reading ->
              guessed(reading.value(), tolerance, Phrase.of("guess.value.resistor", word), UNSURE));
    }
    return Optional.empty();
  }

  private static ValueText guessed(
      double value, @Nullable Double tolerance, Phrase because, double confidence) {
    String text = Engineering.nominal(value, "").replace(" ", "").replace("µ", "u");
    return new ValueText(text, value, tolerance, because, confidence, "", "");
  }

  private static boolean isMeasured(PartKind kind) {
    return kind.is(PartKind.Fact.MEASURED);
  }
}
