package humble.core.intake;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.kit.Finding;
import humble.core.kit.PartKind;
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
 * a value are told by what they look like; what is left is the description. Lines that name a bag
 * or a kind of part hold for those after them.
 *
 * @param title name of the kit, where the first line says it; empty when it does not
 * @param rows one row for each line that says something
 * @param problems lines that say nothing usable
 */
public record SheetText(String title, List<PartRow> rows, List<Finding> problems) {
  private static final int LONGEST_LINE = 4_000;
  private static final int LONGEST_TITLE = 60;

  private static final Pattern BULLET =
      Pattern.compile("^\\s*(?:[-–•*·☐□◻✓]|\\[[ xX]?\\]|[0-9]{1,3}[.)](?=\\s))\\s+");
  private static final Pattern HEADING = Pattern.compile("^[\\p{L} /&-]{3,40}:?$");
  private static final Pattern BAG =
      Pattern.compile(
          "(?i)^(?:bag|packet|pouch|beutel|tüte)\\s+(?:no\\.?\\s*|#\\s*)?([\\p{L}0-9]{1,12})"
              + "\\s*(?:[:.–-]\\s*(.*))?$");

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
    Reading reading = new Reading();
    Iterator<String> lines = text.lines().iterator();
    for (int i = 1; lines.hasNext(); i++) {
      String where = source + " line " + i;
      String written = lines.next();
      try {
        budget.items(1);
        budget.look();
      } catch (Spent e) {
        reading.problems.add(Finding.error(where, e.sentence()));
        break;
      }
      if (written.length() > LONGEST_LINE) {
        reading.problems.add(Finding.error(where, "The line is longer than 4000 characters."));
        continue;
      }
      reading.line(
          BULLET
              .matcher(Spelled.blanks(written))
              .replaceFirst("")
              .strip()
              .replaceAll("\\s{2,}", " "),
          where);
    }
    return new SheetText(reading.title, reading.rows, reading.problems);
  }

  /** What the lines before say of those after them. */
  private static final class Reading {
    private final List<PartRow> rows = new ArrayList<>();
    private final List<Finding> problems = new ArrayList<>();
    private String title = "";
    private String heading = "";
    private String bag = "";
    private boolean begun;

    void line(String line, String where) {
      if (line.isEmpty()) {
        return;
      }
      Matcher of = BAG.matcher(line);
      if (of.matches()) {
        begun = true;
        bag = of.group(1);
        heading = "";
        if (of.group(2) != null && !of.group(2).isBlank()) {
          inBag(of.group(2).strip(), where);
        }
      } else if (isHeading(line)) {
        begun = true;
        heading = line.replace(":", "").strip();
      } else {
        part(line, where);
      }
    }

    /** Behind a bag's number stands a part, or what is in it. */
    private void inBag(String rest, String where) {
      if (isHeading(rest)) {
        heading = rest.replace(":", "").strip();
      } else {
        row(rest, where)
            .ifPresentOrElse(
                rows::add,
                () ->
                    problems.add(
                        Finding.note(
                            where,
                            "'" + brief(rest) + "' is kept for no part of bag " + bag + ".")));
      }
    }

    private void part(String line, String where) {
      Optional<PartRow> row = row(line, where);
      if (row.isPresent()) {
        rows.add(row.get());
      } else if (!begun && line.length() <= LONGEST_TITLE) {
        title = line.replaceAll("[:.]+$", "");
        problems.add(Finding.note(where, "Taken for the name of the kit: '" + title + "'."));
      } else {
        problems.add(passedOver(line, where));
      }
      begun = true;
    }

    private Optional<PartRow> row(String line, String where) {
      return SheetLine.read(line)
          .map(read -> {
            Map<Column, String> cells = new EnumMap<>(Column.class);
            cells.putAll(read);
            if (!heading.isEmpty()) {
              cells.put(Column.KIND, heading);
            }
            if (!bag.isEmpty()) {
              cells.put(Column.BAG, bag);
            }
            return new PartRow(where, cells);
          });
    }
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
}
