package humble.core.intake;

import humble.core.marking.BandColour;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One line of a sheet, taken apart: what says how many, for which version, whether it is in the
 * bag, how many pins; then designators, colours and a value; what is left is the description.
 *
 * <p>Longer than other classes: a short method for each thing a line may say.
 */
final class SheetLine {
  private static final Pattern COUNT =
      Pattern.compile(
          "^\\(?([0-9]{1,5})\\)?\\s*(?:x|X|×|\\*|pcs\\.?|pieces?|off|st(?:ü|u)ck|stk\\.?)"
              + "(?=\\s|[A-Za-z0-9])\\s*(?:of\\s)?");
  private static final Pattern BARE_COUNT =
      Pattern.compile(
          "([0-9]{1,3})\\s+((?!(?:k|m|M|R|Ω|ohms?|[pnuµμ]F?|[kM]Hz|mm|V|W|%)(?:\\s|$))"
              + "[\\p{L}0-9].*)");
  private static final Pattern TRAILING_COUNT =
      Pattern.compile("\\s(?:x|X|×)\\s?([0-9]{1,5})$|\\(([0-9]{1,5})\\)$");
  private static final Pattern HARDWARE =
      Pattern.compile("(?i).*(screw|nut|bolt|spacer|standoff|washer|post|schraube|mutter).*");
  private static final Pattern OPTION =
      Pattern.compile(
          "(?i)[(,;-]?\\s*(?:(?:fitted |used |needed )?only (?:for|in|with|on)"
              + " (?:the |a )?([\\p{L}0-9][\\p{L}0-9 -]{0,28}?)"
              + " (?:version|variant|model|edition|option|build)s?"
              + "|([\\p{L}0-9-]{2,28}) (?:version|variant|model|edition|build) only"
              + "|(optional))\\s*\\)?");
  private static final Pattern NOT_INCLUDED =
      Pattern.compile(
          "(?i)[(,;-]?\\s*\\b(?:not (?:included|supplied|provided|in the (?:kit|bag|box))"
              + "|sold separately|bring your own|nicht (?:enthalten|dabei|im lieferumfang))"
              + "\\b\\s*\\)?");
  private static final Pattern FOR_PART =
      Pattern.compile(
          "(?i:\\bfor|\\bfür)\\s+((?:[A-Z]{1,4}[0-9]{1,4}(?:\\s*[,&/+]\\s*|\\s+and\\s+)?)+)$");
  private static final Pattern ANY_REF = Pattern.compile("[A-Z]{1,4}[0-9]{1,4}");
  private static final Pattern SOCKET = Pattern.compile("(?i).*\\b(sockets?|sockel|fassung)\\b.*");

  /** What goes with a part without being one: "10k for R1" is R1 itself. */
  private static final Pattern BESIDE =
      Pattern.compile(
          "(?i).*\\b(heat ?sinks?|clips?|knobs?|screws?|spacers?|cables?|leads?|lens(es)?|caps? for"
              + "|covers?|insulators?|washers?|bezels?|brackets?|kühlkörper)\\b.*");

  private static final Pattern PINS =
      Pattern.compile(
          "(?<![\\w.])([0-9]{1,3})[- ]?(?i:pins?|ways?|pos(?:ition)?s?|poles?|polig|contacts?|legs?)"
              + "(?![\\p{L}])");

  /** What makes a number a measure, not a designator. */
  private static final String MEASURE =
      "(?!\\s?(?:k|K|M|R|Ω|[Oo]hms?|[pnuµμm]?[FH]|[pnuµμ]|mm|cm|V|W|A|mA|%|[kM]?Hz|x|X|×|-?pin)"
          + "(?![\\p{L}]))";

  private static final Pattern LISTED =
      Pattern.compile(
          "(?<![\\w])([A-Z]{1,4})([0-9]{1,4})((?:[,/&+][0-9]{1,4}(?![0-9.])"
              + MEASURE
              + ")+)(?![\\w.%])");
  private static final Pattern LISTED_APART =
      Pattern.compile(
          "(?<![\\w])([A-Z]{1,4})([0-9]{1,4})((?:\\s*,\\s+[0-9]{1,3}(?![0-9.])"
              + MEASURE
              + "){2,})(?![\\w.%])");
  private static final Pattern APART =
      Pattern.compile(
          "(?<![\\w])(R|C|D|Q|U|L|J|K|X|Y|T|F|S|IC|LED|SW|TR|VR|RV|JP)\\s([0-9]{1,3})(?=$|[\\s,;:)])"
              + MEASURE);

