package humble.desktop.power;

import humble.core.kit.Gate;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.power.Expectation;
import humble.core.units.Engineering;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.stage.FaultWords;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The lock flight: a chamber for every gate, filled when its reading is right; probe points on the
 * drawn socket; a window bar with a needle; what likely mistakes would read.
 */
record LockMat(String title, List<Lock> locks, Parts parts, Words words) implements Mat {
  /** Less than this no meter on the bench shows. */
  private static final double SEEN_V = 0.001;

  /** One gate. */
  record Lock(
      Gate gate,
      String state,
      boolean passed,
      boolean now,
      Optional<Expectation> expected,
      OptionalDouble reading) {}

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    double lockWidth = Math.min(300, (w * 0.42) / Math.max(1, locks.size()));
    double base = h - 36;
    for (int i = 0; i < locks.size(); i++) {
      chamber(
          pen, locks.get(i), 40 + i * lockWidth, 96 + (locks.size() - 1 - i) * 34, lockWidth, base);
    }
    Lock now =
        locks.stream()
            .filter(Lock::now)
            .findFirst()
            .orElse(locks.isEmpty() ? null : locks.getLast());
    if (now != null) {
      double x = 40 + locks.size() * lockWidth + 40;
      now.expected()
          .ifPresent(expected -> window(pen, expected, now.reading(), x, 96, w - x - 28, h - 130));
    }
  }

  private void chamber(Pen pen, Lock lock, double x, double top, double width, double base) {
    pen.box(x, top, width, base - top, 2, Token.CARD, Token.INK_SOFT);
    double fill = lock.passed() ? 0.94 : lock.now() ? 0.3 : 0;
    if (fill > 0) {
      double height = (base - top) * fill;
      pen.box(x + 1, base - height, width - 2, height, 0, Token.MASK_PALE, null);
    }
    pen.box(
        x + width - 8,
        top - 26,
        14,
        base - top + 26,
        2,
        lock.passed() ? Token.COPPER : Token.INK_SOFT,
        Token.INK);
    pen.bold(lock.state(), x + width / 2 - 6, top - 40, 17, Token.INK, Pen.Hang.MIDDLE);
    pen.text(
        Pen.fitted(lock.gate().title(), 14, width - 12),
        x + width / 2 - 6,
        top - 18,
        14,
        Token.INK_SOFT,
        Pen.Hang.MIDDLE);
    socket(pen, lock.gate(), x + width / 2 - 4, (top + base) / 2, base - top - 70);
    if (lock.passed()) {
      pen.standing(x + 22, top + 22, 12, "done");
    }
  }

  /**
   * The part whose pins are probed, with the two points marked; a gate on bare nets has no such
   * picture.
   */
  private void socket(Pen pen, Gate gate, double x, double y, double height) {
    PinRef red =
        gate.at().isEmpty()
            ? null
            : PinRef.parse(gate.at().getFirst()).flatMap(parts::canonical).orElse(null);
    PinRef black =
        gate.at().size() < 2
            ? null
            : PinRef.parse(gate.at().get(1)).flatMap(parts::canonical).orElse(null);
    if (red == null || black == null) {
      return;
    }
    Part part = parts.get(red.ref());
    double reach =
        part.pack().pins().stream().mapToDouble(pin -> Math.abs(pin.at().yMm())).max().orElse(1)
            + 1.5;
    double side =
        part.pack().pins().stream().mapToDouble(pin -> Math.abs(pin.at().xMm())).max().orElse(1);
    double scale = Math.min(height / (2 * reach), 10.5);
    pen.box(
        x - (side - 1.3) * scale,
        y - reach * scale,
        2 * (side - 1.3) * scale,
        2 * reach * scale,
        5,
        Token.CARD,
        Token.INK);
    pen.box(x - 1.4 * scale, y - reach * scale, 2.8 * scale, 1.2 * scale, 4, Token.INK, null);
    part.pack()
        .pins()
        .forEach(pin -> {
          double px = x + pin.at().xMm() * scale;
          double py = y - pin.at().yMm() * scale;
          boolean isRed = pin.number().equals(red.pin());
          boolean isBlack = black.ref().equals(red.ref()) && pin.number().equals(black.pin());
          pen.disc(
              px,
              py,
              isRed || isBlack ? 0.95 * scale : 0.62 * scale,
              isRed ? Token.ALARM : isBlack ? Token.INK : Token.COPPER_PALE,
              Token.INK,
              1.2);
          if (isRed || isBlack) {
            boolean left = pin.at().xMm() < 0;
            double tx = px + (left ? -1 : 1) * (1.5 * scale + 4);
            pen.bold(
                pin.number() + (isRed ? " +" : " −"),
                tx,
                py,
                16,
                Token.INK,
                left ? Pen.Hang.RIGHT : Pen.Hang.LEFT);
          }
        });
  }

  private void window(
      Pen pen,
      Expectation expected,
      OptionalDouble reading,
      double x,
      double y,
      double w,
      double h) {
    double high = Math.max(expected.supplyVolts(), expected.window().high()) * 1.12;
    double bar = y + 96;
    pen.text(words.say("power.window-title"), x, y - 4, 15, Token.INK_SOFT, Pen.Hang.LEFT);
    pen.box(x, bar, w, 20, 10, Token.LINE, null);
    double left = x + expected.window().low() / high * w;
    double right = x + expected.window().high() / high * w;
    pen.box(left - 3, bar - 4, Math.max(8, right - left + 6), 28, 4, Token.MASK, Token.INK);
    pen.text("0", x, bar + 40, 14, Token.INK_SOFT, Pen.Hang.LEFT);
    pen.bold(
        Engineering.reading(expected.window().low(), "")
            + "–"
            + Engineering.reading(expected.window().high(), "V"),
        (left + right) / 2,
        bar + 42,
        16,
        Token.INK,
        Pen.Hang.MIDDLE);
    reading.ifPresent(volts -> {
      double at = Math.clamp(x + volts / high * w, x - 4, x + w + 4);
      pen.shape(
          List.of(
              new double[] {at, bar - 6},
              new double[] {at - 9, bar - 22},
              new double[] {at + 9, bar - 22}),
          Token.ALARM,
          null);
      pen.line(at, bar - 6, at, bar + 22, Token.ALARM, 2.5);
      pen.bold(
          Engineering.reading(volts, "V"),
          Math.clamp(at, x + 60, x + w - 60),
          bar - 44,
          26,
          Token.INK,
          Pen.Hang.MIDDLE);
    });
    double boxTop = bar + 84;
    double boxHeight = 52 + expected.otherwise().size() * 46.0;
    if (expected.otherwise().isEmpty() || boxTop + boxHeight > y + h + 40) {
      return;
    }
    pen.box(x - 8, boxTop, w + 16, boxHeight, 8, Token.CARD, Token.LINE);
    pen.text(words.say("power.instead"), x + 8, boxTop + 24, 15, Token.INK_SOFT, Pen.Hang.LEFT);
    for (int i = 0; i < expected.otherwise().size(); i++) {
      Expectation.IfInstead each = expected.otherwise().get(i);
      double ty = boxTop + 56 + i * 46;
      pen.bold(
          Engineering.reading(Math.abs(each.volts()) < SEEN_V ? 0 : each.volts(), "V"),
          x + 104,
          ty,
          17,
          Token.INK,
          Pen.Hang.RIGHT);
      pen.text(
          Pen.fitted(FaultWords.say(words, parts, each.fault()), 16, w - 122), x + 120, ty, 16, Token.INK, Pen.Hang.LEFT);
      String supply =
          words.say(
              each.limited() ? "power.limit-light" : "power.takes",
              String.format(java.util.Locale.ROOT, "%.1f", each.ma()));
      pen.text(supply, x + 120, ty + 19, 13, Token.INK_SOFT, Pen.Hang.LEFT);
    }
  }

  @Override
  public String spoken() {
    return title + ": " + locks.stream().filter(Lock::passed).count() + " / " + locks.size();
  }
}
