package humble.desktop.fit;

import humble.core.host.Bared;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.orient.BoardView;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;
import java.util.Set;

/** The board of a host with the spots that are coated again, and what must stay free of it. */
record CoatMat(
    String title,
    String noCoat,
    Parts parts,
    BoardView view,
    Set<String> there,
    List<Bared> spots,
    List<Bared.KeptClear> clear)
    implements Mat {
  private static final double CROSS_PX = 13;

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    BoardPicture board = new BoardPicture(parts, view, 40, 52, w - 80, h - 96);
    board.paint(pen, there, Set.of(), Set.of());
    for (Bared spot : spots) {
      double[] at = board.px(spot.at());
      double radius = Math.max(16, spot.radiusMm() * board.scale());
      pen.disc(at[0], at[1], radius, null, Token.CARD, 9);
      pen.disc(at[0], at[1], radius, null, Token.FLUX, 4);
      pen.tag(spot.what(), at[0], at[1] + radius + 16, 15, Token.INK, Token.CARD, Pen.Hang.MIDDLE);
    }
    for (Bared.KeptClear each : clear) {
      parts
          .part(each.ref())
          .flatMap(Part::placed)
          .ifPresent(place -> cross(pen, board.px(place.at()), each.ref()));
    }
  }

  /** Two strokes and a word: nothing goes here. */
  private void cross(Pen pen, double[] at, String ref) {
    pen.line(at[0] - CROSS_PX, at[1] - CROSS_PX, at[0] + CROSS_PX, at[1] + CROSS_PX, Token.CARD, 9);
    pen.line(at[0] - CROSS_PX, at[1] + CROSS_PX, at[0] + CROSS_PX, at[1] - CROSS_PX, Token.CARD, 9);
    pen.line(
        at[0] - CROSS_PX, at[1] - CROSS_PX, at[0] + CROSS_PX, at[1] + CROSS_PX, Token.ALARM, 4);
    pen.line(
        at[0] - CROSS_PX, at[1] + CROSS_PX, at[0] + CROSS_PX, at[1] - CROSS_PX, Token.ALARM, 4);
    pen.tag(ref + ": " + noCoat, at[0], at[1] + 30, 15, Token.INK, Token.CARD, Pen.Hang.MIDDLE);
  }

  @Override
  public String spoken() {
    return title + ": " + String.join(", ", spots.stream().map(Bared::what).toList());
  }
}