  private final Map<Column, String> cells = new EnumMap<>(Column.class);
  private final List<String> words;

  private SheetLine(String line) {
    String left = option(line);
    left = included(left);
    left = PINS.matcher(left).replaceAll("$1-pin").replace("-pin pin ", "-pin ");
    left = count(left);
    left = target(left);
    left = LISTED.matcher(left).replaceAll(SheetLine::listed);
    left = LISTED_APART.matcher(left).replaceAll(SheetLine::ascending);
    words = new ArrayList<>(List.of(join(left).split("\\s+")));
    words.removeIf(String::isEmpty);
  }

  /** Gives what a line says by column; empty when it names no part. */
  static Optional<Map<Column, String>> read(String text) {
    SheetLine line = new SheetLine(Spelled.units(text));
    line.colours();
    line.refs();
    line.tolerance();
    line.value();
    line.rest();
    Map<Column, String> cells = line.cells;
    boolean says =
        cells.containsKey(Column.PIECES)
            || cells.containsKey(Column.REFS)
            || cells.containsKey(Column.COLOURS)
            || cells.containsKey(Column.SUPPLIED)
            || cells.containsKey(Column.VALUE);
    return says ? Optional.of(cells) : Optional.empty();
  }

  private String option(String line) {
    Matcher option = OPTION.matcher(line);
    if (!option.find()) {
      return line;
    }
    String label =
        option.group(3) != null
            ? "optional parts"
            : (option.group(1) != null ? option.group(1) : option.group(2)).strip();
    cells.put(Column.OPTION, label.toLowerCase(Locale.ROOT));
    return without(line, option);
  }

  private String included(String line) {
    Matcher missing = NOT_INCLUDED.matcher(line);
    if (!missing.find()) {
      return line;
    }
    cells.put(Column.SUPPLIED, "0");
    return without(line, missing);
  }

  private static String without(String line, Matcher found) {
    return (line.substring(0, found.start()) + " " + line.substring(found.end()))
        .replaceAll("\\s{2,}", " ")
        .strip();
  }

  private String count(String line) {
    Matcher count = COUNT.matcher(line);
    if (count.find()) {
      cells.put(Column.PIECES, count.group(1));
      return line.substring(count.end()).strip();
    }
    Matcher trailing = TRAILING_COUNT.matcher(line);
    if (trailing.find()) {
      cells.put(Column.PIECES, trailing.group(1) == null ? trailing.group(2) : trailing.group(1));
      return line.substring(0, trailing.start()).strip();
    }
    return bareCount(line);
  }

  /**
   * A number in front of a word, or of another number with a unit, is a count: {@code 2 USB
   * cables}.
   */
  private String bareCount(String line) {
    Matcher bare = BARE_COUNT.matcher(line);
    if (!bare.matches() || RefList.isRefs(bare.group(2).split("\\s")[0])) {
      return line;
    }
    cells.put(Column.PIECES, bare.group(1));
    return bare.group(2);
  }

  /** A socket for a chip takes the chip's number; what else is for a part has no place. */
  private String target(String line) {
    Matcher target = FOR_PART.matcher(line);
    if (!target.find() || target.start() == 0) {
      return line;
    }
    String name = line.substring(0, target.start()).strip();
    boolean others = ANY_REF.matcher(name).results().anyMatch(found -> isClass(found.group()));
    if (others) {
      // What a part is for is no second place of it.
      cells.put(Column.DESCRIPTION, line.substring(target.start()).strip());
      return name;
    }
    if (!SOCKET.matcher(name).matches() && !BESIDE.matcher(name).matches()) {
      return line;
    }
    if (!SOCKET.matcher(name).matches()) {
      cells.put(Column.DESCRIPTION, line);
      cells.putIfAbsent(Column.PIECES, "1");
      return "";
    }
    List<String> sockets = new ArrayList<>();
    Matcher ref = ANY_REF.matcher(target.group(1));
    while (ref.find()) {
      sockets.add("X" + ref.group());
    }
    cells.put(Column.REFS, String.join(" ", sockets));
    return name;
  }

