package humble.core.intake;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.kit.Finding;
import humble.core.kit.PartKind;
import humble.core.marking.BandColour;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a parts list as it is typed off a paper sheet, one kind of part per line: {@code 3 x 10k
 * brown-black-orange R1 R4 R9}. Order does not matter much: a count, designators, band colours and
 * a value are told by what they look like; what is left is the description.
 *
 * @param rows one row for each line that says something
 * @param problems lines that say nothing usable
 */
public record SheetText(List<PartRow> rows, List<Finding> problems) {
  private static final int LONGEST_LINE = 4_000;

  private static final Pattern COUNT =
      Pattern.compile(
          "^\\(?([0-9]{1,5})\\)?\\s*(?:x|X|×|\\*|pcs\\.?|pieces?|off|st(?:ü|u)ck|stk\\.?)(?=\\s|[A-Za-z0-9])\\s*(?:of\\s)?");
  private static final Pattern BARE_COUNT =
      Pattern.compile(
          "([0-9]{1,3})\\s+((?!(?:k|m|M|R|Ω|ohms?|[pnuµμ]F?|[kM]Hz|mm|V|W|%|way|pin)(?:\\s|$))[\\p{L}0-9].*)");
  private static final Pattern HARDWARE =
      Pattern.compile("(?i).*(screw|nut|bolt|spacer|standoff|washer|post|schraube|mutter).*");
  private static final Pattern TRAILING_COUNT =
      Pattern.compile("\\s(?:x|X|×)\\s?([0-9]{1,5})$|\\(([0-9]{1,5})\\)$");
  private static final Pattern BULLET =
      Pattern.compile("^\\s*(?:[-–•*·☐□◻✓]|\\[[ xX]?\\]|[0-9]{1,3}[.)](?=\\s))\\s+");
  private static final Pattern HEADING = Pattern.compile("^[\\p{L} /&-]{3,40}:?$");

  public SheetText {
    rows = List.copyOf(rows);
    problems = List.copyOf(problems);
  }

  /**
   * Reads a text.
   *
   * @param text the sheet
   * @param source what the places in messages begin with, such as a file name
   * @param budget what its lines come out of; where it is spent, that is the last problem told
   */
  public static SheetText read(String text, String source, Budget budget) {
    List<PartRow> rows = new ArrayList<>();
    List<Finding> problems = new ArrayList<>();
    Iterator<String> lines = text.lines().iterator();
    String heading = "";
    for (int i = 1; lines.hasNext(); i++) {
      String where = source + " line " + i;
      String written = lines.next();
      try {
        budget.items(1);
        budget.look();
      } catch (Spent e) {
        problems.add(Finding.error(where, e.sentence()));
        break;
      }
      if (written.length() > LONGEST_LINE) {
        problems.add(Finding.error(where, "The line is longer than 4000 characters."));
        continue;
      }
      String line =
          BULLET
              .matcher(written.replace('\u00a0', ' ').replace('\t', ' '))
              .replaceFirst("")
              .strip()
              .replaceAll("\\s{2,}", " ");
      if (line.isEmpty()) {
        continue;
      }
      if (isHeading(line)) {
        heading = line.replace(":", "").strip();
        continue;
      }
      row(line, where, heading)
          .ifPresentOrElse(rows::add, () -> problems.add(passedOver(line, where)));
    }
    return new SheetText(rows, problems);
  }

  /** A line with a number in it was meant as a part; one without is a title or a remark. */
  private static Finding passedOver(String line, String where) {
    String text =
        "Neither a count, a value nor a designator stands in '"
            + brief(line)
            + "'; it is passed over.";
    return line.chars().anyMatch(Character::isDigit)
        ? Finding.error(where, text)
        : Finding.note(where, text);
  }

  private static String brief(String line) {
    return line.length() > 60 ? line.substring(0, 60) + "…" : line;
  }

