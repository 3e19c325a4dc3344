package humble.desktop.own;

import humble.core.kit.Board;
import humble.core.own.Edit;
import humble.core.own.Follows;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Asks how large the board is. */
final class BoardHand extends Hand {
  /** The answer's question, as the journal names it. */
  static final String QUESTION = "board:main";

  private static final Pattern SIZE = Pattern.compile("(\\d+(?:[.,]\\d+)?)/(\\d+(?:[.,]\\d+)?)");
  private static final double THICK_MM = 1.6;
  private static final double LEAST_MM = 3;
  private static final double MOST_MM = 2000;

  private final OwnBench bench;
  private final Runnable more;
  private final Runnable leave;

  BoardHand(OwnBench bench, Runnable more, Runnable leave) {
    super(bench.seat());
    this.leave = leave;
    this.bench = bench;
    this.more = more;
  }

  private record Size(double widthMm, double heightMm) {}

  private Optional<Size> size() {
    Matcher matcher = SIZE.matcher(typed().text());
    if (!matcher.matches()) {
      return Optional.empty();
    }
    Size size =
        new Size(
            Double.parseDouble(matcher.group(1).replace(',', '.')),
            Double.parseDouble(matcher.group(2).replace(',', '.')));
    double least = Math.min(size.widthMm(), size.heightMm());
    double most = Math.max(size.widthMm(), size.heightMm());
    return least >= LEAST_MM && most <= MOST_MM ? Optional.of(size) : Optional.empty();
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("own.board.kicker"), say("own.board.title"));
    card.how(say("own.board.how"));
    card.how(say("own.board.how.lies"));
    card.field(typed().text(), "mm", Takes.DIGITS);
    bench.trouble(card);
    card.silent('/', () -> typed().type(typed().text() + "/"));
    card.key('.', say("own.more"), more);
    card.key(Card.BACK, say("key.take-back"), bench::takeBack);
    card.why(say("own.board.why"));
    if (typed().isEmpty()) {
      return card.go(say("own.board.go.later"), leave);
    }
    return size()
        .map(
            size -> card.go(say("own.board.go", size.widthMm(), size.heightMm()), () -> keep(size)))
        .orElseGet(() -> card.notYet(say("own.board.go.none")));
  }

  private void keep(Size size) {
    Board board =
        new Board(
            "main", "", size.widthMm(), size.heightMm(), THICK_MM, List.of(), java.util.Map.of());
    String said = String.format(Locale.ROOT, "%s/%s", size.widthMm(), size.heightMm());
    typed().clear();
    bench.tell(
        QUESTION, said, new Follows(List.of(new Edit.PutBoard(board)), List.of("thickness:main")));
  }

  @Override
  public Mat mat() {
    Optional<Size> size = size();
    StonesStrip strip = new StonesStrip(seat.words(), bench.stones());
    String title = say("own.board.mat");
    String corner = say("own.board.mat.corner");
    return new Mat() {
      @Override
      public void paint(Pen pen, double w, double h) {
        pen.text(title, 20, 24, 17, Token.INK_SOFT, Pen.Hang.LEFT);
        double room = h - StonesStrip.HEIGHT_PX - 120;
        double share = size.map(s -> s.widthMm() / s.heightMm()).orElse(1.4);
        double high = Math.min(room * 0.9, (w - 180) / share);
        double wide = high * share;
        double x = (w - wide) / 2;
        double y = 60 + (room - high) / 2;
        pen.box(x, y, wide, high, 8, Token.BOARD, Token.INK);
        for (int i = 1; i < 12; i++) {
          pen.line(x + i * wide / 12, y, x + i * wide / 12, y + high, Token.MASK, 0.6);
        }
        for (int i = 1; i < 9; i++) {
          pen.line(x, y + i * high / 9, x + wide, y + i * high / 9, Token.MASK, 0.6);
        }
        pen.disc(x, y + high, 8, Token.FLUX, Token.INK, 2);
        pen.tag(corner, x + 6, y + high + 26, 15, Token.INK, Token.FLUX, Pen.Hang.LEFT);
        size.ifPresent(s -> {
          pen.bold(mm(s.widthMm()), x + wide / 2, y - 18, 20, Token.INK, Pen.Hang.MIDDLE);
          pen.bold(mm(s.heightMm()), x + wide + 14, y + high / 2, 20, Token.INK, Pen.Hang.LEFT);
        });
        strip.paint(pen, 18, h - StonesStrip.HEIGHT_PX - 14, w - 36);
      }

      @Override
      public String spoken() {
        return title + ". " + strip.spoken();
      }
    };
  }

  private String mm(double mm) {
    return say("own.mm", mm);
  }
}
