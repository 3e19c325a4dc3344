package humble.formats.board;

import humble.core.copper.Shape;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The shape of a pad or of a line's tip, about its middle, in millimetres.
 *
 * @param kind what it looks like
 * @param widthMm width
 * @param heightMm height
 * @param outlines areas it is made of, in the order drawn
 */
public record Aperture(Kind kind, double widthMm, double heightMm, List<Area> outlines) {
  private static final int ROUND_CORNERS = 24;

  public Aperture {
    outlines = List.copyOf(outlines);
  }

  /** What an aperture looks like; pin 1 is often the one rectangle among circles. */
  public enum Kind {
    CIRCLE,
    RECTANGLE,
    OBROUND,
    POLYGON,
    MACRO
  }

  /**
   * One area of an aperture; a clear one takes away.
   *
   * @param corners its outline, a round one by short lines
   * @param dark whether it is drawn
   * @param round what it is exactly, when it is round or has round ends
   */
  public record Area(List<PointMm> corners, boolean dark, Shape.@Nullable Stadium round) {
    public Area {
      corners = List.copyOf(corners);
    }

    Area(List<PointMm> corners, boolean dark) {
      this(corners, dark, null);
    }

    static Area disc(double x, double y, double radius, boolean dark) {
      PointMm middle = new PointMm(x, y);
      return new Area(
          Aperture.round(x, y, radius), dark, new Shape.Stadium(middle, middle, radius));
    }

    /** Gives what it covers about a middle. */
    Shape shape(PointMm about) {
      return round == null
          ? new Shape.Area(corners.stream().map(about::plus).toList())
          : new Shape.Stadium(about.plus(round.from()), about.plus(round.to()), round.radiusMm());
    }
  }

  static Aperture circle(double diameter) {
    return new Aperture(
        Kind.CIRCLE, diameter, diameter, List.of(Area.disc(0, 0, diameter / 2, true)));
  }

  static Aperture rectangle(double width, double height) {
    return new Aperture(
        Kind.RECTANGLE, width, height, List.of(new Area(box(0, 0, width, height), true)));
  }

  static Aperture obround(double width, double height) {
    List<PointMm> corners = new ArrayList<>();
    double radius = Math.min(width, height) / 2;
    double dx = width / 2 - radius;
    double dy = height / 2 - radius;
    for (int i = 0; i < ROUND_CORNERS; i++) {
      double angle = 2 * Math.PI * (i + 0.5) / ROUND_CORNERS;
      corners.add(
          new PointMm(
              Math.copySign(dx, Math.cos(angle)) + radius * Math.cos(angle),
              Math.copySign(dy, Math.sin(angle)) + radius * Math.sin(angle)));
    }
    Shape.Stadium exact = new Shape.Stadium(new PointMm(-dx, -dy), new PointMm(dx, dy), radius);
    return new Aperture(Kind.OBROUND, width, height, List.of(new Area(corners, true, exact)));
  }

  static Aperture polygon(double diameter, int corners, double turnDeg) {
    return new Aperture(
        Kind.POLYGON,
        diameter,
        diameter,
        List.of(new Area(polygon(0, 0, diameter, corners, turnDeg), true)));
  }

  /** Gives this aperture with a hole in its middle: round, or of a width and a height. */
  Aperture withHole(double width, double height) {
    List<Area> areas = new ArrayList<>(outlines);
    areas.add(
        height > 0 ? new Area(box(0, 0, width, height), false) : Area.disc(0, 0, width / 2, false));
    return new Aperture(kind, widthMm, heightMm, areas);
  }

  /** Tells whether it is one whole disc: what is drawn with it has round ends. */
  boolean isDisc() {
    return kind == Kind.CIRCLE;
  }

  static Aperture macro(List<Area> areas) {
    List<PointMm> all = new ArrayList<>();
    areas.stream().filter(Area::dark).forEach(area -> all.addAll(area.corners()));
    double[] box = all.isEmpty() ? new double[4] : extent(all);
    return new Aperture(Kind.MACRO, box[2] - box[0], box[3] - box[1], areas);
  }

  static List<PointMm> round(double x, double y, double radius) {
    return polygon(x, y, 2 * radius, ROUND_CORNERS, 0);
  }

  static List<PointMm> polygon(double x, double y, double diameter, int corners, double turnDeg) {
    List<PointMm> points = new ArrayList<>();
    for (int i = 0; i < corners; i++) {
      double angle = Math.toRadians(turnDeg) + 2 * Math.PI * i / corners;
      points.add(
          new PointMm(x + diameter / 2 * Math.cos(angle), y + diameter / 2 * Math.sin(angle)));
    }
    return points;
  }

  static List<PointMm> box(double x, double y, double width, double height) {
    return List.of(
        new PointMm(x - width / 2, y - height / 2),
        new PointMm(x + width / 2, y - height / 2),
        new PointMm(x + width / 2, y + height / 2),
        new PointMm(x - width / 2, y + height / 2));
  }

  /** Gives how many corners its areas have together. */
  int cornerCount() {
    int count = 0;
    for (Area area : outlines) {
      count += area.corners().size();
    }
    return count;
  }

  /** Gives left, bottom, right and top about the middle. */
  double[] extent() {
    List<PointMm> all = new ArrayList<>();
    outlines.stream().filter(Area::dark).forEach(area -> all.addAll(area.corners()));
    return all.isEmpty() ? new double[4] : extent(all);
  }

  static double[] extent(List<PointMm> points) {
    double[] box = {Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
    for (PointMm point : points) {
      box[0] = Math.min(box[0], point.xMm());
      box[1] = Math.min(box[1], point.yMm());
      box[2] = Math.max(box[2], point.xMm());
      box[3] = Math.max(box[3], point.yMm());
    }
    return box;
  }

  /** Gives this aperture mirrored, turned and scaled, as a load command asks. */
  Aperture changed(boolean mirrorX, boolean mirrorY, double turnDeg, double scale) {
    if (!mirrorX && !mirrorY && turnDeg == 0 && scale == 1) {
      return this;
    }
    List<Area> changed = new ArrayList<>();
    for (Area area : outlines) {
      changed.add(
          new Area(
              area.corners().stream()
                  .map(p -> changed(p, mirrorX, mirrorY, turnDeg, scale))
                  .toList(),
              area.dark(),
              area.round() == null
                  ? null
                  : new Shape.Stadium(
                      changed(area.round().from(), mirrorX, mirrorY, turnDeg, scale),
                      changed(area.round().to(), mirrorX, mirrorY, turnDeg, scale),
                      area.round().radiusMm() * scale)));
    }
    List<PointMm> all = changed.stream().flatMap(a -> a.corners().stream()).toList();
    double[] box = all.isEmpty() ? new double[4] : extent(all);
    return new Aperture(kind, box[2] - box[0], box[3] - box[1], changed);
  }

  private static PointMm changed(
      PointMm p, boolean mirrorX, boolean mirrorY, double turnDeg, double scale) {
    return new PointMm(
            (mirrorX ? -p.xMm() : p.xMm()) * scale, (mirrorY ? -p.yMm() : p.yMm()) * scale)
        .turned(turnDeg);
  }
}
