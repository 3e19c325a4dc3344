package humble.desktop.plan;

import humble.core.build.Build;
import humble.core.kit.Kit;
import humble.core.route.Plan;
import humble.core.route.Step;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.session.Progress;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The skyline: one column a step, as tall as the part; gates are octagon posts, turns are folds.
 */
record SkylineMat(
    String title,
    List<Step> steps,
    List<Plan.Session> evenings,
    List<Other> others,
    String here,
    String lifted,
    Build build,
    Kit kit,
    Words words)
    implements Mat {
  private static final double OTHER_PX = 84;

  /** Left of the first column stand the heights. */
  private static final double LEFT_PX = 76;

  private static final double LABEL_PX = 13;
  private static final int MOST_ROWS = 4;

  /** Another school's order, to compare with. */
  record Other(String school, String name, List<Step> steps) {}

  @Override
  public void paint(Pen pen, double w, double fullHeight) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    double h = fullHeight - others.size() * OTHER_PX;
    for (int i = 0; i < others.size(); i++) {
      other(pen, others.get(i), 20, h + i * OTHER_PX, w - 40);
    }
    double base = h - 84;
    double tallest = Math.max(8, steps.stream().mapToDouble(Step::heightMm).max().orElse(8));
    double scale = (base - 120) / tallest;
    pen.line(20, base, w - 20, base, Token.INK, 2);
    for (int mm = 5; mm <= tallest + 2; mm += 5) {
      pen.dashed(20, base - mm * scale, w - 20, base - mm * scale, Token.LINE, 1);
      pen.text(
          words.say("plan.mm", mm), 22, base - mm * scale - 9, 13, Token.INK_SOFT, Pen.Hang.LEFT);
    }
    double units = steps.stream().mapToDouble(SkylineMat::width).sum();
    double unit = units == 0 ? 1 : (w - 30 - LEFT_PX) / units;
    double x = LEFT_PX;
    List<double[]> written = new ArrayList<>();
    double done = LEFT_PX;
    Map<Integer, double[]> reach = new HashMap<>();
    for (Step step : steps) {
      double width = width(step) * unit;
      reach.put(step.n(), new double[] {x, x + width});
      column(pen, step, x, width, base, scale, written);
      x += width;
      if (Progress.stepDone(build, step)) {
        done = x;
      }
    }
    names(pen, base, scale, reach, written);
    pen.line(LEFT_PX, base + 62, w - 30, base + 62, Token.COPPER_PALE, 8);
    if (done > LEFT_PX) {
      pen.line(LEFT_PX, base + 62, done - 4, base + 62, Token.COPPER, 8);
    }
    for (int i = 0; i < evenings.size(); i++) {
      evening(pen, i + 1, evenings.get(i), reach, base + 62);
    }
  }

  /** A piece of the track that one evening takes, and a gap where it may rest. */
  private void evening(
      Pen pen, int number, Plan.Session evening, Map<Integer, double[]> reach, double y) {
    double[] from = reach.get(evening.from());
    double[] to = reach.get(evening.to());
    if (from == null || to == null) {
      return;
    }
    pen.line(to[1], y - 9, to[1], y + 9, Token.INK, 2);
    String text = words.say("plan.evening", number, Math.round(evening.minutes()));
    if (to[1] - from[0] > Pen.width(text, 13, true) + 16) {
      pen.tag(text, (from[0] + to[1]) / 2, y, 13, Token.INK, Token.CARD, Pen.Hang.MIDDLE);
    }
  }

  /** A small skyline: columns only, with the name of the school. */
  private static void other(Pen pen, Other other, double x, double y, double w) {
    pen.box(x, y, w, OTHER_PX - 8, 8, Token.CARD, Token.LINE);
    pen.bold(other.name(), x + 14, y + 24, 15, Token.INK, Pen.Hang.LEFT);
    double left = x + 210;
    double base = y + OTHER_PX - 18;
    double units = other.steps().stream().mapToDouble(SkylineMat::width).sum();
    double unit = (x + w - 16 - left) / Math.max(1, units);
    double tallest = other.steps().stream().mapToDouble(Step::heightMm).max().orElse(8);
    double scale = (OTHER_PX - 34) / Math.max(8, tallest);
    pen.line(left, base, x + w - 16, base, Token.INK_SOFT, 1.5);
    double at = left;
    for (Step step : other.steps()) {
      double width = width(step) * unit;
      switch (step.act()) {
        case FIT, INSERT ->
            pen.box(
                at + 1,
                base - Math.max(3, step.heightMm() * scale),
                Math.max(2, width - 2),
                Math.max(3, step.heightMm() * scale),
                1,
                Token.COPPER_PALE,
                Token.INK_SOFT);
        case GATE -> pen.octagon(at + width / 2, base - 12, 8, Token.CARD, Token.INK);
        case TURN -> pen.dashed(at + width / 2, base, at + width / 2, y + 12, Token.INK_SOFT, 1.5);
        case TASK, CHOOSE, REMOVE ->
            pen.line(at + width / 2, base, at + width / 2, base - 6, Token.INK_SOFT, 1.5);
      }
      at += width;
    }
    pen.spot("school:" + other.school(), x, y, w, OTHER_PX - 8);
  }

  private static double width(Step step) {
    return switch (step.act()) {
      case FIT -> 1 + Math.min(1.4, step.count() / 12.0);
      case INSERT -> 1;
      case GATE -> 1.1;
      case TASK, CHOOSE, TURN, REMOVE -> 0.62;
    };
  }

  /**
   * Writes a name in the first of a few rows that is free; one that finds none is left out, for the
   * walk along the steps names every one.
   */
  private static void write(
      Pen pen,
      List<double[]> written,
      String text,
      double middle,
      double y,
      double rowPx,
      boolean bold,
      Token ink) {
    double half = Pen.width(text, LABEL_PX, bold) / 2 + 3;
    for (int row = 0; row < MOST_ROWS; row++) {
      double at = y + row * rowPx;
      double[] box = {middle - half, at - LABEL_PX * 0.6, middle + half, at + LABEL_PX * 0.6};
      boolean free =
          written.stream()
              .noneMatch(o -> o[0] < box[2] && box[0] < o[2] && o[1] < box[3] && box[1] < o[3]);
      if (free) {
        written.add(box);
        if (bold) {
          pen.bold(text, middle, at, LABEL_PX, ink, Pen.Hang.MIDDLE);
        } else {
          pen.text(text, middle, at, LABEL_PX, ink, Pen.Hang.MIDDLE);
        }
        return;
      }
    }
  }

  private void column(
      Pen pen,
      Step step,
      double x,
      double width,
      double base,
      double scale,
      List<double[]> written) {
    double middle = x + width / 2;
    if (step.act() != Step.Act.TURN) {
      pen.spot("step:" + step.id(), x, 50, width, base - 10);
    }
    if (step.id().equals(here) || step.id().equals(lifted)) {
      pen.box(
          x, 54, width, base - 20, 4, step.id().equals(lifted) ? Token.FLUX_PALE : null, Token.INK);
    }
    boolean done = Progress.stepDone(build, step);
    switch (step.act()) {
      case FIT, INSERT, REMOVE -> {
        double height = Math.max(4, step.heightMm() * scale);
        Token fill =
            done ? Token.COPPER : step.act() == Step.Act.INSERT ? Token.TIN : Token.COPPER_PALE;
        pen.box(x + 2, base - height, Math.max(3, width - 4), height, 2, fill, Token.INK);
        written.add(new double[] {x, base - height - 2, x + width, base});
      }
      case GATE -> {
        double radius = Math.clamp(width * 0.9, 11, 20);
        double y = 78 + (written.stream().anyMatch(o -> meets(o, middle, 78, radius)) ? 42 : 0);
        pen.line(middle, base, middle, y + radius, Token.INK, 2);
        pen.octagon(middle, y, radius, done ? Token.COPPER : Token.CARD, Token.INK);
        written.add(new double[] {middle - radius, y - radius, middle + radius, y + radius});
        pen.bold("V", middle, y, radius * 0.8, done ? Token.CARD : Token.INK, Pen.Hang.MIDDLE);
      }
      case TASK -> {
        pen.dashed(middle, base, middle, base - 60, Token.INK_SOFT, 1.5);
      }
      case CHOOSE -> {
        pen.disc(middle, base - 14, 7, done ? Token.COPPER : Token.CARD, Token.INK, 1.5);
        pen.text("?", middle, base - 14, 11, done ? Token.CARD : Token.INK, Pen.Hang.MIDDLE);
      }
      case TURN -> {
        double top = base - 180;
        pen.shape(
            List.of(
                new double[] {x + 3, base},
                new double[] {x + 3, top + 14},
                new double[] {x + width - 3, top},
                new double[] {x + width - 3, base - 14}),
            Token.CARD,
            Token.INK);
      }
    }
  }

  /** Names go over the columns that are drawn, so that no column cuts one. */
  private void names(
      Pen pen, double base, double scale, Map<Integer, double[]> reach, List<double[]> written) {
    double low = base + 14;
    for (Step step : steps) {
      double[] at = reach.getOrDefault(step.n(), new double[2]);
      double middle = (at[0] + at[1]) / 2;
      switch (step.act()) {
        case FIT, INSERT -> {
          double height = Math.max(4, step.heightMm() * scale);
          write(pen, written, name(step), middle, base - height - 13, -15, true, Token.INK);
        }
        case GATE -> write(pen, written, words.say("plan.gate"), middle, low, 14, true, Token.INK);
        case TASK -> write(pen, written, step.id(), middle, low, 14, false, Token.INK);
        case TURN ->
            write(pen, written, words.say("plan.turn"), middle, low, 14, false, Token.INK_SOFT);
        case CHOOSE, REMOVE -> {}
      }
    }
  }

  private static boolean meets(double[] box, double x, double y, double radius) {
    return box[0] < x + radius && x - radius < box[2] && box[1] < y + radius && y - radius < box[3];
  }

  private String name(Step step) {
    if (step.isByCount()) {
      return PlanStage.byCount(words, kit, step);
    }
    String first = step.refs().getFirst();
    return step.refs().size() == 1
        ? first
        : first.replaceAll("\\d+$", "") + "×" + step.refs().size();
  }

  @Override
  public String spoken() {
    return title + ": " + steps.size();
  }
}
