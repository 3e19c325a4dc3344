package humble.bench.camera;

import humble.bench.camera.BareBoard.Drilled;
import humble.bench.camera.BareBoard.Printed;
import humble.bench.camera.BareBoard.Track;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Draws the lot for a bare board: rows, dual rows, pairs of holes, corner holes, text, tracks. */
public final class BoardDraw {
  private static final double PITCH_MM = 2.54;
  private static final double KEEP_MM = 2.0;

  private final Random random;
  private final double width;
  private final double height;
  private final List<Drilled> holes = new ArrayList<>();
  private final List<Printed> texts = new ArrayList<>();
  private final List<Track> outlines = new ArrayList<>();
  private final List<double[]> taken = new ArrayList<>();

  private BoardDraw(Random random, double width, double height) {
    this.random = random;
    this.width = width;
    this.height = height;
  }

  /** Gives a board of this size with as many parts as its area holds at most. */
  public static BareBoard of(Random random, double widthMm, double heightMm) {
    return new BoardDraw(random, widthMm, heightMm).drawn();
  }

  private BareBoard drawn() {
    if (random.nextInt(3) > 0) {
      corners();
    }
    for (int i = 0; i < 90; i++) {
      int kind = random.nextInt(10);
      if (kind < 2) {
        dual();
      } else if (kind < 4) {
        row();
      } else {
        pair();
      }
    }
    List<Track> tracks = new ArrayList<>();
    for (int i = 0; i + 1 < holes.size(); i += 2) {
      PointMm from = holes.get(random.nextInt(holes.size())).at();
      PointMm to = holes.get(random.nextInt(holes.size())).at();
      PointMm knee = new PointMm(to.xMm(), from.yMm());
      tracks.add(new Track(from, knee, 0.3 + random.nextDouble() * 0.5));
      tracks.add(new Track(knee, to, 0.3 + random.nextDouble() * 0.5));
    }
    return new BareBoard(
        width,
        height,
        List.copyOf(holes),
        List.copyOf(tracks),
        List.copyOf(texts),
        List.copyOf(outlines));
  }

  private void corners() {
    double in = 3.5;
    for (int i = 0; i < 4; i++) {
      double x = i % 2 == 0 ? in : width - in;
      double y = i < 2 ? in : height - in;
      holes.add(new Drilled(new PointMm(x, y), 3.2, random.nextBoolean() ? 0 : 6.0, false));
      taken.add(new double[] {x - 4, y - 4, x + 4, y + 4});
    }
  }

  private boolean free(double x1, double y1, double x2, double y2) {
    if (x1 < KEEP_MM || y1 < KEEP_MM || x2 > width - KEEP_MM || y2 > height - KEEP_MM) {
      return false;
    }
    for (double[] box : taken) {
      if (x1 < box[2] && x2 > box[0] && y1 < box[3] && y2 > box[1]) {
        return false;
      }
    }
    taken.add(new double[] {x1 - 0.6, y1 - 0.6, x2 + 0.6, y2 + 0.6});
    return true;
  }

  private PointMm somewhere() {
    return new PointMm(
        KEEP_MM + random.nextDouble() * (width - 2 * KEEP_MM),
        KEEP_MM + random.nextDouble() * (height - 2 * KEEP_MM));
  }

  private void hole(double x, double y, double diameter, boolean square) {
    holes.add(new Drilled(new PointMm(x, y), diameter, diameter + 0.7, square));
  }

  private void frame(double x1, double y1, double x2, double y2) {
    PointMm a = new PointMm(x1, y1);
    PointMm b = new PointMm(x2, y1);
    PointMm c = new PointMm(x2, y2);
    PointMm d = new PointMm(x1, y2);
    outlines.add(new Track(a, b, 0.15));
    outlines.add(new Track(b, c, 0.15));
    outlines.add(new Track(c, d, 0.15));
    outlines.add(new Track(d, a, 0.15));
  }

  private void dual() {
    PointMm at = somewhere();
    int count = 4 + random.nextInt(7);
    double across = random.nextInt(3) == 0 ? 15.24 : 7.62;
    double along = (count - 1) * PITCH_MM;
    if (free(at.xMm() - 1.4, at.yMm() - 1.4, at.xMm() + along + 1.4, at.yMm() + across + 3.2)) {
      for (int i = 0; i < count; i++) {
        hole(at.xMm() + i * PITCH_MM, at.yMm(), 0.8, i == 0);
        hole(at.xMm() + i * PITCH_MM, at.yMm() + across, 0.8, false);
      }
      frame(at.xMm() - 1.2, at.yMm() + 1.4, at.xMm() + along + 1.2, at.yMm() + across - 1.4);
      texts.add(new Printed("U" + random.nextInt(20), at.plus(new PointMm(1, across + 1.4)), 1.2));
    }
  }

  private void row() {
    PointMm at = somewhere();
    int count = 3 + random.nextInt(10);
    double along = (count - 1) * PITCH_MM;
    if (free(at.xMm() - 1.6, at.yMm() - 1.6, at.xMm() + along + 1.6, at.yMm() + 3.2)) {
      for (int i = 0; i < count; i++) {
        hole(at.xMm() + i * PITCH_MM, at.yMm(), 1.0, i == 0);
      }
      frame(at.xMm() - 1.4, at.yMm() - 1.4, at.xMm() + along + 1.4, at.yMm() + 1.4);
      texts.add(new Printed("J" + random.nextInt(20), at.plus(new PointMm(0, 1.7)), 1.2));
    }
  }

  private void pair() {
    PointMm at = somewhere();
    double[] spans = {2.54, 2.54, 5.0, 7.62, 10.16};
    double span = spans[random.nextInt(spans.length)];
    boolean lying = random.nextInt(3) > 0;
    double dx = lying ? span : 0;
    double dy = lying ? 0 : span;
    if (free(at.xMm() - 1.4, at.yMm() - 1.4, at.xMm() + dx + 1.4, at.yMm() + dy + 3.0)) {
      double size = 0.7 + random.nextInt(3) * 0.1;
      hole(at.xMm(), at.yMm(), size, span < 3 && random.nextBoolean());
      hole(at.xMm() + dx, at.yMm() + dy, size, false);
      if (span > 6) {
        boolean x = dx > 0;
        frame(
            at.xMm() + (x ? 1.4 : -1.0),
            at.yMm() + (x ? -1.0 : 1.4),
            at.xMm() + dx + (x ? -1.4 : 1.0),
            at.yMm() + dy + (x ? 1.0 : -1.4));
      }
      texts.add(
          new Printed("R" + random.nextInt(100), at.plus(new PointMm(dx / 2 - 1, dy + 1.4)), 1.0));
    }
  }
}
