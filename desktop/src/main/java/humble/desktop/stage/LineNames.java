package humble.desktop.stage;

import humble.core.kit.Line;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Words;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;

/** What lines of a parts list are called in the window. */
public final class LineNames {
  private static final java.util.regex.Pattern SHAPE =
      java.util.regex.Pattern.compile("(\\d)x(\\d+)$");

  private static final double MILLIFARAD = 1e-3;
  private static final double MICROS = 1e6;
  private static final int SHOWN_DIGITS = 4;

  private LineNames() {}

  /**
   * Gives short names that tell lines apart, by their ids: where several have the same, the value,
   * what is printed on it or the package stands with it.
   */
  public static Map<String, String> distinct(Words words, List<Line> lines) {
    Map<String, List<Line>> alike = new LinkedHashMap<>();
    lines.forEach(
        line -> alike.computeIfAbsent(brief(words, line), key -> new ArrayList<>()).add(line));
    Map<String, String> names = new HashMap<>();
    alike.forEach(
        (brief, group) -> group.forEach(line -> names.put(line.id(), told(brief, group, line))));
    return names;
  }

  private static String told(String brief, List<Line> group, Line line) {
    for (Function<Line, String> by :
        List.<Function<Line, String>>of(LineNames::value, Line::marking, Line::packageId)) {
      String own = by.apply(line);
      if (!own.isEmpty() && group.stream().map(by).distinct().count() > 1) {
        return own.equals(line.packageId()) ? own : joined(own, brief);
      }
    }
    return brief;
  }

  /** Gives a short name: the value where there is one, else the kind. */
  public static String brief(Words words, Line line) {
    String value = value(line);
    String kind = words.say("kind." + line.kind().text());
    return switch (line.kind()) {
      case RESISTOR, CAPACITOR, CAPACITOR_POLARISED -> value;
      case HEADER -> kind + positions(line);
      default -> kind;
    };
  }

  /** Two headers differ in their rows: {@code 1×4}. */
  private static String positions(Line line) {
    java.util.regex.Matcher shape = SHAPE.matcher(line.packageId());
    return shape.find() ? " " + shape.group(1) + "×" + shape.group(2) : "";
  }

  /** Gives the name of several: {@code 220 Ω resistors}. */
  public static String plural(Words words, Line line) {
    String kinds = words.say("kinds." + line.kind().text());
    String value = value(line);
    String kind = words.say("kind." + line.kind().text()).toLowerCase(Locale.ROOT);
    return value.toLowerCase(Locale.ROOT).contains(kind)
        ? value
        : value.isEmpty() ? kinds : value + " " + kinds;
  }

  /** Gives the name of one: {@code 100 µF capacitor}. */
  public static String single(Words words, Line line) {
    return joined(value(line), words.say("kind." + line.kind().text()));
  }

  /** A list may have called the part by its kind already: it is not said twice. */
  private static String joined(String value, String kind) {
    String plain = value.toLowerCase(Locale.ROOT);
    return plain.contains(kind.toLowerCase(Locale.ROOT))
        ? value
        : value.isEmpty() ? kind : value + " " + kind;
  }

  private static String value(Line line) {
    String unit = line.kind().unit();
    if (unit.isEmpty() || !(Quantity.parse(line.value()) instanceof QuantityText.Read read)) {
      return line.value();
    }
    // Cans are printed in microfarads, however many there are.
    return unit.equals("F") && read.value() >= MILLIFARAD
        ? plain(read.value() * MICROS) + " µF"
        : Engineering.nominal(read.value(), unit);
  }

  private static String plain(double value) {
    return BigDecimal.valueOf(value)
        .round(new MathContext(SHOWN_DIGITS))
        .stripTrailingZeros()
        .toPlainString();
  }
}
