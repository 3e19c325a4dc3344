package humble.formats.board;

import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;

/** A layer that says what is taken away: all within its extent is dark but what it draws. */
final class Negative {
  /** How far a plane is taken to reach beyond what is drawn in it, in millimetres. */
  private static final double MARGIN_MM = 1;

  private Negative() {}

  static List<Layer.Mark> of(List<Layer.Mark> marks) {
    if (marks.isEmpty()) {
      return marks;
    }
    List<PointMm> corners = new ArrayList<>();
    for (Layer.Mark mark : marks) {
      double[] box = mark.extent();
      corners.add(new PointMm(box[0], box[1]));
      corners.add(new PointMm(box[2], box[3]));
    }
    double[] all = Aperture.extent(corners);
    List<Layer.Mark> turned = new ArrayList<>();
    turned.add(
        new Layer.Region(
            Aperture.box(
                (all[0] + all[2]) / 2,
                (all[1] + all[3]) / 2,
                all[2] - all[0] + 2 * MARGIN_MM,
                all[3] - all[1] + 2 * MARGIN_MM),
            true,
            Layer.Tags.NONE));
    for (Layer.Mark mark : marks) {
      turned.add(
          switch (mark) {
            case Layer.Flash f -> new Layer.Flash(f.at(), f.aperture(), !f.dark(), f.tags());
            case Layer.Stroke s ->
                new Layer.Stroke(s.from(), s.to(), s.widthMm(), !s.dark(), s.tags());
            case Layer.Sweep s ->
                new Layer.Sweep(s.from(), s.to(), s.aperture(), !s.dark(), s.tags());
            case Layer.Region r -> new Layer.Region(r.corners(), !r.dark(), r.tags());
          });
    }
    return turned;
  }
}
