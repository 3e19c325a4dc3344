package humble.formats.board;

import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a Gerber file draws, in millimetres, in the order drawn.
 *
 * @param function file function attribute, such as {@code Copper,L1,Top}; empty when it has none
 * @param marks what is drawn
 */
public record Layer(String function, List<Mark> marks) {
  public Layer {
    marks = List.copyOf(marks);
  }

  /** One thing drawn; a clear one takes away what was drawn before. */
  public sealed interface Mark {
    /** Tells whether it is drawn, rather than cleared. */
    boolean dark();

    /** Gives what the file says about it. */
    Tags tags();

    /** Gives left, bottom, right and top, in millimetres. */
    double[] extent();
  }

  /**
   * What an object is said to be by its attributes.
   *
   * @param pin component pin as {@code REF.PIN}, empty when it is none
   * @param net net, empty when none is named
   * @param component component reference, empty when none is named
   */
  public record Tags(String pin, String net, String component) {
    static final Tags NONE = new Tags("", "", "");
  }

  /** A pad: one aperture put down. */
  public record Flash(PointMm at, Aperture aperture, boolean dark, Tags tags) implements Mark {
    @Override
    public double[] extent() {
      double[] box = aperture.extent();
      return new double[] {
        at.xMm() + box[0], at.yMm() + box[1], at.xMm() + box[2], at.yMm() + box[3]
      };
    }
  }

  /** A line of an aperture's width. */
  public record Stroke(PointMm from, PointMm to, double widthMm, boolean dark, Tags tags)
      implements Mark {
    @Override
    public double[] extent() {
      double half = widthMm / 2;
      return new double[] {
        Math.min(from.xMm(), to.xMm()) - half,
        Math.min(from.yMm(), to.yMm()) - half,
        Math.max(from.xMm(), to.xMm()) + half,
        Math.max(from.yMm(), to.yMm()) + half
      };
    }
  }

  /** A line drawn with an aperture that is no disc: all that it passes over. */
  public record Sweep(PointMm from, PointMm to, Aperture aperture, boolean dark, Tags tags)
      implements Mark {
    @Override
    public double[] extent() {
      return Aperture.extent(hull());
    }

    /** Gives the outline of what it passes over, counter-clockwise. */
    public List<PointMm> hull() {
      List<PointMm> all = new ArrayList<>();
      for (Aperture.Area area : aperture.outlines()) {
        if (area.dark()) {
          for (PointMm corner : area.corners()) {
            all.add(from.plus(corner));
            all.add(to.plus(corner));
          }
        }
      }
      return ConvexHull.of(all);
    }
  }

  /** A filled area. */
  public record Region(List<PointMm> corners, boolean dark, Tags tags) implements Mark {
    public Region {
      corners = List.copyOf(corners);
    }

    @Override
    public double[] extent() {
      return Aperture.extent(corners);
    }
  }

  /** Gives left, bottom, right and top of everything dark; empty when nothing is. */
  public Optional<double[]> extent() {
    double[] box = {Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
    boolean any = false;
    for (Mark mark : marks) {
      if (mark.dark()) {
        any = true;
        double[] one = mark.extent();
        box[0] = Math.min(box[0], one[0]);
        box[1] = Math.min(box[1], one[1]);
        box[2] = Math.max(box[2], one[2]);
        box[3] = Math.max(box[3], one[3]);
      }
    }
    return any ? Optional.of(box) : Optional.empty();
  }

  /** Gives the middle lines of a profile: the extent of its strokes without their width. */
  public Optional<double[]> outlineExtent() {
    double[] box = {Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
    for (Mark mark : marks) {
      List<PointMm> points =
          switch (mark) {
            case Stroke stroke -> List.of(stroke.from(), stroke.to());
            case Sweep sweep -> List.of(sweep.from(), sweep.to());
            case Region region -> region.corners();
            case Flash flash -> List.of();
          };
      for (PointMm point : points) {
        box[0] = Math.min(box[0], point.xMm());
        box[1] = Math.min(box[1], point.yMm());
        box[2] = Math.max(box[2], point.xMm());
        box[3] = Math.max(box[3], point.yMm());
      }
    }
    return box[0] <= box[2] ? Optional.of(box) : Optional.empty();
  }

  /** Gives the pads that the file says belong to a pin, by {@code REF.PIN}. */
  public Map<String, Flash> pins() {
    Map<String, Flash> pins = new java.util.LinkedHashMap<>();
    for (Mark mark : marks) {
      if (mark instanceof Flash flash && !flash.tags().pin().isEmpty()) {
        pins.putIfAbsent(flash.tags().pin(), flash);
      }
    }
    return pins;
  }
}
