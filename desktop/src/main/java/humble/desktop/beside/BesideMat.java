package humble.desktop.beside;

import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.hand.Seat;
import java.util.List;
import java.util.Optional;

/**
 * A sheet with a tick for every line; above it, for a table of channels, the band with a mark where
 * each channel lies.
 *
 * @param title what it is
 * @param lines the lines
 * @param band the band, where there is one
 */
record BesideMat(String title, List<Line> lines, Optional<Band> band, Words words) implements Mat {
  private static final double ROW_PX = 34;

  /**
   * One line.
   *
   * @param standing how far it is, by the name the pen knows
   * @param text what it is
   * @param aside what stands at its right
   */
  record Line(String standing, String text, String aside) {}

  /**
   * A band with channels in it.
   *
   * @param low its left end
   * @param high its right end
   * @param from the lowest that the maker may use, {@code low} where nothing is stated
   * @param to the highest
   * @param channels where they lie, with whether something is against each
   */
  record Band(double low, double high, double from, double to, List<Mark> channels) {}

  /** A channel. */
  record Mark(double at, boolean odd) {}

  static BesideMat of(Seat seat, String title, List<Line> lines) {
    return new BesideMat(title, lines, Optional.empty(), seat.words());
  }

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.box(20, 20, w - 40, h - 40, 10, Token.CARD, Token.LINE);
    pen.bold(Pen.fitted(title, 20, w - 100), 44, 52, 20, Token.INK, Pen.Hang.LEFT);
    double top = 92;
    if (band.isPresent()) {
      band(pen, band.get(), 60, 150, w - 120);
      top = 240;
    }
    int most = (int) Math.max(1, (h - top - 40) / ROW_PX);
    // What is under way stays in sight.
    int now = 0;
    for (int i = 0; i < lines.size(); i++) {
      now = lines.get(i).standing().equals("now") ? i : now;
    }
    int from = Math.clamp(now - most / 2, 0, Math.max(0, lines.size() - most));
    for (int i = from; i < Math.min(lines.size(), from + most); i++) {
      line(pen, lines.get(i), 44, top + (i - from) * ROW_PX, w - 88);
    }
  }

  private static void line(Pen pen, Line line, double x, double y, double w) {
    if (line.standing().equals("now")) {
      pen.box(x - 8, y - ROW_PX / 2, w + 16, ROW_PX, 5, Token.FLUX_PALE, null);
    }
    pen.standing(x + 10, y, 9, line.standing());
    double aside = line.aside().isEmpty() ? 0 : w * 0.4;
    pen.text(Pen.fitted(line.text(), 17, w - aside - 40), x + 34, y, 17, Token.INK, Pen.Hang.LEFT);
    if (!line.aside().isEmpty()) {
      pen.text(Pen.fitted(line.aside(), 16, aside), x + w, y, 16, Token.INK_SOFT, Pen.Hang.RIGHT);
    }
  }

  private void band(Pen pen, Band band, double x, double y, double w) {
    double per = w / Math.max(1e-9, band.high() - band.low());
    double left = x + Math.max(0, (band.from() - band.low()) * per);
    double right = x + Math.min(w, (band.to() - band.low()) * per);
    pen.box(x, y, w, 30, 4, Token.FIELD, Token.INK_SOFT);
    pen.box(left, y, Math.max(0, right - left), 30, 4, Token.MASK_PALE, Token.INK);
    for (Mark mark : band.channels()) {
      double at = Math.clamp(x + (mark.at() - band.low()) * per, x - 12, x + w + 12);
      if (mark.odd()) {
        pen.diamond(at, y - 16, 10, Token.ALARM);
        pen.line(at, y - 6, at, y + 36, Token.ALARM, 2);
      } else {
        pen.disc(at, y - 14, 6, Token.COPPER, Token.INK, 1);
        pen.line(at, y - 8, at, y + 36, Token.COPPER, 2);
      }
    }
    pen.mono(number(band.low()), x, y + 52, 15, Token.INK, Pen.Hang.LEFT);
    pen.mono(number(band.high()), x + w, y + 52, 15, Token.INK, Pen.Hang.RIGHT);
    pen.text(
        words.say("beside.channels.band"), x + w / 2, y + 52, 15, Token.INK_SOFT, Pen.Hang.MIDDLE);
  }

  private static String number(double value) {
    return java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
  }

  @Override
  public String spoken() {
    return title;
  }
}
