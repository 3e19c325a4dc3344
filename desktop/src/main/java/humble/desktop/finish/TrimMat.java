package humble.desktop.finish;

import humble.core.kit.Trim;
import humble.core.trim.Goal;
import humble.core.trim.Knob;
import humble.core.trim.TrimState;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;
import java.util.Locale;

/**
 * The screws as dials, the settings that were tried as a path in the plane of the first two of
 * them, and the readings in their course, with the spread that the meter cannot tell apart.
 */
record TrimMat(Trim trim, TrimState state, List<Double> from, List<Double> to, Words words)
    implements Mat {
  private static final double WIDE_RATIO = 20;
  private static final int MOST_NUMBERS = 30;

  /** So many tries are kept in sight when the plane is magnified. */
  private static final int LATEST = 5;

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(trim.title(), 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    int n = trim.knobs().size();
    double top = h * 0.47;
    double radius = Math.min(Math.min(w / n / 2 - 50, top / 2 - 62), 110);
    for (int i = 0; i < n; i++) {
      double x = w * (i + 0.5) / n;
      new ScrewDrawing(trim.knobs().get(i), from.get(i), to.get(i), words)
          .paint(pen, x, top / 2 + 20, radius);
    }
    double below = top + 44;
    double tall = h - below - 40;
    if (n > 1) {
      double side = Math.min(tall, w * 0.42);
      plane(pen, 54, below, side);
      course(pen, 54 + side + 92, below, w - side - 54 - 92 - 30, tall);
    } else {
      course(pen, 84, below, w - 130, tall);
    }
  }

  private double share(int knob, double setting) {
    return trim.knobs().get(knob).knob().share(setting);
  }

  /** The number of the best try, from 0; below 0 before the first. */
  private int bestTry() {
    return state.best().map(state.tries()::lastIndexOf).orElse(-1);
  }

  /** What of the plane is shown: all of it, or magnified where the last tries lie. */
  private double[] shown(int knob) {
    double low = share(knob, to.get(knob));
    double high = low;
    int size = state.tries().size();
    int best = bestTry();
    for (int k = 0; k < size; k++) {
      if (k == best || k >= size - LATEST) {
        double at = share(knob, state.tries().get(k).at().get(knob));
        low = Math.min(low, at);
        high = Math.max(high, at);
      }
    }
    return new double[] {low, high};
  }

  private Plane plane(double x, double y, double side) {
    double[] one = shown(0);
    double[] two = shown(1);
    double wide = 1.3 * Math.max(Math.max(one[1] - one[0], two[1] - two[0]), 0.04);
    if (state.tries().size() <= LATEST || wide > 0.5) {
      return new Plane(0, 0, 1, x, y, side);
    }
    return new Plane(
        Math.clamp((one[0] + one[1] - wide) / 2, 0, 1 - wide),
        Math.clamp((two[0] + two[1] - wide) / 2, 0, 1 - wide),
        wide,
        x,
        y,
        side);
  }

  /** A square of the plane of two screws, where it is drawn. */
  private record Plane(double left, double low, double wide, double x, double y, double side) {
    double[] px(double one, double two) {
      return new double[] {x + side * (one - left) / wide, y + side * (1 - (two - low) / wide)};
    }

    boolean holds(double[] at) {
      return at[0] >= x - 1 && at[0] <= x + side + 1 && at[1] >= y - 1 && at[1] <= y + side + 1;
    }
  }

  private String setting(int knob, double share) {
    Knob of = trim.knobs().get(knob).knob();
    return TrimHand.number(of.low() + share * (of.high() - of.low()));
  }

  private void plane(Pen pen, double x, double y, double side) {
    Plane plane = plane(x, y, side);
    pen.box(x, y, side, side, 4, Token.CARD, Token.LINE);
    for (int i = 1; i < 4; i++) {
      pen.line(x + side * i / 4, y, x + side * i / 4, y + side, Token.LINE, 1);
      pen.line(x, y + side * i / 4, x + side, y + side * i / 4, Token.LINE, 1);
    }
    double below = y + side + 18;
    pen.text(
        trim.knobs().get(0).knob().id() + " →",
        x + side / 2,
        below,
        15,
        Token.INK_SOFT,
        Pen.Hang.MIDDLE);
    pen.text(setting(0, plane.left()), x, below, 14, Token.INK_SOFT, Pen.Hang.LEFT);
    pen.text(
        setting(0, plane.left() + plane.wide()),
        x + side,
        below,
        14,
        Token.INK_SOFT,
        Pen.Hang.RIGHT);
    pen.text(
        "↑ " + trim.knobs().get(1).knob().id(),
        x - 6,
        y + side / 2,
        15,
        Token.INK_SOFT,
        Pen.Hang.RIGHT);
    pen.text(setting(1, plane.low()), x - 6, y + side - 8, 14, Token.INK_SOFT, Pen.Hang.RIGHT);
    pen.text(
        setting(1, plane.low() + plane.wide()), x - 6, y + 8, 14, Token.INK_SOFT, Pen.Hang.RIGHT);
    double[] last = null;
    int best = bestTry();
    int size = state.tries().size();
    for (int k = 0; k < size; k++) {
      double[] at = spot(state.tries().get(k).at(), plane);
      if (last != null && plane.holds(last) && plane.holds(at)) {
        pen.line(last[0], last[1], at[0], at[1], Token.COPPER_PALE, 2);
      }
      last = at;
    }
    for (int k = 0; k < size; k++) {
      double[] at = spot(state.tries().get(k).at(), plane);
      if (plane.holds(at)) {
        pen.disc(at[0], at[1], k == best ? 9 : 5, Token.COPPER, k == best ? Token.INK : null, 2);
      }
    }
    double[] goes = spot(to, plane);
    if (last != null && plane.holds(last)) {
      pen.dashed(last[0], last[1], goes[0], goes[1], Token.INK, 2);
    }
    pen.diamond(goes[0], goes[1], 9, Token.INK);
  }

  private double[] spot(List<Double> at, Plane plane) {
    return plane.px(share(0, at.get(0)), share(1, at.get(1)));
  }

  private boolean isLogarithmic() {
    double most = state.tries().stream().mapToDouble(TrimState.Try::reads).max().orElse(0);
    double least = state.tries().stream().mapToDouble(TrimState.Try::reads).min().orElse(0);
    return state.goal() instanceof Goal.Least
        && least >= 0
        && most > WIDE_RATIO * Math.max(least, state.meterStep());
  }

  private void course(Pen pen, double x, double y, double w, double h) {
    pen.box(x, y, w, h, 4, Token.CARD, Token.LINE);
    List<TrimState.Try> tries = state.tries();
    if (tries.isEmpty()) {
      pen.text(
          words.say("trim.mat.none"), x + w / 2, y + h / 2, 16, Token.INK_SOFT, Pen.Hang.MIDDLE);
      return;
    }
    boolean log = isLogarithmic();
    double finest = Math.max(state.meterStep() / 2, 1e-12);
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (TrimState.Try each : tries) {
      double value = height(each.reads(), log, finest);
      low = Math.min(low, value);
      high = Math.max(high, value);
    }
    if (trim.reading().good().isPresent()) {
      low = Math.min(low, height(trim.reading().good().get().low(), log, finest));
      high = Math.max(high, height(trim.reading().good().get().high(), log, finest));
    }
    double margin = Math.max((high - low) * 0.12, 1e-9);
    Scale scale = new Scale(low - margin, high + margin, y, h, log, finest);
    trim.reading()
        .good()
        .ifPresent(band -> {
          double upper = scale.px(band.high());
          double lower = scale.px(band.low());
          pen.box(x + 1, upper, w - 2, Math.max(3, lower - upper), 0, Token.MASK_PALE, null);
        });
    int best = bestTry();
    double reads = tries.get(best).reads();
    double spread = Math.max(state.blurred(), 0);
    double upper = scale.px(reads + spread);
    double lower = scale.px(log ? Math.max(finest, reads - spread) : reads - spread);
    pen.box(x + 1, upper, w - 2, Math.max(2, lower - upper), 0, Token.COPPER_PALE, null);
    double step = w / (tries.size() + 1);
    for (int k = 0; k < tries.size(); k++) {
      double px = x + step * (k + 1);
      double py = scale.px(tries.get(k).reads());
      if (k > 0) {
        pen.line(px - step, scale.px(tries.get(k - 1).reads()), px, py, Token.INK_SOFT, 1.5);
      }
    }
    for (int k = 0; k < tries.size(); k++) {
      pen.disc(
          x + step * (k + 1),
          scale.px(tries.get(k).reads()),
          k == best ? 8 : 4,
          k == best ? Token.COPPER : Token.INK,
          k == best ? Token.INK : null,
          2);
    }
    labels(pen, x, y, w, h, best, scale);
  }

  private void labels(Pen pen, double x, double y, double w, double h, int best, Scale scale) {
    List<TrimState.Try> tries = state.tries();
    double reads = tries.get(best).reads();
    double most = tries.stream().mapToDouble(TrimState.Try::reads).max().orElse(reads);
    double least = tries.stream().mapToDouble(TrimState.Try::reads).min().orElse(reads);
    // By ear nothing is measured: there is no number to write.
    boolean numbers = trim.reading().shown() != Trim.Shown.EAR;
    for (double each :
        !numbers
            ? new double[0]
            : most == least ? new double[] {most} : new double[] {most, least}) {
      pen.mono(number(each), x - 8, scale.px(each), 14, Token.INK, Pen.Hang.RIGHT);
    }
    pen.text(
        words.say("trim.mat.course", tries.size(), best + 1),
        x + w / 2,
        y + h + 18,
        15,
        Token.INK_SOFT,
        Pen.Hang.MIDDLE);
    double step = w / (tries.size() + 1);
    if (tries.size() <= MOST_NUMBERS) {
      pen.bold(
          Integer.toString(best + 1),
          x + step * (best + 1),
          Math.max(y + 12, scale.px(reads) - 18),
          14,
          Token.INK,
          Pen.Hang.MIDDLE);
    }
  }

  private static double height(double reads, boolean log, double finest) {
    return log ? Math.log10(Math.max(reads, finest)) : reads;
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.3g", value);
  }

  /** Where a reading stands. */
  private record Scale(double low, double high, double y, double h, boolean log, double finest) {
    double px(double reads) {
      double share = (height(reads, log, finest) - low) / (high - low);
      return y + h * (1 - Math.clamp(share, 0, 1));
    }
  }

  @Override
  public String spoken() {
    return words.say("trim.mat.spoken", trim.title(), state.tries().size());
  }
}
