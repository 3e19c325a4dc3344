package humble.desktop.finish;

import humble.core.kit.Trim;
import humble.core.wake.Turning;
import humble.core.words.Words;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;

/**
 * A screw as a dial: where it stands, where it goes, and which way. What is shifted and not turned
 * is a rail.
 */
record ScrewDrawing(Trim.Screw screw, double from, double to, Words words) {
  private static final double ROUND = 360;
  private static final double BEGINS = 225;
  private static final double MOST_ONE_TURN = 0.95;

  /** Where a setting points, in degrees against the clock from the right. */
  private double angle(double setting) {
    double turned = screw.knob().share(setting) * screw.turns() * ROUND;
    return screw.turns() <= MOST_ONE_TURN ? BEGINS - turned : 90 - turned;
  }

  private static double[] at(double x, double y, double radius, double angle) {
    double a = Math.toRadians(angle);
    return new double[] {x + radius * Math.cos(a), y - radius * Math.sin(a)};
  }

  void paint(Pen pen, double x, double y, double radius) {
    pen.bold(TrimHand.name(screw), x, y - radius - 34, 20, Token.INK, Pen.Hang.MIDDLE);
    if (screw.turns() <= 0) {
      rail(pen, x, y, radius);
    } else {
      dial(pen, x, y, radius);
    }
    pen.bold(TrimHand.number(to), x, y + radius + 32, 30, Token.INK, Pen.Hang.MIDDLE);
    pen.text(told(), x, y + radius + 62, 16, Token.INK, Pen.Hang.MIDDLE);
  }

  private String told() {
    if (screw.turns() <= 0) {
      return from == to ? words.say("trim.dial.stays") : "";
    }
    Turning turning = Turning.of(screw, from, to);
    if (turning.move() == 0) {
      return words.say("trim.dial.stays");
    }
    return words.say(
        turning.comesFromAbove() ? "trim.dial.back" : "trim.dial.on", Math.abs(turning.move()));
  }

  private void rail(Pen pen, double x, double y, double radius) {
    pen.line(x - radius, y, x + radius, y, Token.INK, 3);
    for (int i = 0; i <= 8; i++) {
      double tick = x - radius + 2 * radius * i / 8;
      pen.line(tick, y + 8, tick, y + (i % 4 == 0 ? 22 : 16), Token.INK_SOFT, 1.5);
    }
    pen.text(
        TrimHand.number(screw.knob().low()),
        x - radius,
        y + 38,
        14,
        Token.INK_SOFT,
        Pen.Hang.MIDDLE);
    pen.text(
        TrimHand.number(screw.knob().high()),
        x + radius,
        y + 38,
        14,
        Token.INK_SOFT,
        Pen.Hang.MIDDLE);
    double before = x - radius + 2 * radius * screw.knob().share(from);
    double now = x - radius + 2 * radius * screw.knob().share(to);
    pen.dashed(before, y - 18, before, y + 18, Token.INK_SOFT, 2);
    pen.box(now - 9, y - 22, 18, 44, 3, Token.COPPER, Token.INK);
  }

  private void dial(Pen pen, double x, double y, double radius) {
    pen.disc(x, y, radius, Token.CARD, Token.INK, 1.5);
    boolean one = screw.turns() <= MOST_ONE_TURN;
    int ticks = one ? 10 : 12;
    for (int i = 0; i <= (one ? ticks : ticks - 1); i++) {
      double angle = one ? angle(screw.knob().low() + i / (double) ticks * range()) : 90 - i * 30;
      double[] outer = at(x, y, radius - 3, angle);
      double[] inner = at(x, y, radius - (i % 5 == 0 ? 15 : 10), angle);
      pen.line(outer[0], outer[1], inner[0], inner[1], Token.INK_SOFT, 1.5);
    }
    if (one) {
      end(pen, x, y, radius, BEGINS, screw.knob().low());
      end(pen, x, y, radius, angle(screw.knob().high()), screw.knob().high());
    } else {
      Turning turning = Turning.of(screw, from, to);
      pen.text(
          words.say("trim.dial.turns", turning.turns()),
          x,
          y + radius * 0.62,
          15,
          Token.INK_SOFT,
          Pen.Hang.MIDDLE);
    }
    way(pen, x, y, radius);
    // The slot of the screw stands as it does now; the pointer where it goes.
    double[] left = at(x, y, radius * 0.3, angle(from));
    double[] right = at(x, y, radius * 0.3, angle(from) + 180);
    pen.disc(x, y, radius * 0.36, Token.TIN, Token.INK, 1.5);
    pen.line(left[0], left[1], right[0], right[1], Token.INK, 5);
    double[] stood = at(x, y, radius - 18, angle(from));
    double[] stub = at(x, y, radius * 0.42, angle(from));
    pen.dashed(stub[0], stub[1], stood[0], stood[1], Token.INK_SOFT, 2);
    double[] tip = at(x, y, radius - 16, angle(to));
    double[] root = at(x, y, radius * 0.42, angle(to));
    pen.line(root[0], root[1], tip[0], tip[1], Token.COPPER, 6);
  }

  private double range() {
    return screw.knob().high() - screw.knob().low();
  }

  private static void end(
      Pen pen, double x, double y, double radius, double angle, double setting) {
    double[] label = at(x, y, radius + 15, angle);
    pen.text(TrimHand.number(setting), label[0], label[1], 13, Token.INK_SOFT, Pen.Hang.MIDDLE);
  }

  /** The way it goes, as an arc with a head outside the dial. */
  private void way(Pen pen, double x, double y, double radius) {
    double begin = angle(from);
    double end = angle(to);
    if (Math.abs(end - begin) < 1) {
      return;
    }
    double far = radius + 9;
    double long360 = Math.clamp(end - begin, -350, 350);
    int pieces = (int) Math.max(4, Math.abs(long360) / 4);
    double[] last = at(x, y, far, begin);
    for (int i = 1; i <= pieces; i++) {
      double[] next = at(x, y, far, begin + long360 * i / pieces);
      pen.line(last[0], last[1], next[0], next[1], Token.COPPER, 4);
      last = next;
    }
    double over = Math.signum(long360) * Math.min(10, Math.abs(long360));
    double[] tip = at(x, y, far, begin + long360 + over * 0.5);
    double[] in = at(x, y, far - 8, begin + long360 - over * 0.5);
    double[] out = at(x, y, far + 8, begin + long360 - over * 0.5);
    pen.shape(java.util.List.of(tip, in, out), Token.COPPER, null);
  }
}
