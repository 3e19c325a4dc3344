package humble.desktop.fit;

import humble.core.craft.Inspection;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.PointMm;
import humble.core.orient.BoardView;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The joint in hand, magnified, and where it lies on the whole board. */
record InspectMat(
    Parts parts,
    BoardView view,
    Set<String> fitted,
    Optional<Inspection.Joint> joint,
    Inspection inspection,
    Map<String, String> seen,
    Faces faces,
    String side)
    implements Mat {
  private static final double CLOSE_MM = 22;

  @Override
  public void paint(Pen pen, double w, double h) {
    double small = Math.min(260, h * 0.34);
    PointMm at = joint.flatMap(j -> parts.padAt(j.pin())).orElse(view.board().outline().getFirst());
    BoardPicture close =
        BoardPicture.closeUp(
            parts, view, 24, 48, w - 48, h - small - 76, at, new PointMm(0, 0), CLOSE_MM);
    close.paint(pen, fitted, Set.of(), Set.of(), faces);
    joint.ifPresent(j -> rings(pen, close, j));
    pen.text(side, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    BoardPicture whole = new BoardPicture(parts, view, 24, h - small - 12, w - 48, small);
    whole.paint(pen, fitted, Set.of(), Set.of(), faces);
    dots(pen, whole);
    double[] here = whole.px(at);
    double half = CLOSE_MM / 2 * whole.scale();
    pen.box(here[0] - half, here[1] - half * 0.6, 2 * half, 1.2 * half, 2, null, Token.FLUX);
  }

  private void rings(Pen pen, BoardPicture close, Inspection.Joint j) {
    double[] here = parts.padAt(j.pin()).map(close::px).orElse(null);
    if (here == null) {
      return;
    }
    double radius = 1.3 * close.scale();
    Optional<PinRef> neighbour =
        j.close().map(call -> call.a().equals(j.pin()) ? call.b() : call.a());
    double[] there = neighbour.flatMap(parts::padAt).map(close::px).orElse(null);
    boolean above = there == null || there[1] >= here[1] - 1;
    if (there != null) {
      pen.dashed(here[0], here[1], there[0], there[1], Token.ALARM, 5);
      name(pen, neighbour.get(), there, above ? radius : -radius, Token.CARD);
    }
    pen.disc(here[0], here[1], radius, null, Token.CARD, 7);
    pen.disc(here[0], here[1], radius, null, Token.FLUX, 4);
    name(pen, j.pin(), here, above ? -radius : radius, Token.FLUX_PALE);
  }

  private static void name(Pen pen, PinRef pin, double[] px, double off, Token ground) {
    pen.tag(
        pin.toString(),
        px[0],
        px[1] + off + Math.copySign(16, off),
        18,
        Token.INK,
        ground,
        Pen.Hang.MIDDLE);
  }

  /** A filled dot where a joint was good, a diamond where it was not. */
  private void dots(Pen pen, BoardPicture whole) {
    for (Inspection.Joint each : inspection.joints()) {
      String what = seen.get(each.pin().toString());
      if (what != null) {
        parts
            .padAt(each.pin())
            .map(whole::px)
            .ifPresent(px -> {
              if (what.equals("good")) {
                pen.disc(px[0], px[1], 3, Token.FLUX, null, 0);
              } else {
                pen.diamond(px[0], px[1], 6, Token.ALARM);
              }
            });
      }
    }
  }

  @Override
  public String spoken() {
    return side + " " + joint.map(j -> j.pin().toString()).orElse("");
  }
}
