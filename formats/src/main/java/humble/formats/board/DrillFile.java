package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.kit.PointMm;
import humble.formats.ReadingBudget;
import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * A drill file as numerically controlled drills take it: a header with tools, then holes by tool,
 * slots by G85 or routed, in millimetres or inches, with zeros left out in front or behind.
 *
 * @param holes holes in the order drilled
 * @param first number of the uppermost layer of copper it goes through, 1 at the top; 0 when the
 *     file does not say
 * @param last number of the lowest; 0 when the file does not say
 * @param notes what the file does not say and how it was read, each a sentence
 */
public record DrillFile(List<Hole> holes, int first, int last, List<String> notes) {
  public DrillFile {
    holes = List.copyOf(holes);
    notes = List.copyOf(notes);
  }

  /** Whether the wall of a hole is copper. */
  public enum Plating {
    PLATED,
    BARE,
    /** The file does not say. */
    UNSAID
  }

  /**
   * One hole; a slot has another end.
   *
   * @param at its middle, or one end of a slot
   * @param to the other end of a slot, {@code at} for a round hole
   * @param diameterMm diameter of the tool
   * @param plating whether its wall is copper
   */
  public record Hole(PointMm at, PointMm to, double diameterMm, Plating plating) {}

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
    return read(file, bytes, LengthUnit.UNSAID, budget);
  }

  /** Reads a drill file; {@code unit} is that of a file that does not say its own. */
  static DrillFile read(String file, byte[] bytes, LengthUnit unit, Budget budget)
      throws BoardFileDamage {
    BoardLines.refuseLarge(file, bytes);
    DrillForm form = DrillForm.of(file, new String(bytes, StandardCharsets.ISO_8859_1), unit);
    DrillReader reader = new DrillReader(file, form, budget);
    BoardLines.each(
        file,
        bytes,
        budget,
        "The file ends without M30: it was cut off.",
        (line, number) -> reader.line(line.strip(), number));
    return reader.end();
  }
}
