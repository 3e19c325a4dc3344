package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.kit.PointMm;
import humble.formats.ReadingBudget;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Reads a drill file as numerically controlled drills take it: a header with tools, then holes by
 * tool, slots by G85, in millimetres or inches, with zeros left out in front or behind.
 *
 * @param holes holes in the order drilled
 */
public record DrillFile(List<Hole> holes) {
  private static final double INCH_MM = 25.4;
  private static final int LONGEST_NUMBER = 40;

  public DrillFile {
    holes = List.copyOf(holes);
  }

  /**
   * One hole; a slot has another end.
   *
   * @param at its middle, or one end of a slot
   * @param to the other end of a slot, {@code at} for a round hole
   * @param diameterMm diameter of the tool
   */
  public record Hole(PointMm at, PointMm to, double diameterMm) {}

  /** How numbers are written in the file, and what is chosen. */
  private static final class Reading {
    private final String file;
    private final Budget budget;
    private final Map<Integer, Double> tools = new HashMap<>();
    private final List<Hole> holes = new ArrayList<>();
    private double unitMm = 1;
    private boolean leadingKept = true;
    private int whole = 3;
    private int decimals = 3;
    private double diameter = Double.NaN;
    private double x;
    private double y;
    private boolean header;
    private boolean ended;

    Reading(String file, Budget budget) {
      this.file = file;
      this.budget = budget;
    }

    void line(String text, int line) throws BoardFileDamage {
      if (text.isEmpty() || text.startsWith(";")) {
        return;
      }
      if (text.startsWith("M48")) {
        header = true;
      } else if (text.startsWith("METRIC")
          || text.startsWith("INCH")
          || text.startsWith("M71")
          || text.startsWith("M72")) {
        units(text);
      } else if (text.equals("%") || text.startsWith("M95")) {
        header = false;
      } else if (text.startsWith("M30") || text.equals("M00")) {
        ended = true;
      } else if (text.startsWith("T")) {
        tool(text, line);
      } else if (text.startsWith("X") || text.startsWith("Y")) {
        hole(text, line);
      } else if (!header
          && !text.matches(
              "(G05|G90|G00.*|G01.*|M1[567]|FMAT.*|ICI.*|VER.*|DETECT.*|ATC.*|R\\d.*)")) {
        throw new BoardFileDamage(
            file, line, "'" + shortened(text) + "' is no drill command known here.");
      }
    }

    private static String shortened(String text) {
      return text.length() > 40 ? text.substring(0, 40) + "…" : text;
    }

    private void units(String text) {
      boolean inch = text.startsWith("INCH") || text.startsWith("M72");
      unitMm = inch ? INCH_MM : 1;
      whole = inch ? 2 : 3;
      decimals = inch ? 4 : 3;
      // TZ: trailing zeros are there, leading ones left out. LZ: the other way round.
      leadingKept = text.contains(",LZ");
      int dot = text.lastIndexOf(',');
      String form = dot < 0 ? "" : text.substring(dot + 1);
      if (form.matches("0+\\.0+")) {
        whole = form.indexOf('.');
        decimals = form.length() - whole - 1;
      }
    }

    private void tool(String text, int line) throws BoardFileDamage {
      int end = 1;
      while (end < text.length() && Character.isDigit(text.charAt(end))) {
        end++;
      }
      if (end == 1) {
        throw new BoardFileDamage(file, line, "A tool lacks its number.");
      }
      int number = Integer.parseInt(text.substring(1, Math.min(end, 6)));
      int c = text.indexOf('C', end);
      if (c >= 0) {
        int to = c + 1;
        while (to < text.length() && ".0123456789".indexOf(text.charAt(to)) >= 0) {
          to++;
        }
        tools.put(number, decimal(text.substring(c + 1, to), line) * unitMm);
      }
      if (!header) {
        Double chosen = number == 0 ? Double.valueOf(Double.NaN) : tools.get(number);
        if (chosen == null) {
          throw new BoardFileDamage(file, line, "There is no tool T" + number + ".");
        }
        diameter = chosen;
      }
    }

    private void hole(String text, int line) throws BoardFileDamage {
      if (Double.isNaN(diameter)) {
        throw new BoardFileDamage(file, line, "A hole is drilled before a tool is chosen.");
      }
      int slot = text.indexOf("G85");
      point(slot < 0 ? text : text.substring(0, slot), line);
      PointMm at = new PointMm(x, y);
      if (slot >= 0) {
        point(text.substring(slot + 3), line);
      }
      budget.items(1);
      holes.add(new Hole(at, new PointMm(x, y), diameter));
    }

    private void point(String text, int line) throws BoardFileDamage {
      int yAt = text.indexOf('Y');
      if (text.startsWith("X")) {
        x = coordinate(text.substring(1, yAt < 0 ? text.length() : yAt), line);
      }
      if (yAt >= 0) {
        y = coordinate(text.substring(yAt + 1), line);
      }
    }

    private double coordinate(String text, int line) throws BoardFileDamage {
      if (text.contains(".")) {
        return decimal(text, line) * unitMm;
      }
      boolean minus = text.startsWith("-");
      String digits = text.replaceFirst("^[+-]", "");
      if (!digits.matches("[0-9]{1,12}")) {
        throw new BoardFileDamage(file, line, "'" + text + "' is no coordinate.");
      }
      double value =
          leadingKept
              ? Double.parseDouble(digits) * Math.pow(10, whole - (double) digits.length())
              : Double.parseDouble(digits) * Math.pow(10, -decimals);
      return (minus ? -value : value) * unitMm;
    }

    private double decimal(String text, int line) throws BoardFileDamage {
      if (text.length() > LONGEST_NUMBER || !text.matches("[+-]?([0-9]+\\.?[0-9]*|\\.[0-9]+)")) {
        throw new BoardFileDamage(file, line, "'" + text + "' is no number.");
      }
      return Double.parseDouble(text);
    }
  }

  /** Reads a drill file with the usual budget. */
  public static DrillFile read(String file, byte[] bytes) throws BoardFileDamage {
    return read(file, bytes, ReadingBudget.usual());
  }

  /**
   * Reads a drill file.
   *
   * @param file name for messages
   * @param bytes the file
   * @param budget what its holes come out of
   * @throws BoardFileDamage with file and line, at the first thing that cannot be read, or where
   *     the budget was spent
   */
  public static DrillFile read(String file, byte[] bytes, Budget budget) throws BoardFileDamage {
    Reading reading = new Reading(file, budget);
    BoardLines.each(
        file,
        bytes,
        budget,
        "The file ends without M30: it was cut off.",
        (line, number) -> {
          reading.line(line.strip(), number);
          return reading.ended;
        });
    return new DrillFile(reading.holes);
  }
}
