package humble.core.intake;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Text of lists in the one way the readers know: units that are spelled out or in capitals, thin
 * blanks within numbers, blanks of every width.
 */
final class Spelled {
  private static final String NUMBER = "(?<![\\w.])([0-9]+(?:[.,][0-9]+)?)";

  /** A blank that does not break, between groups of three digits. */
  private static final Pattern GROUPED =
      Pattern.compile("(?<=[0-9])[\\u00a0\\u2007\\u2009\\u202f](?=[0-9]{3}(?![0-9]))");

  private static final Pattern BLANK =
      Pattern.compile("[\\t\\u00a0\\u1680\\u2000-\\u200a\\u202f\\u205f\\u3000]");
  private static final Pattern UNSEEN = Pattern.compile("[\\u200b-\\u200d\\u2060\\ufeff]");
  private static final Pattern IN_WORDS =
      Pattern.compile(
          NUMBER
              + "\\s*(?i:(pico|nano|micro|milli|kilo|mega|meg)?[- ]?"
              + "(farads?|ohms?|henr(?:y|ies)|hertz)|(kil|meg)ohms?)(?![\\p{L}])");
  private static final Pattern BARE_PREFIX =
      Pattern.compile(NUMBER + "\\s?(?i:(meg|mfd|mmfd|kohms?|mohms?))(?![\\p{L}])");
  private static final Pattern CAPITALS =
      Pattern.compile(
          NUMBER + "\\s?(PF|NF|UF|ΜF|NH|UH|ΜH|MH|KHZ|MHZ|HZ|OHMS?|KOHMS?|uf|nf|pf)(?![\\p{L}0-9])");

  private static final Map<String, String> PREFIX =
      Map.of(
          "pico", "p", "nano", "n", "micro", "u", "milli", "m", "kilo", "k", "mega", "M", "meg",
          "M");
  private static final Map<String, String> UNIT =
      Map.ofEntries(
          Map.entry("pf", "pF"),
          Map.entry("nf", "nF"),
          Map.entry("uf", "uF"),
          Map.entry("μf", "uF"),
          Map.entry("nh", "nH"),
          Map.entry("uh", "uH"),
          Map.entry("μh", "uH"),
          Map.entry("mh", "mH"),
          Map.entry("khz", "kHz"),
          Map.entry("mhz", "MHz"),
          Map.entry("hz", "Hz"),
          Map.entry("ohm", "ohm"),
          Map.entry("ohms", "ohm"),
          Map.entry("kohm", "kohm"),
          Map.entry("kohms", "kohm"),
          Map.entry("mohm", "Mohm"),
          Map.entry("mohms", "Mohm"),
          Map.entry("meg", "M"),
          Map.entry("mfd", "uF"),
          Map.entry("mmfd", "pF"));

  private Spelled() {}

  /** Gives a text with blanks of one kind and numbers without thin blanks within. */
  static String blanks(String text) {
    return BLANK
        .matcher(GROUPED.matcher(UNSEEN.matcher(text).replaceAll("")).replaceAll(""))
        .replaceAll(" ");
  }

  /** Gives a text whose units are signs: {@code 1 microfarad} is {@code 1uF}. */
  static String units(String text) {
    String words = IN_WORDS.matcher(text).replaceAll(Spelled::inSigns);
    String prefixes = BARE_PREFIX.matcher(words).replaceAll(Spelled::known);
    return CAPITALS.matcher(prefixes).replaceAll(Spelled::known);
  }

  private static String inSigns(java.util.regex.MatchResult found) {
    if (found.group(4) != null) {
      boolean kilo = found.group(4).equalsIgnoreCase("kil");
      return Matcher.quoteReplacement(found.group(1) + (kilo ? "kohm" : "Mohm"));
    }
    String prefix = found.group(2) == null ? "" : found.group(2).toLowerCase(Locale.ROOT);
    String unit =
        switch (found.group(3).toLowerCase(Locale.ROOT).charAt(0)) {
          case 'f' -> "F";
          case 'o' -> "ohm";
          default -> found.group(3).toLowerCase(Locale.ROOT).startsWith("hertz") ? "Hz" : "H";
        };
    return Matcher.quoteReplacement(found.group(1) + PREFIX.getOrDefault(prefix, "") + unit);
  }

  private static String known(java.util.regex.MatchResult found) {
    String unit = found.group(2).toLowerCase(Locale.ROOT);
    return Matcher.quoteReplacement(found.group(1) + UNIT.getOrDefault(unit, found.group(2)));
  }
}
