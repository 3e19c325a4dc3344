package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads a drill file line by line. What would move or add holes and is not known is refused. */
final class DrillReader {
  private static final int MOST_REPEATS = 10_000;
  private static final int LONGEST_NUMBER = 40;

  /** Header lines and commands that move no hole. */
  private static final Pattern HARMLESS =
      Pattern.compile(
          "(G05|G81|G90|G40|M0?[1689]|M1[48]|M2[05]|M50|M47.*|FMAT.*|ICI(,OFF)?|VER.*|DETECT.*"
              + "|ATC.*|TCST.*|CCW.*|CP.*|OM48|R,.*|AFS.*|BLKD.*|SBK.*|SG.*|SIXM.*|UP.*|ZA.*|ZC.*"
              + "|[FS][0-9.]+)");

  private static final Pattern REPEAT =
      Pattern.compile("R([0-9]{1,6})(?:X([+-]?[0-9.]+))?(?:Y([+-]?[0-9.]+))?");
  private static final Pattern ROUTED = Pattern.compile("G0?([01])(?![0-9])(.*)");
  private static final Pattern ZERO = Pattern.compile("G93(X.*|Y.*)?");
  private static final Pattern SPAN =
      Pattern.compile("FileFunction,(NonPlated|Plated|MixedPlating),([0-9]{1,3}),([0-9]{1,3}).*");

  private final String file;
  private final DrillForm form;
  private final Budget budget;
  private final Map<Integer, Double> tools = new HashMap<>();
  private final Map<Integer, DrillFile.Plating> platings = new HashMap<>();
  private final List<DrillFile.Hole> holes = new ArrayList<>();
  private final Set<String> notes = new LinkedHashSet<>();
  private DrillFile.Plating plating = DrillFile.Plating.UNSAID;
  private DrillFile.Plating chosen = DrillFile.Plating.UNSAID;
  private double diameter = Double.NaN;
  private double x;
  private double y;
  private double zeroX;
  private double zeroY;
  private int first;
  private int last;
  private boolean header;
  private boolean routing;
  private boolean cutting;
  private boolean down;

  DrillReader(String file, DrillForm form, Budget budget) {
    this.file = file;
    this.form = form;
    this.budget = budget;
    notes.addAll(form.notes());
  }

  DrillFile end() {
    return new DrillFile(holes, first, last, List.copyOf(notes));
  }

  /** Takes a line; tells whether the file is over. */
  boolean line(String text, int line) throws BoardFileDamage {
    if (text.startsWith(";")) {
      comment(text);
    } else if (text.equals("%") || text.startsWith("M95")) {
      header = false;
    } else if (text.startsWith("M48")) {
      header = true;
    } else if (text.startsWith("M30") || text.equals("M00")) {
      return true;
    } else if (text.startsWith("T") && !text.startsWith("TCST")) {
      tool(text, line);
    } else if (!text.isEmpty() && !text.matches("(METRIC|INCH|M7[12])(,.*)?")) {
      command(text, line);
    }
    return false;
  }

  private void comment(String text) {
    String plain = text.replace(" ", "");
    if (plain.contains("TYPE=NON_PLATED")) {
      plating = DrillFile.Plating.BARE;
    } else if (plain.contains("TYPE=PLATED")) {
      plating = DrillFile.Plating.PLATED;
    } else if (plain.contains("AperFunction,NonPlated")) {
      plating = DrillFile.Plating.BARE;
    } else if (plain.contains("AperFunction,Plated")) {
      plating = DrillFile.Plating.PLATED;
    }
    Matcher span = SPAN.matcher(plain.substring(Math.max(0, plain.indexOf("FileFunction"))));
    if (span.matches()) {
      first = Integer.parseInt(span.group(2));
      last = Integer.parseInt(span.group(3));
      switch (span.group(1)) {
        case "Plated" -> plating = DrillFile.Plating.PLATED;
        case "NonPlated" -> plating = DrillFile.Plating.BARE;
        case "MixedPlating" -> plating = DrillFile.Plating.UNSAID;
        default -> throw new IllegalStateException(span.group(1));
      }
    }
  }

  private void tool(String text, int line) throws BoardFileDamage {
    int end = 1;
    while (end < text.length() && Character.isDigit(text.charAt(end))) {
      end++;
    }
    if (end == 1) {
      throw damage(line, "A tool lacks its number.");
    }
    int number = Integer.parseInt(text.substring(1, Math.min(end, 6)));
    int c = text.indexOf('C', end);
    if (c >= 0) {
      int to = c + 1;
      while (to < text.length() && ".0123456789".indexOf(text.charAt(to)) >= 0) {
        to++;
      }
      tools.put(number, decimal(text.substring(c + 1, to), line) * form.unitMm());
      platings.put(number, plating);
    }
    if (!header) {
      // T0 puts the tool away, unless the file has a tool of that number.
      Double size =
          number == 0 && !tools.containsKey(0) ? Double.valueOf(Double.NaN) : tools.get(number);
      if (size == null) {
        throw damage(line, "There is no tool T" + number + ".");
      }
      diameter = size;
      chosen = platings.getOrDefault(number, plating);
    }
  }

