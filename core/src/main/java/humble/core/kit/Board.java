package humble.core.kit;

import java.util.List;
import java.util.Map;

/**
 * A bare board.
 *
 * @param id name within the kit
 * @param revision what is printed on it
 * @param widthMm width, in millimetres
 * @param heightMm height, in millimetres
 * @param thicknessMm thickness, in millimetres
 * @param outline corners in order; a rectangle when the kit gives none
 * @param files board files by role, relative to the kit
 */
public record Board(
    String id,
    String revision,
    double widthMm,
    double heightMm,
    double thicknessMm,
    List<PointMm> outline,
    Map<String, String> files) {
  public Board {
    outline = List.copyOf(outline);
    files = Map.copyOf(files);
  }
}
