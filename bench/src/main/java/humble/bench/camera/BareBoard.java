package humble.bench.camera;

import humble.core.kit.PointMm;
import java.util.List;

/**
 * A bare board as it lies on a table: what is printed and drilled, in board millimetres, x right, y
 * up.
 *
 * @param texts what is printed in white
 */
public record BareBoard(
    double widthMm,
    double heightMm,
    List<Drilled> holes,
    List<Track> tracks,
    List<Printed> texts,
    List<Track> outlines) {
  /**
   * A hole.
   *
   * @param padMm width of the copper round it; 0 for a hole without
   * @param square whether the copper is square
   */
  public record Drilled(PointMm at, double diameterMm, double padMm, boolean square) {}

  /** Copper under the mask, or a printed line. */
  public record Track(PointMm from, PointMm to, double widthMm) {}

  /** Printed text, from its lower left. */
  public record Printed(String text, PointMm at, double heightMm) {}
}
