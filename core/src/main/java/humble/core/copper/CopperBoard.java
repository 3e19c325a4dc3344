package humble.core.copper;

import humble.core.kit.PointMm;
import java.util.List;

/**
 * The copper of a board, its holes and its edge.
 *
 * @param sheets layers of copper from the top to the bottom
 * @param bores holes and slots
 * @param edges lines of the profile, each from corner to corner; empty when it is not known
 */
public record CopperBoard(List<Sheet> sheets, List<Bore> bores, List<List<PointMm>> edges) {
  public CopperBoard {
    sheets = List.copyOf(sheets);
    bores = List.copyOf(bores);
    edges = List.copyOf(edges);
  }

  /**
   * One layer of copper.
   *
   * @param name what messages call it
   * @param marks what is drawn, in the order drawn
   */
  public record Sheet(String name, List<Shape.Inked> marks) {
    public Sheet {
      marks = List.copyOf(marks);
    }
  }

  /**
   * A hole or a slot.
   *
   * @param shape what the drill takes away
   * @param plated whether its wall is copper, which joins; else it only takes copper away
   * @param first number, from 0, of the uppermost sheet it goes through
   * @param last number of the lowest sheet
   */
  public record Bore(Shape.Stadium shape, boolean plated, int first, int last) {}
}
