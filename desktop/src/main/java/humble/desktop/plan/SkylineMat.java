package humble.desktop.plan;

import humble.core.build.Build;
import humble.core.kit.Kit;
import humble.core.route.Step;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.session.Progress;
import java.util.List;

/**
 * The skyline: one column a step, as tall as the part; gates are octagon posts, turns are folds.
 */
record SkylineMat(String title, List<Step> steps, Build build, Kit kit, Words words)
    implements Mat {

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    double base = h - 96;
    double tallest = Math.max(8, steps.stream().mapToDouble(Step::heightMm).max().orElse(8));
    double scale = (base - 130) / tallest;
    pen.line(20, base, w - 20, base, Token.INK, 2);
    for (int mm = 5; mm <= tallest + 2; mm += 5) {
      pen.dashed(20, base - mm * scale, w - 20, base - mm * scale, Token.LINE, 1);
      pen.text(
          words.say("plan.mm", mm), 22, base - mm * scale - 9, 13, Token.INK_SOFT, Pen.Hang.LEFT);
    }
    double units = steps.stream().mapToDouble(SkylineMat::width).sum();
    double unit = units == 0 ? 1 : (w - 60) / units;
    double x = 30;
    int level = 0;
    int below = 0;
    double done = 30;
    for (Step step : steps) {
      double width = width(step) * unit;
      boolean named = step.act() == Step.Act.TASK || step.act() == Step.Act.GATE;
      column(pen, step, x, width, base, scale, named ? below++ : level++);
      x += width;
      if (Progress.stepDone(build, step)) {
        done = x;
      }
    }
    pen.line(30, base + 62, w - 30, base + 62, Token.COPPER_PALE, 8);
    if (done > 30) {
      pen.line(30, base + 62, done - 4, base + 62, Token.COPPER, 8);
    }
  }

  private static double width(Step step) {
    return switch (step.act()) {
      case FIT -> 1 + Math.min(1.4, step.refs().size() / 12.0);
      case INSERT -> 1;
      case GATE -> 1.1;
      case TASK, CHOOSE, TURN -> 0.62;
    };
  }

  private void column(
      Pen pen, Step step, double x, double width, double base, double scale, int level) {
    double middle = x + width / 2;
    boolean done = Progress.stepDone(build, step);
    double low = base + 14 + level % 2 * 18;
    switch (step.act()) {
      case FIT, INSERT -> {
        double height = Math.max(4, step.heightMm() * scale);
        Token fill =
            done ? Token.COPPER : step.act() == Step.Act.INSERT ? Token.TIN : Token.COPPER_PALE;
        pen.box(x + 2, base - height, width - 4, height, 2, fill, Token.INK);
        pen.bold(
            name(step),
            middle,
            base - height - 14 - level % 2 * 16,
            13,
            Token.INK,
            Pen.Hang.MIDDLE);
      }
      case GATE -> {
        pen.line(middle, base, middle, 96, Token.INK, 2);
        pen.octagon(middle, 78, 20, done ? Token.COPPER : Token.CARD, Token.INK);
        pen.bold("V", middle, 78, 16, done ? Token.CARD : Token.INK, Pen.Hang.MIDDLE);
        pen.bold(words.say("plan.gate"), middle, low, 13, Token.INK, Pen.Hang.MIDDLE);
      }
      case TASK -> {
        pen.dashed(middle, base, middle, base - 60, Token.INK_SOFT, 1.5);
        pen.text(step.id(), middle, low, 13, done ? Token.COPPER : Token.INK, Pen.Hang.MIDDLE);
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
        pen.text(words.say("plan.turn"), middle, low, 13, Token.INK_SOFT, Pen.Hang.MIDDLE);
      }
    }
  }

  private static String name(Step step) {
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
