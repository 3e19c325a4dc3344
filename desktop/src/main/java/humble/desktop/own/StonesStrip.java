package humble.desktop.own;

import humble.core.own.Stone;
import humble.core.words.Words;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;

/** What a kit can do so far, as five stones that fill. */
record StonesStrip(Words words, List<Stone> stones) {
  static final double HEIGHT_PX = 104;
  private static final double POINT_PX = 16;

  void paint(Pen pen, double x, double y, double w) {
    pen.box(x, y, w, HEIGHT_PX, 10, Token.CARD, Token.LINE);
    double step = (w - 32) / stones.size();
    for (int i = 0; i < stones.size(); i++) {
      paint(pen, stones.get(i), x + 20 + i * step, y + 14, step - 14);
    }
  }

  private void paint(Pen pen, Stone stone, double x, double y, double w) {
    String name = words.say("own.stone." + stone.name().name().toLowerCase(java.util.Locale.ROOT));
    pen.bold(name, x, y + 6, Pen.sizeFor(name, 15, 12, w), Token.INK, Pen.Hang.LEFT);
    double top = y + 20;
    double h = 34;
    pen.shape(outline(x, top, w, h), stone.needed() == 0 ? null : Token.FIELD, null);
    double share = stone.share();
    if (share > 0) {
      pen.within(x, top, w * share, h, () -> pen.shape(outline(x, top, w, h), Token.COPPER, null));
    }
    pen.shape(outline(x, top, w, h), null, Token.INK);
    String away = away(stone);
    pen.text(away, x, top + h + 15, Pen.sizeFor(away, 14, 12, w), Token.INK_SOFT, Pen.Hang.LEFT);
  }

  private static List<double[]> outline(double x, double y, double w, double h) {
    double p = Math.min(POINT_PX, w / 4);
    return List.of(
        new double[] {x, y},
        new double[] {x + w - p, y},
        new double[] {x + w, y + h / 2},
        new double[] {x + w - p, y + h},
        new double[] {x, y + h},
        new double[] {x + p, y + h / 2});
  }

  private String away(Stone stone) {
    if (stone.needed() == 0) {
      return words.say("own.stone.none");
    }
    return stone.isReached()
        ? words.say("own.stone.reached")
        : words.say("own.stone.away", stone.away().size());
  }

  /** Says them in one sentence. */
  String spoken() {
    return String.join(
        "; ",
        stones.stream()
            .map(stone ->
                words.say("own.stone." + stone.name().name().toLowerCase(java.util.Locale.ROOT))
                    + ": "
                    + away(stone))
            .toList());
  }
}
