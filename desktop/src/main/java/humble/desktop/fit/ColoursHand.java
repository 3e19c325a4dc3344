package humble.desktop.fit;

import humble.core.kit.Board;
import humble.core.kit.Line;
import humble.core.kit.Part;
import humble.core.kit.RefOrder;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Which colour goes where: lights and caps of several colours as a map of the board. */
final class ColoursHand extends StepHand {
  private boolean over;

  ColoursHand(Of of) {
    super(of);
  }

  /** Tells whether the kit has things of more than one colour. */
  static boolean hasMap(OpenBuild open) {
    return coloured(open).stream()
            .map(part -> part.line().particulars().colour())
            .distinct()
            .count()
        > 1;
  }

  private static List<Part> coloured(OpenBuild open) {
    return open.built().all().stream()
        .filter(part -> !part.line().particulars().colour().isEmpty())
        .filter(part -> part.placed().isPresent())
        .toList();
  }

  @Override
  public boolean over() {
    return over;
  }

  @Override
  String title() {
    return say("fit.colours.title");
  }

  @Override
  public Card card() {
    Card.Maker card = begun();
    coloured(open).stream()
        .map(Part::line)
        .distinct()
        .forEach((Line line) ->
            card.how(
                say("fit.colours.row", line.particulars().colour(), RefOrder.listed(line.refs()))));
    card.key(Card.ESC, say("mend.leave"), () -> over = true);
    return card.go(say("fit.colours.go"), () -> over = true);
  }

  @Override
  public Mat mat() {
    return new Painted(open, focused().flatMap(ref -> open.built().part(ref)), title());
  }

  /** The board of the part in hand, every coloured place with its colour in words. */
  private record Painted(OpenBuild open, Optional<Part> now, String spoken) implements Mat {
    @Override
    public void paint(Pen pen, double w, double h) {
      board()
          .ifPresent(board -> {
            BoardPicture picture =
                new BoardPicture(
                    open.built(), new BoardView(board, side(board), 0), 24, 24, w - 48, h - 48);
            picture.paint(pen, open.onBoard(), Set.of(), Set.of());
            coloured(open).stream()
                .filter(part -> part.placed().orElseThrow().board().equals(board.id()))
                .forEach(part -> {
                  double[] at = picture.px(part.placed().orElseThrow().at());
                  boolean here = now.filter(part::equals).isPresent();
                  pen.tag(
                      part.line().particulars().colour(),
                      at[0],
                      at[1],
                      here ? 17 : 14,
                      Token.INK,
                      here ? Token.COPPER_PALE : Token.CARD,
                      Pen.Hang.MIDDLE);
                });
          });
    }

    private Optional<Board> board() {
      List<Part> all = coloured(open);
      return now.stream()
          .filter(all::contains)
          .findFirst()
          .or(() -> all.stream().findFirst())
          .flatMap(part -> open.kit().board(part.placed().orElseThrow().board()));
    }

    private Side side(Board board) {
      return coloured(open).stream()
          .map(part -> part.placed().orElseThrow())
          .filter(place -> place.board().equals(board.id()))
          .findFirst()
          .map(place -> place.side())
          .orElse(Side.TOP);
    }
  }
}
