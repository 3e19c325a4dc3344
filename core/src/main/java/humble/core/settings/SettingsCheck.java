package humble.core.settings;

import humble.core.kit.Setting;
import java.util.List;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** What is wrong with the settings of a file. */
public final class SettingsCheck {
  private static final Pattern NUMBER =
      Pattern.compile(
          "\\(*[ \\t]*([+-]?)(0[xX][0-9A-Fa-f]+|0[bB][01]+|[0-9]+\\.?[0-9]*(?:[eE][+-]?[0-9]+)?|\\.[0-9]+)"
              + "[uUlLfF]*[ \\t]*\\)*");

  private static final int MOST_HEX_DIGITS = 15;
  private static final int LONGEST_NUMBER = 80;

  private SettingsCheck() {}

  /**
   * One setting as it stands.
   *
   * @param id name within the kit
   * @param on of a group the names that are on, of a value what is written
   * @param problem one sentence with its line, empty where nothing is wrong
   */
  public record Judged(String id, List<String> on, String problem) {}

  /** Judges a setting where it stands. */
  public static Judged of(Setting setting, SettingsText text) {
    Judged judged =
        switch (setting.rule()) {
          case Setting.Rule.OneOf group ->
              group.key().isEmpty() ? group(setting, group, text) : keyed(setting, group, text);
          case Setting.Rule.Value value -> value(setting, value, text);
        };
    return text.wrong().isEmpty() ? judged : new Judged(setting.id(), judged.on(), text.wrong());
  }

  /** A key whose value is one of the names. */
  private static Judged keyed(Setting setting, Setting.Rule.OneOf group, SettingsText text) {
    Setting.Rule.Value words = new Setting.Rule.Value(group.key(), null, null, false, "", true);
    Judged plain = value(setting, words, text);
    List<String> on = plain.on().stream().map(SettingsCheck::bare).toList();
    boolean other =
        plain.problem().isEmpty() && on.size() == 1 && !group.names().contains(on.getFirst());
    return new Judged(
        setting.id(),
        on,
        other
            ? "Line "
                + text.named(group.key()).stream()
                    .filter(Entry::isOn)
                    .findFirst()
                    .orElseThrow()
                    .line()
                + ": "
                + group.key()
                + " is none of "
                + String.join(", ", group.names())
                + "."
            : plain.problem());
  }

  /** Gives a value without the quotes that it stands in. */
  public static String bare(String written) {
    boolean quoted = written.length() > 1 && written.startsWith("\"") && written.endsWith("\"");
    return quoted
        ? written.substring(1, written.length() - 1).replaceAll("\\\\(.)", "$1")
        : written;
  }

  private static Judged group(Setting setting, Setting.Rule.OneOf group, SettingsText text) {
    List<Entry> all =
        text.entries().stream().filter(entry -> group.names().contains(entry.name())).toList();
    List<String> on =
        all.stream().filter(Entry::isOn).map(Entry::name).distinct().sorted(byKit(group)).toList();
    if (on.size() == 1) {
      return new Judged(setting.id(), on, "");
    }
    String where =
        all.stream()
            .filter(entry -> !entry.locked().isEmpty())
            .findFirst()
            .map(entry ->
                " "
                    + entry.name()
                    + " on line "
                    + entry.line()
                    + " does not count: "
                    + entry.locked()
                    + ".")
            .orElse("");
    String problem =
        on.isEmpty()
            ? all.isEmpty()
                ? "None of " + String.join(", ", group.names()) + " is in the file."
                : "None of " + String.join(", ", group.names()) + " is on." + where
            : String.join(" and ", on)
                + " are on, on lines "
                + String.join(
                    ", ",
                    all.stream()
                        .filter(Entry::isOn)
                        .map(entry -> Integer.toString(entry.line()))
                        .toList())
                + "; exactly one may be.";
    return new Judged(setting.id(), on, problem);
  }

  private static java.util.Comparator<String> byKit(Setting.Rule.OneOf group) {
    return java.util.Comparator.comparingInt(group.names()::indexOf);
  }

  private static Judged value(Setting setting, Setting.Rule.Value rule, SettingsText text) {
    List<Entry> on = text.named(rule.key()).stream().filter(Entry::isOn).toList();
    if (on.isEmpty()) {
      String why =
          text.named(rule.key()).stream()
              .findFirst()
              .map(entry ->
                  entry.locked().isEmpty()
                      ? " It is commented out on line " + entry.line() + "."
                      : " On line " + entry.line() + " it does not count: " + entry.locked() + ".")
              .orElse("");
      return new Judged(
          setting.id(),
          List.of(),
          setting.required() || !why.isEmpty() ? rule.key() + " is not set." + why : "");
    }
    if (on.size() > 1) {
      return new Judged(
          setting.id(),
          on.stream().map(text::valueOf).toList(),
          rule.key()
              + " is set "
              + on.size()
              + " times, on lines "
              + String.join(", ", on.stream().map(e -> Integer.toString(e.line())).toList())
              + ".");
    }
    String written = text.valueOf(on.getFirst());
    String problem = problem(rule, written);
    return new Judged(
        setting.id(),
        List.of(written),
        problem.isEmpty()
            ? ""
            : "Line " + on.getFirst().line() + ": " + rule.key() + " " + problem + ".");
  }

  /** Says what is wrong with a value as it is written; empty where nothing is. */
  static String problem(Setting.Rule.Value rule, String written) {
    if (written.isEmpty() || written.equals("\"\"")) {
      return "has no value";
    }
    if (rule.words()) {
      return "";
    }
    OptionalDouble number = number(written);
    if (number.isEmpty()) {
      return "is not a number that can be judged";
    }
    double value = number.getAsDouble();
    if (rule.whole() && value != Math.rint(value)) {
      return "is not a whole number";
    }
    Double low = rule.low();
    Double high = rule.high();
    String unit = rule.unit().isEmpty() ? "" : " " + rule.unit();
    return low != null && value < low
        ? "is below " + shown(low) + unit
        : high != null && value > high ? "is above " + shown(high) + unit : "";
  }

  private static String shown(@Nullable Double value) {
    return value == null
        ? ""
        : java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
  }

  /** Reads a number as a program would: decimal, hexadecimal, binary, with its suffixes. */
  public static OptionalDouble number(String written) {
    String plain = written.length() > LONGEST_NUMBER ? "" : written.replace("\"", "").strip();
    Matcher matcher = NUMBER.matcher(plain);
    if (!matcher.matches()) {
      return OptionalDouble.empty();
    }
    String digits = matcher.group(2);
    double value;
    if (digits.regionMatches(true, 0, "0x", 0, 2) || digits.regionMatches(true, 0, "0b", 0, 2)) {
      int base = Character.toLowerCase(digits.charAt(1)) == 'x' ? 16 : 2;
      String rest = digits.substring(2).replaceFirst("^0+(?=.)", "");
      if (rest.length() > (base == 16 ? MOST_HEX_DIGITS : 4 * MOST_HEX_DIGITS)) {
        return OptionalDouble.empty();
      }
      value = Long.parseLong(rest, base);
    } else {
      value = Double.parseDouble(digits);
    }
    return OptionalDouble.of(matcher.group(1).equals("-") ? -value : value);
  }
}