  private void command(String text, int line) throws BoardFileDamage {
    if (text.startsWith("X") || text.startsWith("Y")) {
      place(text, line);
      return;
    }
    Matcher routed = ROUTED.matcher(text);
    Matcher zero = ZERO.matcher(text);
    Matcher repeat = REPEAT.matcher(text);
    if (routed.matches()) {
      routing = true;
      cutting = routed.group(1).equals("1");
      if (!routed.group(2).isEmpty()) {
        place(routed.group(2), line);
      }
    } else if (text.equals("M15")) {
      down = true;
    } else if (text.equals("M16") || text.equals("M17")) {
      down = false;
    } else if (zero.matches()) {
      zero(zero.group(1) == null ? "" : zero.group(1), line);
    } else if (repeat.matches()) {
      repeat(repeat, line);
    } else if (text.startsWith("G85") || !HARMLESS.matcher(text).matches()) {
      if (!header) {
        throw damage(line, "'" + shortened(text) + "' is no drill command known here.");
      }
      if (text.startsWith("ICI")) {
        throw damage(line, "Coordinates that count from the last hole are not read here.");
      }
      notes.add("'" + shortened(text) + "' in line " + line + " of the header says nothing here.");
    } else if (text.equals("G05") || text.equals("G81")) {
      routing = false;
      down = false;
    }
  }

  private static String shortened(String text) {
    return text.length() > 40 ? text.substring(0, 40) + "…" : text;
  }

  /** Everything after it counts from there. */
  private void zero(String text, int line) throws BoardFileDamage {
    zeroX = 0;
    zeroY = 0;
    point(text, line);
    zeroX = x;
    zeroY = y;
  }

  private void repeat(Matcher repeat, int line) throws BoardFileDamage {
    int count = Integer.parseInt(repeat.group(1));
    if (count > MOST_REPEATS || holes.isEmpty()) {
      throw damage(line, "A hole is repeated from 1 to 10000 times.");
    }
    double dx = repeat.group(2) == null ? 0 : coordinate(repeat.group(2), line);
    double dy = repeat.group(3) == null ? 0 : coordinate(repeat.group(3), line);
    DrillFile.Hole hole = holes.getLast();
    for (int i = 1; i <= count; i++) {
      PointMm by = new PointMm(i * dx, i * dy);
      keep(hole.at().plus(by), hole.to().plus(by));
    }
    x += count * dx;
    y += count * dy;
  }

  /** A hole, a slot, or a way of the router: each letter with its number, nothing else. */
  private void place(String text, int line) throws BoardFileDamage {
    int slot = text.indexOf("G85");
    PointMm before = new PointMm(x, y);
    point(slot < 0 ? text : text.substring(0, slot), line);
    PointMm at = new PointMm(x, y);
    if (routing) {
      if (cutting && down) {
        keepDrilled(before, at, line);
      }
      return;
    }
    if (slot >= 0) {
      point(text.substring(slot + 3), line);
    }
    keepDrilled(at, new PointMm(x, y), line);
  }

  private void keepDrilled(PointMm from, PointMm to, int line) throws BoardFileDamage {
    if (Double.isNaN(diameter)) {
      throw damage(line, "A hole is drilled before a tool is chosen.");
    }
    keep(from, to);
  }

  private void keep(PointMm from, PointMm to) {
    budget.items(1);
    holes.add(new DrillFile.Hole(from, to, diameter, chosen));
  }

  private void point(String text, int line) throws BoardFileDamage {
    int yAt = text.indexOf('Y');
    if (text.startsWith("X")) {
      x = coordinate(text.substring(1, yAt < 0 ? text.length() : yAt), line) + zeroX;
    }
    if (yAt >= 0) {
      y = coordinate(text.substring(yAt + 1), line) + zeroY;
    }
  }

  private double coordinate(String text, int line) throws BoardFileDamage {
    if (text.contains(".")) {
      decimal(text, line);
    } else if (!text.matches("[+-]?[0-9]{1,12}")) {
      throw damage(line, "'" + shortened(text) + "' is no coordinate.");
    }
    return form.coordinate(text);
  }

  private double decimal(String text, int line) throws BoardFileDamage {
    if (text.length() > LONGEST_NUMBER || !text.matches("[+-]?([0-9]+\\.?[0-9]*|\\.[0-9]+)")) {
      throw damage(line, "'" + shortened(text) + "' is no number.");
    }
    return Double.parseDouble(text);
  }

  private BoardFileDamage damage(int line, String text) {
    return new BoardFileDamage(file, line, text);
  }
}
