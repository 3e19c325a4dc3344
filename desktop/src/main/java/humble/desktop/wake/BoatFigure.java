package humble.desktop.wake;

import humble.core.kit.PointMm;
import humble.core.wake.Pose;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.ArrayList;
import java.util.List;

/**
 * A boat with one sail: where its keel points tells how it is turned, on which side its sail stands
 * whether it is mirrored. No two of its eight poses are taken for each other at arm's length.
 */
final class BoatFigure {
  private static final double[][] HULL = {{-6, -2}, {6, -2}, {3.5, -6}, {-3.5, -6}};
  private static final double[][] MAST = {{-1.6, -2}, {-0.6, -2}, {-0.6, 6.5}, {-1.6, 6.5}};
  private static final double[][] SAIL = {{0, 6}, {5.5, -1}, {0, -1}};

  private BoatFigure() {}

  /** Gives what a display shows where it should be dark. */
  static Token ground(boolean inverted) {
    return inverted ? Token.ON_BOARD : Token.BOARD;
  }

  /** Gives what it shows where it should be white. */
  static Token ink(boolean inverted) {
    return inverted ? Token.BOARD : Token.ON_BOARD;
  }

  private static Token colour(boolean red, boolean inverted) {
    return red
        ? inverted ? Token.VERDIGRIS : Token.RED_LEAD
        : inverted ? Token.OCHRE : Token.COBALT;
  }

  /**
   * Draws it: white, or where the display has colours the hull red and the sail blue.
   *
   * @param colours how they come out
   */
  static void paint(
      Pen pen,
      Pose pose,
      DisplayPicture.Colours colours,
      boolean colour,
      double x,
      double y,
      double size) {
    Token white = ink(colours.inverted());
    double unit = size / 16;
    for (double[][] part : new double[][][] {HULL, MAST, SAIL}) {
      List<double[]> points = new ArrayList<>();
      for (double[] corner : part) {
        PointMm at = posed(pose, corner[0], corner[1]);
        points.add(new double[] {x + at.xMm() * unit, y - at.yMm() * unit});
      }
      pen.shape(
          points,
          !colour || part == MAST
              ? white
              : colour((part == HULL) != colours.swapped(), colours.inverted()),
          null);
    }
  }

  private static PointMm posed(Pose pose, double x, double y) {
    return new PointMm(pose.mirror() ? -x : x, y).turned(pose.rotateDeg());
  }

  /** Gives where the keel points: {@code down}, {@code right}, {@code up} or {@code left}. */
  static String keel(Pose pose) {
    return way(posed(pose, 0, -1));
  }

  /** Gives on which side the sail stands. */
  static String sail(Pose pose) {
    return way(posed(pose, 1, 0));
  }

  private static String way(PointMm to) {
    return Math.abs(to.xMm()) > Math.abs(to.yMm())
        ? to.xMm() > 0 ? "right" : "left"
        : to.yMm() > 0 ? "up" : "down";
  }
}