  private static boolean isClass(String ref) {
    return RefList.prefix(ref).filter(KindGuess::isClass).isPresent();
  }

  /** {@code R1,2,4} is R1, R2 and R4. */
  private static String listed(MatchResult found) {
    StringBuilder all = new StringBuilder(found.group(1) + found.group(2));
    for (String number : found.group(3).split("[^0-9]+")) {
      if (!number.isEmpty()) {
        all.append(' ').append(found.group(1)).append(number);
      }
    }
    return Matcher.quoteReplacement(all.toString());
  }

  private static String ascending(MatchResult found) {
    int last = Integer.parseInt(found.group(2));
    for (String number : found.group(3).split("[^0-9]+")) {
      if (!number.isEmpty()) {
        int next = Integer.parseInt(number);
        if (next <= last) {
          return Matcher.quoteReplacement(found.group());
        }
        last = next;
      }
    }
    return listed(found);
  }

  /** Blanks within ranges, units and colour lists are closed: {@code R1 - R4}, {@code 10 kΩ}. */
  private static String join(String text) {
    String joined =
        text.replaceAll(
                "([A-Za-z]{1,6}[0-9]{1,5})\\s*(-|–|\\.{2,3}|…|\\bto\\b|\\bbis\\b)\\s*"
                    + "((?:[A-Za-z]{1,6})?[0-9]{1,5})(?![0-9A-Za-z.])",
                "$1-$3")
            .replaceAll(
                "(?<![A-Za-z0-9])([0-9]+(?:[.,][0-9]+)?)\\s+"
                    + "([kKM]?(?:Ω|ohms?|Ohms?)|[kKM]|[kM]Hz|[pnuµμm][FH]|mm|%|V|W)(?![A-Za-z])",
                "$1$2")
            .replaceAll("\\s*,\\s+", " , ")
            .replaceAll("[()\\[\\]]", " ");
    boolean refs = ANY_REF.matcher(joined).results().anyMatch(found -> isClass(found.group()));
    return refs ? joined : APART.matcher(joined).replaceAll("$1$2");
  }

  private void colours() {
    for (int i = 0; i < words.size(); i++) {
      Optional<String> taken = colours(words.get(i));
      if (taken.isPresent()) {
        cells.put(Column.COLOURS, taken.get());
        words.remove(i);
        return;
      }
    }
    spokenColours();
  }

  /** Colours joined by hyphens, slashes or commas: at least three, or a single black one. */
  private static Optional<String> colours(String word) {
    String[] parts = word.split("[-–/,]");
    boolean all = parts.length >= 3;
    for (String part : parts) {
      all &= BandColour.named(part).isPresent();
    }
    return all ? Optional.of(String.join("-", parts)) : Optional.empty();
  }

  /** At least three colours one after the other, with blanks or commas between. */
  private void spokenColours() {
    int from = -1;
    List<String> run = new ArrayList<>();
    for (int i = 0; i <= words.size(); i++) {
      String word = i < words.size() ? words.get(i) : "";
      boolean colour = BandColour.named(word).isPresent();
      if (colour) {
        from = run.isEmpty() ? i : from;
        run.add(word);
      } else if (!word.equals(",")) {
        if (run.size() >= 3) {
          cells.put(Column.COLOURS, String.join("-", run));
          words.subList(from, i).clear();
          return;
        }
        run.clear();
      }
    }
  }

  private void refs() {
    List<String> refs = new ArrayList<>();
    List<String> left = new ArrayList<>();
    boolean hardware = words.stream().anyMatch(word -> HARDWARE.matcher(word).matches());
    boolean known = words.stream().anyMatch(word -> isRefs(word, hardware) && isClass(bare(word)));
    for (String word : words) {
      boolean all = isRefs(word, hardware) && !isType(bare(word), known);
      if (all) {
        refs.add(bare(word));
      } else if (!(word.equals(",") || word.equals("&") || word.equals("and") || word.equals("und"))
          || refs.isEmpty()) {
        left.add(word);
      }
    }
    left.removeIf(word -> word.equals(","));
    words.clear();
    words.addAll(left);
    if (!refs.isEmpty()) {
      cells.merge(Column.REFS, String.join(" ", refs), (a, b) -> a);
    }
  }

