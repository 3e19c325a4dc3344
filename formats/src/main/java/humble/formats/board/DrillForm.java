package humble.formats.board;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How the numbers of a drill file are written: its unit, its digits, which zeros are left out. What
 * the file does not say is told by its numbers where they leave no doubt, and that is noted; where
 * they do not, the file is refused.
 *
 * @param unitMm millimetres of one unit
 * @param leadingKept whether zeros are left out behind, not in front
 * @param whole digits before the point
 * @param decimals digits behind it
 * @param notes what the file does not say and how it is read, each a sentence
 */
record DrillForm(double unitMm, boolean leadingKept, int whole, int decimals, List<String> notes) {
  private static final double INCH_MM = 25.4;

  /** No drill of boards is so thick in inches, nor so thin in millimetres. */
  private static final double THICKEST_INCH = 0.26;

  private static final int LONGEST_LINE = 200;

  private static final Pattern UNIT = Pattern.compile("(METRIC|INCH|M71|M72)(,.*)?");
  private static final Pattern SAID =
      Pattern.compile("(?i).*\\bunits?\\b[^a-z]{0,12}(mm|millimet|metric|inch|english).*");
  private static final Pattern DIGITS = Pattern.compile("(?i).*FILE_FORMAT=([0-9]):([0-9]).*");
  private static final Pattern ZEROS =
      Pattern.compile("(?i);.*\\bzeros? suppression\\b\\s*[:=]?\\s*(leading|trailing).*");
  private static final Pattern TOOL = Pattern.compile("T[0-9]{1,4}.*?C([0-9]*\\.?[0-9]+).*");
  private static final Pattern COORDINATE = Pattern.compile("[XY][+-]?([0-9]{1,12})(?![0-9.])");
  private static final Pattern FORM = Pattern.compile(",(0+)\\.(0+)$");

  DrillForm {
    notes = List.copyOf(notes);
  }

  /** What is gathered before a number is read. */
  private static final class Seen {
    private double unitMm;
    private String zeros = "";
    private int whole;
    private int decimals;
    private double thinnest = Double.MAX_VALUE;
    private double thickest;
    private int longest;
    private boolean uneven;
    private boolean leading;
    private boolean trailing;

    void line(String line) {
      // Longer ones are no lines of a drill file; patterns would look through them for ever.
      if (line.length() > LONGEST_LINE) {
        return;
      }
      Matcher unit = UNIT.matcher(line);
      Matcher tool = TOOL.matcher(line);
      if (unit.matches()) {
        unit(unit.group(1), line);
      } else if (line.startsWith(";")) {
        comment(line);
      } else if (tool.matches() && tool.group(1).length() < 12) {
        double size = Double.parseDouble(tool.group(1));
        if (size > 0) {
          thinnest = Math.min(thinnest, size);
          thickest = Math.max(thickest, size);
        }
      } else if (line.startsWith("X") || line.startsWith("Y") || line.startsWith("G")) {
        Matcher number = COORDINATE.matcher(line);
        while (number.find()) {
          digits(number.group(1));
        }
      }
    }

    private void unit(String word, String line) {
      unitMm = word.equals("INCH") || word.equals("M72") ? INCH_MM : 1;
      // TZ: trailing zeros are there, leading ones left out. LZ: the other way round.
      zeros = line.contains(",LZ") ? "leading" : line.contains(",TZ") ? "trailing" : zeros;
      Matcher form = FORM.matcher(line);
      if (form.find() && form.group(1).length() + form.group(2).length() < 13) {
        whole = form.group(1).length();
        decimals = form.group(2).length();
      }
    }

    private void comment(String line) {
      Matcher said = SAID.matcher(line);
      Matcher form = DIGITS.matcher(line);
      Matcher left = ZEROS.matcher(line);
      if (said.matches() && unitMm == 0) {
        String word = said.group(1).toLowerCase(java.util.Locale.ROOT);
        unitMm = word.startsWith("m") ? 1 : INCH_MM;
      }
      if (form.matches()) {
        whole = form.group(1).charAt(0) - '0';
        decimals = form.group(2).charAt(0) - '0';
      }
      if (left.matches() && zeros.isEmpty()) {
        zeros = left.group(1).equalsIgnoreCase("leading") ? "trailing" : "leading";
      }
    }

    private void digits(String number) {
      uneven |= longest != 0 && longest != number.length();
      longest = Math.max(longest, number.length());
      if (number.chars().allMatch(digit -> digit == '0')) {
        // The origin, however wide it is written, tells nothing of the others.
        return;
      }
      leading |= number.length() > 1 && number.startsWith("0");
      trailing |= number.length() > 1 && number.endsWith("0");
    }
  }

  static DrillForm of(String file, String text, LengthUnit assumed) throws BoardFileDamage {
    Seen seen = new Seen();
    text.lines().map(String::strip).forEach(seen::line);
    List<String> notes = new ArrayList<>();
    double unit = seen.unitMm != 0 ? seen.unitMm : assumed.mm();
    if (unit == 0 && seen.thickest > 0) {
      boolean inches = seen.thickest <= THICKEST_INCH;
      if (inches || seen.thinnest >= THICKEST_INCH) {
        unit = inches ? INCH_MM : 1;
        notes.add(
            "The file does not say its unit; drills from "
                + seen.thinnest
                + " to "
                + seen.thickest
                + (inches ? " can only be inches." : " are millimetres."));
      }
    }
    if (unit == 0) {
      throw new BoardFileDamage(
          file, 1, "The file does not say whether its lengths are millimetres or inches.", true);
    }
    int whole = seen.decimals > 0 ? seen.whole : unit == INCH_MM ? 2 : 3;
    int decimals = seen.decimals > 0 ? seen.decimals : unit == INCH_MM ? 4 : 3;
    boolean matters = seen.longest > 0 && (seen.uneven || seen.longest != whole + decimals);
    if (seen.zeros.isEmpty() && matters) {
      boolean leading = seen.leading || !seen.trailing;
      notes.add(
          "The file does not say which zeros are left out; it is read as if those "
              + (leading ? "behind" : "in front")
              + " were.");
      return new DrillForm(unit, leading, whole, decimals, notes);
    }
    return new DrillForm(unit, seen.zeros.equals("leading"), whole, decimals, notes);
  }

  /** Gives a coordinate, in millimetres. */
  double coordinate(String text) {
    if (text.contains(".")) {
      return Double.parseDouble(text) * unitMm;
    }
    boolean minus = text.startsWith("-");
    String digits = minus || text.startsWith("+") ? text.substring(1) : text;
    double value =
        leadingKept
            ? Double.parseDouble(digits) * Math.pow(10, whole - (double) digits.length())
            : Double.parseDouble(digits) * Math.pow(10, -decimals);
    return (minus ? -value : value) * unitMm;
  }
}
