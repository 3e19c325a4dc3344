package humble.desktop.draw;

import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;

/**
 * The outline of a part as it looks from above, in its zero orientation, in millimetres: body and
 * the mark that tells which way round it is.
 *
 * @param body corners of the body; a circle when there is only its middle
 * @param radiusMm radius of a round body, 0 for a cornered one
 * @param mark the shape that tells the way round, empty when it has none
 */
record PartShape(List<PointMm> body, double radiusMm, List<PointMm> mark) {

  static PartShape of(Part part) {
    String id = part.pack().id();
    PartKind kind = part.line().kind();
    if (kind == PartKind.DISPLAY) {
      return new PartShape(box(-14, -19, 14, 2), 0, box(-12, -16, 12, -2));
    }
    if (id.startsWith("axial-")) {
      double half = span(part) / 2 - 1.9;
      return new PartShape(
          box(-half, -1.25, half, 1.25),
          0,
          kind.isDiode() ? box(-half + 0.3, -1.25, -half + 1.2, 1.25) : List.of());
    }
    if (id.startsWith("radial-") || id.equals("bead")) {
      double radius =
          id.startsWith("radial-10")
              ? 5
              : id.startsWith("radial-8") ? 4 : id.startsWith("radial-6") ? 3.15 : 2.5;
      return round(radius, box(radius * 0.55, -radius * 0.8, radius * 0.95, radius * 0.8));
    }
    if (id.startsWith("led-")) {
      double radius = id.equals("led-5") ? 2.9 : 1.9;
      return round(radius, box(-radius - 0.05, -1.2, -radius + 0.45, 1.2));
    }
    if (id.equals("half-round-3")) {
      return new PartShape(halfRound(), 0, box(-2.2, -1.35, 2.2, -1.05));
    }
    if (id.equals("buzzer-12")) {
      return round(6, List.of());
    }
    if (id.startsWith("disc-") || id.equals("film-5")) {
      double half = span(part) / 2 + 0.6;
      return new PartShape(box(-half, -1.1, half, 1.1), 0, List.of());
    }
    if (id.startsWith("crystal-")) {
      return new PartShape(box(-5.2, -2, 5.2, 2), 0, List.of());
    }
    if (id.equals("usb-edge")) {
      return new PartShape(box(-6, -4, 6, 2.5), 0, List.of());
    }
    if (part.pack().isDualInLine()) {
      double inset = kind == PartKind.SOCKET ? -1.1 : 0.6;
      double x = -part.pack().pins().getFirst().at().xMm() - inset;
      double y = part.pack().pins().getFirst().at().yMm() + 1.3;
      return new PartShape(
          box(-x, -y, x, y),
          0,
          List.of(
              new PointMm(-1, y),
              new PointMm(-0.7, y - 0.8),
              new PointMm(0.7, y - 0.8),
              new PointMm(1, y)));
    }
    return new PartShape(around(part.pack().pins()), 0, List.of());
  }

  private static double span(Part part) {
    List<PackagePin> pins = part.pack().pins();
    return pins.getFirst().at().distanceMm(pins.getLast().at());
  }

  private static PartShape round(double radius, List<PointMm> mark) {
    return new PartShape(List.of(new PointMm(0, 0)), radius, mark);
  }

  private static List<PointMm> box(double x1, double y1, double x2, double y2) {
    return List.of(
        new PointMm(x1, y1), new PointMm(x2, y1), new PointMm(x2, y2), new PointMm(x1, y2));
  }

  private static List<PointMm> around(List<PackagePin> pins) {
    double x = pins.stream().mapToDouble(pin -> Math.abs(pin.at().xMm())).max().orElse(0) + 1.27;
    double y = pins.stream().mapToDouble(pin -> Math.abs(pin.at().yMm())).max().orElse(0) + 1.27;
    return box(-x, -y, x, y);
  }

  /** Flat towards −y. */
  private static List<PointMm> halfRound() {
    List<PointMm> points = new ArrayList<>();
    for (int degrees = -32; degrees <= 212; degrees += 12) {
      points.add(
          new PointMm(
              2.5 * Math.cos(Math.toRadians(degrees)), 2.5 * Math.sin(Math.toRadians(degrees))));
    }
    return points;
  }
}