  private static String bare(String word) {
    return word.replaceAll("^[:;,]+|[:;,]+$", "");
  }

  private static boolean isRefs(String word, boolean hardware) {
    String bare = bare(word);
    boolean all = !bare.isEmpty();
    for (String piece : bare.split("[,;/+&]")) {
      all &=
          RefList.isRefs(piece)
              && Character.isUpperCase(piece.charAt(0))
              && !isCode(piece, hardware);
    }
    return all;
  }

  /**
   * Type numbers look like designators: two letters and three digits. Letters of no class, beside a
   * designator, with three digits or by a scheme, are one.
   */
  private boolean isType(String word, boolean besideRefs) {
    if (isClass(word) || word.contains("-") || word.contains("–")) {
      return false;
    }
    String digits = word.replaceAll("\\D", "");
    return besideRefs
        || cells.containsKey(Column.REFS)
        || digits.length() >= 3
        || TypeNumber.of(word).isPresent();
  }

  /** Case names and battery sizes look like designators. */
  private static boolean isCode(String word, boolean hardware) {
    return word.matches("(TO|DO|SOT|DIP|DIL|SIP|SIL|SO|SOIC|CR|M|HC|SOD|E|PH)[0-9]+[A-Za-z]?")
        && (hardware || !word.matches("M[0-9]"));
  }

  private void tolerance() {
    for (int i = 0; i < words.size(); i++) {
      if (words.get(i).matches("(±|\\+/?-)?[0-9]+([.,][0-9]+)?%")) {
        cells.put(Column.TOLERANCE, words.remove(i));
        return;
      }
    }
  }

  /** The first word that reads as a quantity and is no length, voltage or power. */
  private void value() {
    if (words.stream().anyMatch(word -> HARDWARE.matcher(word).matches())
        && !cells.containsKey(Column.REFS)) {
      return;
    }
    for (int i = 0; i < words.size(); i++) {
      String word = words.get(i).replaceAll("[,;:]+$", "");
      boolean digit = !word.isEmpty() && Character.isDigit(word.charAt(0));
      boolean bare =
          word.matches("[0-9.,]+")
              && !cells.containsKey(Column.REFS)
              && !cells.containsKey(Column.PIECES);
      boolean other =
          word.matches("(?i).*[0-9](mm|cm|v|w|vdc|way|pin|ma|mah)") || word.matches("[0-9]+-.*");
      if (digit && !other && !bare && Quantity.parse(word) instanceof QuantityText.Read) {
        cells.put(Column.VALUE, word);
        words.remove(i);
        return;
      }
    }
  }

  private void rest() {
    if (!cells.containsKey(Column.VALUE)) {
      for (int i = 0; i < words.size(); i++) {
        if (TypeNumber.of(bare(words.get(i))).isPresent()) {
          cells.put(Column.VALUE, bare(words.remove(i)));
          break;
        }
      }
    }
    String rest = withoutEnds(String.join(" ", words));
    if (rest.isEmpty()) {
      return;
    }
    if (!cells.containsKey(Column.VALUE) && cells.containsKey(Column.REFS)) {
      cells.put(Column.VALUE, rest);
    } else {
      cells.merge(Column.DESCRIPTION, rest, (a, b) -> a + " " + b);
    }
  }

  /** Cuts dashes, stops and brackets off both ends; one that closes stays at the back. */
  private static String withoutEnds(String text) {
    int from = 0;
    int to = text.length();
    while (from < to && isEnd(text.charAt(from), true)) {
      from++;
    }
    while (to > from && isEnd(text.charAt(to - 1), false)) {
      to--;
    }
    return text.substring(from, to);
  }

  private static boolean isEnd(char c, boolean front) {
    return "-–:,;(".indexOf(c) >= 0 || (front && c == ')') || Character.isWhitespace(c);
  }
}
