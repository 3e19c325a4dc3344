package humble.bench.camera;

import humble.bench.camera.BareBoard.Drilled;
import humble.bench.camera.BareBoard.Printed;
import humble.bench.camera.BareBoard.Track;
import humble.core.kit.PointMm;

/** The board's surface as a fine raster of colours, edges softened by how much they cover. */
final class Surface {
  private final double perMm;
  private final int width;
  private final int height;
  private final float[] rgb;
  private final double boardHeight;

  Surface(BareBoard board, Paint paint, double perMm) {
    this.perMm = perMm;
    this.boardHeight = board.heightMm();
    this.width = (int) Math.ceil(board.widthMm() * perMm);
    this.height = (int) Math.ceil(board.heightMm() * perMm);
    this.rgb = new float[width * height * 3];
    for (int i = 0; i < width * height; i++) {
      System.arraycopy(paint.mask(), 0, rgb, i * 3, 3);
    }
    board.tracks().forEach(track -> stroke(track, paint.covered()));
    board.outlines().forEach(track -> stroke(track, paint.print()));
    for (Printed text : board.texts()) {
      StrokeText.strokes(text).forEach(track -> stroke(track, paint.print()));
    }
    for (Drilled hole : board.holes()) {
      if (hole.padMm() > 0) {
        disc(hole.at(), hole.padMm() / 2, hole.square(), paint.pad());
      }
      disc(hole.at(), hole.diameterMm() / 2, false, paint.hole());
    }
  }

  /**
   * Colours of a board, red, green, blue from 0 to 1.
   *
   * @param covered copper under the mask
   */
  record Paint(float[] mask, float[] covered, float[] print, float[] pad, float[] hole) {}

  private void disc(PointMm at, double radius, boolean square, float[] colour) {
    double reach = radius + 1 / perMm;
    over(
        at.xMm() - reach,
        at.yMm() - reach,
        at.xMm() + reach,
        at.yMm() + reach,
        colour,
        (x, y) -> {
          double dx = Math.abs(x - at.xMm());
          double dy = Math.abs(y - at.yMm());
          return radius - (square ? Math.max(dx, dy) : Math.hypot(dx, dy));
        });
  }

  private void stroke(Track track, float[] colour) {
    PointMm a = track.from();
    PointMm way = track.to().minus(a);
    double length = Math.max(1e-9, Math.hypot(way.xMm(), way.yMm()));
    double half = track.widthMm() / 2;
    double reach = half + 1 / perMm;
    over(
        Math.min(a.xMm(), track.to().xMm()) - reach,
        Math.min(a.yMm(), track.to().yMm()) - reach,
        Math.max(a.xMm(), track.to().xMm()) + reach,
        Math.max(a.yMm(), track.to().yMm()) + reach,
        colour,
        (x, y) -> {
          double dx = x - a.xMm();
          double dy = y - a.yMm();
          double along = Math.clamp((dx * way.xMm() + dy * way.yMm()) / length, 0, length) / length;
          return half - Math.hypot(dx - along * way.xMm(), dy - along * way.yMm());
        });
  }

  /** How far inside a point lies, in mm. */
  private interface Inside {
    double mm(double x, double y);
  }

  private void over(double x1, double y1, double x2, double y2, float[] colour, Inside inside) {
    int left = Math.max(0, (int) (x1 * perMm));
    int right = Math.min(width - 1, (int) (x2 * perMm));
    int top = Math.max(0, (int) ((boardHeight - y2) * perMm));
    int bottom = Math.min(height - 1, (int) ((boardHeight - y1) * perMm));
    for (int row = top; row <= bottom; row++) {
      double y = boardHeight - (row + 0.5) / perMm;
      for (int column = left; column <= right; column++) {
        double cover = inside.mm((column + 0.5) / perMm, y) * perMm + 0.5;
        if (cover > 0) {
          float share = (float) Math.min(1, cover);
          int at = (row * width + column) * 3;
          for (int i = 0; i < 3; i++) {
            rgb[at + i] += share * (colour[i] - rgb[at + i]);
          }
        }
      }
    }
  }

  /** Gives the colour at a board point. */
  void at(double x, double y, float[] into) {
    double fx = Math.clamp(x * perMm - 0.5, 0, width - 1.001);
    double fy = Math.clamp((boardHeight - y) * perMm - 0.5, 0, height - 1.001);
    int ix = (int) fx;
    int iy = (int) fy;
    float ax = (float) (fx - ix);
    float ay = (float) (fy - iy);
    int at = (iy * width + ix) * 3;
    int down = width * 3;
    for (int i = 0; i < 3; i++) {
      float upper = rgb[at + i] + ax * (rgb[at + 3 + i] - rgb[at + i]);
      float lower = rgb[at + down + i] + ax * (rgb[at + down + 3 + i] - rgb[at + down + i]);
      into[i] = upper + ay * (lower - upper);
    }
  }
}
