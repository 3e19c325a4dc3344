package humble.desktop.power;

import humble.core.kit.Gate;
import humble.core.kit.Measured;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.power.Expectation;
import humble.core.units.Band;
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
record LockMat(String title, List<Lock> locks, Optional<Beside> beside, Parts parts, Words words)
    implements Mat {
  /** Less than this no meter on the bench shows. */
  private static final double SEEN_V = 0.001;

  /** From this width on a chamber shows its socket from both sides. */
  private static final double BOTH_SIDES_PX = 290;

  /** What the names of two pins take beside a socket. */
  private static final double SIDE_TEXT_PX = 104;

  private static final double ONE_SIDE_PX = 150;
  private static final double NARROW_PX = 92;

  /** What stands beside the flight where no gate is read: a rule of its own, or a few words. */
  sealed interface Beside {
    /** What should be read, on a rule from 0 to {@code most}. */
    record Rule(
        String title, String unit, double low, double high, double most, OptionalDouble reading)
        implements Beside {}

    /** What should be found, in words. */
    record Plain(String title, String text) implements Beside {}
  }

  /** One gate. */
  record Lock(
      Gate gate,
      String state,
      boolean passed,
      boolean overridden,
      boolean now,
      Optional<Expectation> expected,
      OptionalDouble reading) {}

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    double room = Math.min(w * 0.5, 340.0 * Math.max(1, locks.size()));
    boolean anyNow = locks.stream().anyMatch(Lock::now) && locks.size() > 1;
    double narrow =
        anyNow
            ? Math.min(NARROW_PX, room / locks.size())
            : Math.min(locks.size() == 1 ? 400 : 300, room / Math.max(1, locks.size()));
    double base = h - 36;
    double x0 = 40;
    for (int i = 0; i < locks.size(); i++) {
      double width = anyNow && locks.get(i).now() ? room - narrow * (locks.size() - 1) : narrow;
      chamber(pen, i + 1, locks.get(i), x0, 96 + (locks.size() - 1 - i) * 34, width, base);
      x0 += width;
    }
    Lock now =
        locks.stream()
            .filter(Lock::now)
            .findFirst()
            .orElse(locks.isEmpty() ? null : locks.getLast());
    double x = x0 + 40;
    switch (beside.orElse(null)) {
      case Beside.Rule rule -> {
        pen.text(rule.title(), x, 92, 15, Token.INK_SOFT, Pen.Hang.LEFT);
        double most = rule.most() * 1.12;
        bar(pen, rule.low(), rule.high(), most, rule.unit(), rule.reading(), x, 192, w - x - 28);
      }
      case Beside.Plain plain -> {
        pen.text(plain.title(), x, 92, 15, Token.INK_SOFT, Pen.Hang.LEFT);
        pen.bold(Pen.fitted(plain.text(), 22, w - x - 28), x, 136, 22, Token.INK, Pen.Hang.LEFT);
      }
      case null -> {
        if (now != null) {
          now.expected()
              .ifPresent(
                  expected -> window(pen, expected, now.reading(), x, 96, w - x - 28, h - 130));
        }
      }
    }
  }

  private void chamber(
      Pen pen, int number, Lock lock, double x, double top, double width, double base) {
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
    // What does not fit over a narrow chamber is said when its turn comes.
    boolean roomy = Pen.width(lock.state(), 17, true) < width;
    String above = roomy ? lock.state() : words.say("power.lock", number);
    pen.bold(above, x + width / 2 - 6, top - 40, 17, Token.INK, Pen.Hang.MIDDLE);
    if (Pen.width(lock.gate().title(), 14, false) < width - 12) {
      pen.text(
          lock.gate().title(), x + width / 2 - 6, top - 18, 14, Token.INK_SOFT, Pen.Hang.MIDDLE);
    }
    double middle = (top + base) / 2;
    double height = base - top - 90;
    if (!probesPart(lock.gate())) {
      mark(pen, lock, x, top);
      return;
    }
    if (lock.now() && width >= BOTH_SIDES_PX) {
      double quarter = (width - 8) / 4;
      socket(pen, lock.gate(), x + quarter, middle, height, width / 2 - SIDE_TEXT_PX, false);
      socket(pen, lock.gate(), x + 3 * quarter, middle, height, width / 2 - SIDE_TEXT_PX, true);
      pen.text(
          words.say("power.from-above"),
          x + quarter,
          base - 16,
          13,
          Token.INK_SOFT,
          Pen.Hang.MIDDLE);
      pen.text(
          words.say("power.from-below"),
          x + 3 * quarter,
          base - 16,
          13,
          Token.INK_SOFT,
          Pen.Hang.MIDDLE);
    } else if (width >= ONE_SIDE_PX) {
      socket(pen, lock.gate(), x + width / 2 - 4, middle, height, width - 110, false);
    }
    mark(pen, lock, x, top);
  }

  private static void mark(Pen pen, Lock lock, double x, double top) {
    if (lock.overridden()) {
      pen.standing(x + 22, top + 22, 12, "deviated");
    } else if (lock.passed()) {
      pen.standing(x + 22, top + 22, 12, "done");
    }
  }

  /** Tells whether both probes of a gate go on pins, which can be drawn. */
  private boolean probesPart(Gate gate) {
    return gate.at().size() == 2
        && gate.at().stream()
            .allMatch(at -> PinRef.parse(at).flatMap(parts::canonical).isPresent());
  }

  /**
   * The part whose pins are probed, with the two points marked; a gate on bare nets has no such
   * picture.
   */
  private void socket(
      Pen pen, Gate gate, double x, double y, double height, double width, boolean fromBelow) {
    double seen = fromBelow ? -1 : 1;
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
    double scale = Math.min(Math.min(height / (2 * reach), 10.5), width / (2 * side + 2));
    pen.box(
        x - (side - 1.3) * scale,
        y - reach * scale,
        2 * (side - 1.3) * scale,
        2 * reach * scale,
        5,
        Token.CARD,
        Token.INK);
    if (part.pack().isDualInLine()) {
      pen.box(x - 1.4 * scale, y - reach * scale, 2.8 * scale, 1.2 * scale, 4, Token.INK, null);
    }
    part.pack()
        .pins()
        .forEach(pin -> {
          double px = x + seen * pin.at().xMm() * scale;
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
          if (fromBelow) {
            // The lead comes through its pad.
            pen.disc(px, py, 0.3 * scale, Token.TIN, Token.INK, 1);
          }
          if (isRed || isBlack) {
            boolean left = px < x;
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
    double bar = y + 96;
    pen.text(words.say("power.window-title"), x, y - 4, 15, Token.INK_SOFT, Pen.Hang.LEFT);
    scale(pen, expected, reading, x, bar, w);
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
      pen.bold(said(expected.measure(), each.value()), x + 80, ty, 17, Token.INK, Pen.Hang.RIGHT);
      pen.text(
          Pen.fitted(FaultWords.say(words, parts, each.fault()), 16, w - 94),
          x + 92,
          ty,
          16,
          Token.INK,
          Pen.Hang.LEFT);
      if (!expected.measure().isPowered()) {
        continue;
      }
      String supply =
          words.say(
              each.limited() ? "power.limit-light" : "power.takes",
              String.format(java.util.Locale.ROOT, "%.1f", each.ma()));
      pen.text(supply, x + 92, ty + 19, 13, Token.INK_SOFT, Pen.Hang.LEFT);
    }
  }

  private String said(Measured measure, double value) {
    if (Double.isInfinite(value)) {
      return words.say("power.reads.open");
    }
    boolean nothing = measure == Measured.VOLTAGE && Math.abs(value) < SEEN_V;
    return Engineering.reading(nothing ? 0 : value, measure.unit());
  }

  /** A rule with the window on it; what has no upper end is told in words. */
  private void scale(
      Pen pen, Expectation expected, OptionalDouble reading, double x, double y, double w) {
    Band window = expected.window();
    if (Double.isInfinite(window.high()) || expected.measure() == Measured.CONTINUITY) {
      String key =
          expected.measure() != Measured.CONTINUITY
              ? "power.mat.least"
              : Double.isInfinite(window.high()) ? "power.mat.silent" : "power.mat.beeps";
      pen.bold(
          words.say(key, Engineering.reading(window.low(), expected.measure().unit())),
          x,
          y + 10,
          22,
          Token.INK,
          Pen.Hang.LEFT);
      reading.ifPresent(value ->
          pen.text(
              words.say("power.mat.reads", said(expected.measure(), value)),
              x,
              y + 42,
              18,
              Token.INK,
              Pen.Hang.LEFT));
      return;
    }
    double supply =
        expected.measure() == Measured.VOLTAGE
            ? expected.power().map(power -> power.feed().volts()).orElse(0.0)
            : 0;
    double scale = expected.measure() == Measured.CURRENT ? 1000 : 1;
    String unit = expected.measure() == Measured.CURRENT ? "mA" : expected.measure().unit();
    double most = Math.max(supply, window.high() * scale) * 1.12;
    OptionalDouble needle =
        reading.isPresent() ? OptionalDouble.of(reading.getAsDouble() * scale) : reading;
    bar(pen, window.low() * scale, window.high() * scale, most, unit, needle, x, y, w);
  }

  /** A rule from nothing to {@code most} with the window on it and a needle. */
  private static void bar(
      Pen pen,
      double low,
      double high,
      double most,
      String unit,
      OptionalDouble reading,
      double x,
      double y,
      double w) {
    pen.box(x, y, w, 20, 10, Token.LINE, null);
    double left = x + low / most * w;
    double right = x + high / most * w;
    pen.box(left - 3, y - 4, Math.max(8, right - left + 6), 28, 4, Token.MASK, Token.INK);
    pen.text("0", x, y + 40, 14, Token.INK_SOFT, Pen.Hang.LEFT);
    String from = Engineering.reading(low, "");
    String to = Engineering.reading(high, unit);
    pen.bold(
        to.equals(from + " " + unit) ? to : from + "–" + to,
        Math.clamp((left + right) / 2, x + 60, x + w - 60),
        y + 42,
        16,
        Token.INK,
        Pen.Hang.MIDDLE);
    reading.ifPresent(value -> {
      double at = Math.clamp(x + value / most * w, x - 4, x + w + 4);
      pen.shape(
          List.of(
              new double[] {at, y - 6},
              new double[] {at - 9, y - 22},
              new double[] {at + 9, y - 22}),
          Token.ALARM,
          null);
      pen.line(at, y - 6, at, y + 22, Token.ALARM, 2.5);
      pen.bold(
          Double.isInfinite(value) ? "∞" : Engineering.reading(value, unit),
          Math.clamp(at, x + 60, x + w - 60),
          y - 44,
          26,
          Token.INK,
          Pen.Hang.MIDDLE);
    });
  }

  @Override
  public String spoken() {
    return title + ": " + locks.stream().filter(Lock::passed).count() + " / " + locks.size();
  }
}
