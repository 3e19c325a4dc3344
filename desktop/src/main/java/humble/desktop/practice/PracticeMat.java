package humble.desktop.practice;

import humble.core.kit.PackagePin;
import humble.core.kit.PointMm;
import humble.core.marking.BandColour;
import humble.core.marking.ResistorBands;
import humble.core.picture.Piece;
import humble.core.picture.TopView;
import humble.core.practice.Question;
import humble.core.units.Engineering;
import humble.core.words.Words;
import humble.desktop.draw.Lever;
import humble.desktop.draw.Mat;
import humble.desktop.draw.PartIcon;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * One thing to be read, large; along the bottom how well each skill is held, as cups that empty
 * with time.
 */
record PracticeMat(Optional<Question> asked, Optional<Boolean> right, List<Held> held, Words words)
    implements Mat {
  private static final double CUPS_PX = 118;
  private static final double PAD_PX = 26;

  /** So far a key stands off the part. */
  private static final double KEY_OFF_PX = 46;

  private static final int BITS = 8;

  /**
   * How well a skill is held.
   *
   * @param recall the chance that it is answered now; empty when it never was asked
   */
  record Held(String name, Optional<Double> recall, boolean due) {}

  @Override
  public void paint(Pen pen, double w, double h) {
    double tall = h - CUPS_PX;
    asked.ifPresent(question -> {
      switch (question) {
        case Question.Bands bands -> bands(pen, bands.bands(), w / 2, tall * 0.46, w * 0.56);
        case Question.Code code -> code(pen, code, w / 2, tall * 0.46);
        case Question.Lying lying -> lying(pen, lying, w / 2, tall * 0.5, Math.min(w, tall) * 0.3);
        case Question.Row row -> row(pen, row, w / 2, tall * 0.46, w);
        case Question.Two two -> two(pen, two, w / 2, tall * 0.48);
      }
    });
    cups(pen, 24, tall, w - 48);
  }

  private static void bands(Pen pen, List<BandColour> bands, double x, double y, double w) {
    pen.line(x - w * 0.62, y, x + w * 0.62, y, Token.INK, 4);
    PartIcon.resistor(pen, bands, x, y, w, w * 0.26, true);
  }

  private static void code(Pen pen, Question.Code code, double x, double y) {
    pen.line(x - 34, y + 70, x - 34, y + 170, Token.INK, 4);
    pen.line(x + 34, y + 70, x + 34, y + 158, Token.INK, 4);
    pen.oval(x, y, 130, 92, Token.COPPER_PALE, Token.INK, 2);
    pen.mono(code.printed(), x, y, 62, Token.INK, Pen.Hang.MIDDLE);
  }

  /** The part as it lies; from below it is hidden by the board, and only its joints are seen. */
  private void lying(Pen pen, Question.Lying lying, double x, double y, double reach) {
    List<Piece> pieces = TopView.of(lying.part());
    double most =
        pieces.getFirst().corners().stream()
            .map(lying::seen)
            .mapToDouble(at -> Math.max(Math.abs(at.xMm()), Math.abs(at.yMm())))
            .max()
            .orElse(1);
    double pins =
        lying.part().pack().pins().stream()
            .map(pin -> lying.seen(pin.at()))
            .mapToDouble(at -> Math.max(Math.abs(at.xMm()), Math.abs(at.yMm())))
            .max()
            .orElse(1);
    double scale = reach / Math.max(most, pins);
    if (lying.below()) {
      pen.box(x - reach * 1.5, y - reach * 1.3, 3 * reach, 2.6 * reach, 6, Token.BOARD, Token.INK);
    }
    for (Piece piece : pieces) {
      List<double[]> px =
          piece.corners().stream()
              .map(lying::seen)
              .map(at -> new double[] {x + at.xMm() * scale, y - at.yMm() * scale})
              .toList();
      if (lying.below()) {
        pen.outline(px, Token.MASK_PALE, piece.role() == Piece.Role.MARK ? 3 : 1.5);
        continue;
      }
      switch (piece.role()) {
        case BODY -> pen.shape(px, Token.TIN, Token.INK);
        case MARK -> pen.shape(px, Token.INK, null);
        case DETAIL -> pen.outline(px, Token.INK, 1.2);
      }
    }
    lying
        .part()
        .pack()
        .pins()
        .forEach(pin -> {
          PointMm at = lying.seen(pin.at());
          pen.disc(
              x + at.xMm() * scale,
              y - at.yMm() * scale,
              Math.clamp(0.7 * scale, 4, 14),
              Token.COPPER_PALE,
              Token.INK,
              1.5);
        });
    double[] half = halfOf(lying, pieces);
    lying
        .pads()
        .forEach(pad -> pad(pen, lying, pad, x, y, scale, half[0] * scale, half[1] * scale));
  }

  /** Half of what the part takes up, across and up, in millimetres. */
  private static double[] halfOf(Question.Lying lying, List<Piece> pieces) {
    double[] half = new double[2];
    Stream.concat(
            pieces.stream().flatMap(piece -> piece.corners().stream()),
            lying.part().pack().pins().stream().map(PackagePin::at))
        .map(lying::seen)
        .forEach(at -> {
          half[0] = Math.max(half[0], Math.abs(at.xMm()));
          half[1] = Math.max(half[1], Math.abs(at.yMm()));
        });
    return half;
  }

  /** A key stands outside the part, on the side to which its pad is nearer. */
  private void pad(
      Pen pen,
      Question.Lying lying,
      Question.Pad pad,
      double x,
      double y,
      double scale,
      double halfWide,
      double halfHigh) {
    int key = pad.key() - '1';
    int across = key % 3 - 1;
    int up = key / 3 - 1;
    double atX = pad.at().xMm() * scale;
    double atY = pad.at().yMm() * scale;
    boolean sideways =
        up == 0 || across != 0 && halfWide - Math.abs(atX) <= halfHigh - Math.abs(atY);
    double px = x + (sideways ? across * (halfWide + KEY_OFF_PX) : atX);
    double py = y - (sideways ? atY : up * (halfHigh + KEY_OFF_PX));
    boolean told = right.isPresent() && lying.wanted().isRight(pad.key());
    pen.box(
        px - PAD_PX,
        py - PAD_PX,
        2 * PAD_PX,
        2 * PAD_PX,
        6,
        told ? Token.FLUX_PALE : Token.CARD,
        Token.INK);
    pen.bold(String.valueOf(pad.key()), px, py, 28, Token.INK, Pen.Hang.MIDDLE);
    if (told) {
      pen.standing(px + PAD_PX, py - PAD_PX, 9, "done");
    }
    pen.spot("pad:" + pad.key(), px - PAD_PX, py - PAD_PX, 2 * PAD_PX, 2 * PAD_PX);
  }

  private static void row(Pen pen, Question.Row row, double x, double y, double w) {
    int figure = row.wanted().text().length() > 2 ? 3 : 4;
    double step = Math.min(76, (w - 120) / (BITS + 1));
    double at = x - step * (BITS - 1) / 2 - step * 0.2;
    for (int bit = BITS - 1; bit >= 0; bit--) {
      Lever.draw(pen, at, y, 1.7, row.value() >> bit & 1, false);
      pen.text(Integer.toString(bit), at, y + 66, 16, Token.INK_SOFT, Pen.Hang.MIDDLE);
      boolean last = bit % figure == 0;
      if (last && bit > 0) {
        pen.line(at + step * 0.7, y - 60, at + step * 0.7, y + 76, Token.LINE, 2);
      }
      at += step * (last ? 1.4 : 1);
    }
  }

  private void two(Pen pen, Question.Two two, double x, double y) {
    boolean beside = two.volts() == 0;
    if (beside) {
      pen.line(x - 190, y - 120, x + 190, y - 120, Token.INK, 3);
      pen.line(x - 190, y + 120, x + 190, y + 120, Token.INK, 3);
      upright(pen, two.firstOhms(), x - 110, y, 240);
      upright(pen, two.secondOhms(), x + 110, y, 240);
      pen.line(x - 190, y - 120, x - 190, y + 120, Token.INK, 3);
      meter(pen, x - 190, y, "Ω");
      pen.disc(x - 190, y - 120, 9, Token.FLUX, Token.INK, 1.5);
      pen.disc(x - 190, y + 120, 9, Token.FLUX, Token.INK, 1.5);
      return;
    }
    double top = y - 190;
    double low = y + 190;
    pen.line(x - 150, top, x, top, Token.INK, 3);
    pen.line(x - 150, low, x, low, Token.INK, 3);
    pen.bold(
        "+ " + Engineering.reading(two.volts(), "V"), x - 160, top, 22, Token.INK, Pen.Hang.RIGHT);
    pen.bold("−", x - 160, low, 22, Token.INK, Pen.Hang.RIGHT);
    upright(pen, two.firstOhms(), x, y - 95, 190);
    if (two.secondOhms() > 0) {
      upright(pen, two.secondOhms(), x, y + 95, 190);
      pen.line(x, y, x + 130, y, Token.INK, 3);
      pen.disc(x, y, 9, Token.FLUX, Token.INK, 1.5);
      meter(pen, x + 156, y, "V");
    } else {
      light(pen, two.forwardVolts(), x, y + 95, 190);
      pen.bold(words.say("practice.mat.amps"), x + 150, y, 20, Token.INK, Pen.Hang.LEFT);
    }
  }

  /** A resistor that stands upright between two points, with its bands and its value. */
  private static void upright(Pen pen, double ohms, double x, double y, double length) {
    pen.line(x, y - length / 2, x, y + length / 2, Token.INK, 3);
    double tall = 96;
    double wide = 34;
    pen.box(x - wide / 2, y - tall / 2, wide, tall, 14, Token.FLUX_PALE, Token.INK);
    List<BandColour> bands = ResistorBands.paint(ohms, 5.0, 4).orElse(List.of());
    for (int i = 0; i < bands.size(); i++) {
      double at = y - tall * 0.36 + i * tall * 0.2 + (i == 3 ? tall * 0.06 : 0);
      pen.paint(x - wide / 2 + 1, at, wide - 2, tall * 0.1, PartIcon.paint(bands.get(i)));
    }
    pen.bold(Engineering.nominal(ohms, "Ω"), x + wide / 2 + 14, y, 24, Token.INK, Pen.Hang.LEFT);
  }

  private static void light(Pen pen, double volts, double x, double y, double length) {
    pen.line(x, y - length / 2, x, y + length / 2, Token.INK, 3);
    pen.shape(
        List.of(
            new double[] {x - 30, y - 26}, new double[] {x + 30, y - 26}, new double[] {x, y + 26}),
        Token.COPPER_PALE,
        Token.INK);
    pen.line(x - 30, y + 26, x + 30, y + 26, Token.INK, 4);
    pen.bold(Engineering.reading(volts, "V"), x + 44, y, 24, Token.INK, Pen.Hang.LEFT);
  }

  private static void meter(Pen pen, double x, double y, String unit) {
    pen.disc(x, y, 26, Token.CARD, Token.INK, 2);
    pen.bold(unit, x, y, 22, Token.INK, Pen.Hang.MIDDLE);
  }

  /** A cup for each skill, filled as far as it is likely to be answered now. */
  private void cups(Pen pen, double x, double y, double w) {
    pen.line(x, y, x + w, y, Token.LINE, 1.5);
    double step = w / held.size();
    for (int i = 0; i < held.size(); i++) {
      Held each = held.get(i);
      double at = x + step * (i + 0.5);
      double wide = Math.min(40, step * 0.6);
      double top = y + 20;
      double tall = 34;
      double full = each.recall().orElse(0.0);
      pen.box(at - wide / 2, top, wide, tall, 4, Token.CARD, Token.INK_SOFT);
      if (full > 0) {
        pen.box(
            at - wide / 2 + 2,
            top + 2 + (tall - 4) * (1 - full),
            wide - 4,
            (tall - 4) * full,
            2,
            Token.COPPER,
            null);
      }
      if (each.due()) {
        pen.standing(at + wide / 2, top, 7, each.recall().isPresent() ? "guessed" : "todo");
      }
      name(pen, each.name(), at, top + tall + 16, step - 6);
    }
  }

  /** A name of two lines at most stands under its cup, smaller rather than cut. */
  private static void name(Pen pen, String name, double x, double y, double w) {
    int blank = name.indexOf(' ', name.length() / 2 - 2);
    String first = blank < 0 ? name : name.substring(0, blank);
    String second = blank < 0 ? "" : name.substring(blank + 1);
    double size = Math.min(Pen.sizeFor(first, 14, 11, w), Pen.sizeFor(second, 14, 11, w));
    pen.text(first, x, y, size, Token.INK_SOFT, Pen.Hang.MIDDLE);
    pen.text(second, x, y + size + 3, size, Token.INK_SOFT, Pen.Hang.MIDDLE);
  }

  @Override
  public String spoken() {
    return asked
        .map(question ->
            switch (question) {
              case Question.Bands bands ->
                  String.join(", ", bands.bands().stream().map(BandColour::text).toList());
              case Question.Code code -> code.printed();
              case Question.Lying lying -> words.say("practice.ask." + lying.skill().text());
              case Question.Row row -> spokenRow(row);
              case Question.Two two ->
                  Engineering.nominal(two.firstOhms(), "Ω")
                      + (two.secondOhms() > 0
                          ? ", " + Engineering.nominal(two.secondOhms(), "Ω")
                          : "")
                      + (two.volts() > 0 ? ", " + Engineering.reading(two.volts(), "V") : "");
            })
        .orElse(words.say("practice.kicker"));
  }

  private static String spokenRow(Question.Row row) {
    StringBuilder bits = new StringBuilder();
    for (int bit = BITS - 1; bit >= 0; bit--) {
      bits.append(row.value() >> bit & 1);
    }
    return bits.toString();
  }
}
