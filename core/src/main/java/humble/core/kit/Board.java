package humble.core.kit;

import java.util.List;
import java.util.Map;

/**
 * A board, bare or one that a conversion goes into.
 *
 * @param id name within the kit
 * @param revision what is printed on it
 * @param widthMm width, in millimetres
 * @param heightMm height, in millimetres
 * @param thicknessMm thickness, in millimetres
 * @param outline corners in order; a rectangle when the kit gives none
 * @param files board files by role, relative to the kit
 * @param host whether it was there before the kit: what sits on it is surveyed, not fitted
 * @param coated whether it is lacquered, so that what is bared is coated again
 */
public record Board(
    String id,
    String revision,
    double widthMm,
    double heightMm,
    double thicknessMm,
    List<PointMm> outline,
    Map<String, String> files,
    boolean host,
    boolean coated) {
  public Board {
    outline = List.copyOf(outline);
    files = Map.copyOf(files);
  }

  /** Gives this board with another thickness. */
  public Board thick(double otherMm) {
    return new Board(id, revision, widthMm, heightMm, otherMm, outline, files, host, coated);
  }

  /** Makes a bare board. */
  public Board(
      String id,
      String revision,
      double widthMm,
      double heightMm,
      double thicknessMm,
      List<PointMm> outline,
      Map<String, String> files) {
    this(id, revision, widthMm, heightMm, thicknessMm, outline, files, false, false);
  }
}
