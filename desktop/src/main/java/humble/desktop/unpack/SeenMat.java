package humble.desktop.unpack;

import humble.core.kit.Parts;
import humble.core.orient.BoardView;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The board as another hand left it, with the parts lit that are looked at. */
record SeenMat(
    String title,
    Parts parts,
    Optional<BoardView> view,
    Set<String> fitted,
    List<String> refs,
    Faces faces)
    implements Mat {
  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    view.ifPresentOrElse(
        seen -> {
          BoardPicture board = new BoardPicture(parts, seen, 24, 48, w - 48, h - 72);
          board.paint(pen, fitted, new LinkedHashSet<>(refs), Set.of(), faces);
          for (String ref : refs) {
            parts
                .part(ref)
                .flatMap(part -> part.placed())
                .filter(place -> place.board().equals(seen.board().id()))
                .ifPresent(place -> {
                  double[] at = board.px(place.at());
                  pen.tag(ref, at[0], at[1] - 22, 16, Token.INK, Token.CARD, Pen.Hang.MIDDLE);
                });
          }
        },
        () -> pen.bold(String.join(", ", refs), w / 2, h / 2, 24, Token.INK, Pen.Hang.MIDDLE));
  }

  @Override
  public String spoken() {
    return title + ": " + String.join(", ", refs);
  }
}
