package humble.desktop.own;

import humble.core.kit.PointMm;
import humble.core.kit.SeenHole;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.photo.Px;
import humble.photo.Straightening.Straightened;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.image.Image;
import org.jspecify.annotations.Nullable;

/**
 * A photo with the corners of the board, the holes that were seen, and what was clicked.
 *
 * @param factor pixels of the photo to one of the image
 * @param corners lower left, lower right, upper right, upper left
 * @param picked the corner that is being pulled; -1 for none
 * @param flat what was made of it; null where it is not up to date
 * @param ends of a length that is known
 * @param laid is told where the photo is
 */
record PhotoMat(
    String title,
    Image image,
    double factor,
    List<Px> corners,
    int picked,
    @Nullable Straightened flat,
    List<Px> ends,
    String lowerLeft,
    StonesStrip strip,
    Consumer<Laid> laid)
    implements Mat {
  private static final double TITLE_PX = 40;
  private static final double GAP_PX = 14;

  /** Where a photo is on the mat. */
  record Laid(double x, double y, double scale) {
    Px photo(double matX, double matY) {
      return new Px((matX - x) / scale, (matY - y) / scale);
    }

    double[] mat(Px at) {
      return new double[] {x + at.x() * scale, y + at.y() * scale};
    }
  }

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 24, Pen.sizeFor(title, 17, 13, w - 40), Token.INK_SOFT, Pen.Hang.LEFT);
    double room = h - TITLE_PX - StonesStrip.HEIGHT_PX - 2 * GAP_PX;
    double shrink = Math.min((w - 36) / image.getWidth(), room / image.getHeight());
    double wide = image.getWidth() * shrink;
    double high = image.getHeight() * shrink;
    Laid place = new Laid((w - wide) / 2, TITLE_PX + (room - high) / 2, shrink / factor);
    laid.accept(place);
    pen.image(image, place.x(), place.y(), wide, high);
    pen.box(place.x(), place.y(), wide, high, 0, null, Token.INK);
    pen.within(place.x(), place.y(), wide, high, () -> marks(pen, place));
    strip.paint(pen, 18, h - StonesStrip.HEIGHT_PX - GAP_PX, w - 36);
  }

  private void marks(Pen pen, Laid place) {
    Straightened straight = flat;
    if (straight != null) {
      for (SeenHole hole : straight.holes()) {
        double[] at = place.mat(straight.inPhoto().apply(hole.at()));
        double[] rim =
            place.mat(straight.inPhoto().apply(hole.at().plus(new PointMm(hole.diameterMm(), 0))));
        double radius = Math.max(4, Math.hypot(rim[0] - at[0], rim[1] - at[1]));
        pen.disc(at[0], at[1], radius, null, Token.INK, 3);
        pen.disc(at[0], at[1], radius, null, Token.ON_BOARD, 1.5);
      }
    }
    List<double[]> round = new ArrayList<>();
    for (int side = 0; side < corners.size(); side++) {
      round.add(place.mat(corners.get(side)));
    }
    for (int i = 0; i < round.size(); i++) {
      double[] a = round.get(i);
      double[] b = round.get((i + 1) % round.size());
      pen.line(a[0], a[1], b[0], b[1], Token.INK, 4);
      pen.line(a[0], a[1], b[0], b[1], Token.FLUX, 2);
    }
    for (int i = 0; i < round.size(); i++) {
      double[] at = round.get(i);
      double radius = i == picked ? 13 : 8;
      pen.disc(at[0], at[1], radius, i == picked ? null : Token.FLUX, Token.INK, 2);
      if (i == picked) {
        pen.disc(at[0], at[1], radius, null, Token.FLUX, 4);
        pen.disc(at[0], at[1], 1.5, Token.FLUX, Token.INK, 0.5);
      }
      pen.spot("corner:" + i, at[0] - 14, at[1] - 14, 28, 28);
    }
    if (!round.isEmpty()) {
      double[] at = round.getFirst();
      pen.tag(lowerLeft, at[0] + 14, at[1] + 22, 15, Token.INK, Token.FLUX, Pen.Hang.LEFT);
    }
    for (Px end : ends) {
      double[] at = place.mat(end);
      pen.disc(at[0], at[1], 7, null, Token.INK, 4);
      pen.disc(at[0], at[1], 7, null, Token.ALARM, 2);
    }
    if (ends.size() == 2) {
      double[] a = place.mat(ends.get(0));
      double[] b = place.mat(ends.get(1));
      pen.line(a[0], a[1], b[0], b[1], Token.ALARM, 2);
    }
  }

  @Override
  public String spoken() {
    return title + ". " + strip.spoken();
  }
}
