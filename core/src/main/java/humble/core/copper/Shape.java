package humble.core.copper;

import humble.core.kit.PointMm;
import java.util.List;

/** Something that a board file draws, in millimetres. */
public sealed interface Shape {
  /**
   * All points within a radius of a straight line: a track, a round pad where both ends are one
   * point, a long pad, a slot.
   */
  record Stadium(PointMm from, PointMm to, double radiusMm) implements Shape {}

  /** A filled outline; it may touch itself, as outlines with cut-ins do. */
  record Area(List<PointMm> corners) implements Shape {
    public Area {
      corners = List.copyOf(corners);
    }
  }

  /** A pad of several parts; a clear one takes away from those before it, and from nothing else. */
  record Stamp(List<Inked> parts) implements Shape {
    public Stamp {
      parts = List.copyOf(parts);
    }
  }

  /**
   * A shape that is drawn, or one that takes away what was drawn before.
   *
   * @param dark whether it is drawn
   */
  record Inked(Shape shape, boolean dark) {}
}