  /** A line that only names a kind of part is a heading for those after it. */
  private static boolean isHeading(String line) {
    if (!HEADING.matcher(line).matches()) {
      return false;
    }
    KindGuess guess = KindGuess.of(List.of(), line, "", "");
    return line.endsWith(":") || (guess.kind() != PartKind.OTHER && !line.contains(" "));
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

  private static Optional<PartRow> row(String line, String where, String heading) {
    Map<Column, String> cells = new EnumMap<>(Column.class);
    String left = line;
    Matcher count = COUNT.matcher(left);
    if (count.find()) {
      cells.put(Column.PIECES, count.group(1));
      left = left.substring(count.end()).strip();
    } else {
      Matcher trailing = TRAILING_COUNT.matcher(left);
      if (trailing.find()) {
        cells.put(Column.PIECES, trailing.group(1) == null ? trailing.group(2) : trailing.group(1));
        left = left.substring(0, trailing.start()).strip();
      } else {
        left = bareCount(left, cells);
      }
    }
    List<String> words = new ArrayList<>(List.of(join(left).split("\\s+")));
    words.removeIf(String::isEmpty);
    take(words, cells, Column.COLOURS, SheetText::colours);
    takeRefs(words, cells);
    takeTolerance(words, cells);
    takeValue(words, cells);
    String rest = withoutEnds(String.join(" ", words));
    if (!cells.containsKey(Column.VALUE) && cells.containsKey(Column.REFS) && !rest.isEmpty()) {
      cells.put(Column.VALUE, rest);
    } else if (!rest.isEmpty()) {
      cells.put(Column.DESCRIPTION, rest);
    }
    if (!heading.isEmpty()) {
      cells.put(Column.KIND, heading);
    }
    boolean says =
        cells.containsKey(Column.PIECES)
            || cells.containsKey(Column.REFS)
            || cells.containsKey(Column.COLOURS)
            || cells.containsKey(Column.VALUE);
    return says ? Optional.of(new PartRow(where, cells)) : Optional.empty();
  }

  /**
   * A number in front of a word, or of another number with a unit, is a count: {@code 2 USB
   * cables}.
   */
  private static String bareCount(String line, Map<Column, String> cells) {
    Matcher bare = BARE_COUNT.matcher(line);
    if (!bare.matches() || RefList.isRefs(bare.group(2).split("\\s")[0])) {
      return line;
    }
    cells.put(Column.PIECES, bare.group(1));
    return bare.group(2);
  }

  /** Blanks within ranges, units and colour lists are closed: {@code R1 - R4}, {@code 10 kΩ}. */
  private static String join(String text) {
    return text.replaceAll(
            "([A-Za-z]{1,6}[0-9]{1,5})\\s*(-|–|\\.{2,3}|…|\\bto\\b|\\bbis\\b)\\s*((?:[A-Za-z]{1,6})?[0-9]{1,5})(?![0-9A-Za-z.])",
            "$1-$3")
        .replaceAll(
            "(?<![A-Za-z0-9])([0-9]+(?:[.,][0-9]+)?)\\s+([kKM]?(?:Ω|ohms?|Ohms?)|[kKM]|[kM]Hz|[pnuµμm][FH]|mm|%)(?![A-Za-z])",
            "$1$2")
        .replaceAll("\\s*,\\s+", " , ")
        .replaceAll("[()\\[\\]]", " ");
  }

  private interface Taker {
    Optional<String> of(String word);
  }

  private static void take(
      List<String> words, Map<Column, String> cells, Column column, Taker taker) {
    for (int i = 0; i < words.size(); i++) {
      Optional<String> taken = taker.of(words.get(i));
      if (taken.isPresent()) {
        cells.put(column, taken.get());
        words.remove(i);
        return;
      }
    }
    spokenColours(words, cells, column);
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
  private static void spokenColours(List<String> words, Map<Column, String> cells, Column column) {
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
          cells.put(column, String.join("-", run));
          words.subList(from, i).clear();
          return;
        }
        run.clear();
      }
    }
  }

  private static void takeRefs(List<String> words, Map<Column, String> cells) {
    List<String> refs = new ArrayList<>();
    List<String> left = new ArrayList<>();
    boolean hardware = words.stream().anyMatch(word -> HARDWARE.matcher(word).matches());
    for (String word : words) {
      String bare = word.replaceAll("^[:;,]+|[:;,]+$", "");
      boolean all = !bare.isEmpty();
      for (String piece : bare.split("[,;/+&]")) {
        all &=
            RefList.isRefs(piece)
                && Character.isUpperCase(piece.charAt(0))
                && !isCode(piece, hardware);
      }
      if (all) {
        refs.add(bare);
      } else if (!(word.equals(",") || word.equals("&") || word.equals("and") || word.equals("und"))
          || refs.isEmpty()) {
        left.add(word);
      }
    }
    left.removeIf(word -> word.equals(","));
    words.clear();
    words.addAll(left);
    if (!refs.isEmpty()) {
      cells.put(Column.REFS, String.join(" ", refs));
    }
  }

  /** Case names and battery sizes look like designators. */
  private static boolean isCode(String word, boolean hardware) {
    return word.matches("(TO|DO|SOT|DIP|DIL|SIP|SIL|SO|SOIC|CR|M|HC|SOD|E|PH)[0-9]+[A-Za-z]?")
        && (hardware || !word.matches("M[0-9]"));
  }

  private static void takeTolerance(List<String> words, Map<Column, String> cells) {
    for (int i = 0; i < words.size(); i++) {
      if (words.get(i).matches("(±|\\+/?-)?[0-9]+([.,][0-9]+)?%")) {
        cells.put(Column.TOLERANCE, words.remove(i));
        return;
      }
    }
  }

  /** The first word that reads as a quantity and is no length, voltage or power. */
  private static void takeValue(List<String> words, Map<Column, String> cells) {
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
}
