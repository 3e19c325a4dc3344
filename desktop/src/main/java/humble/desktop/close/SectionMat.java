package humble.desktop.close;

import humble.core.casing.CaseFit;
import humble.core.casing.ScrewFit;
import humble.core.casing.Section;
import humble.core.casing.Stack;
import humble.core.kit.Parts;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A section through the stack, to scale in both directions: only what stands in its plane, what
 * does not fit with how much is missing, the screw in hand with what it passes.
 *
 * @param through the part it is cut through; empty where there is none
 * @param now id of the screw in hand; empty where there is none
 * @param core the words of what does not fit
 */
record SectionMat(
    String title,
    Parts parts,
    Section section,
    String through,
    CaseFit fit,
    String now,
    Words words,
    Words core)
    implements Mat {
  private static final double LABELS_PX = 190;
  private static final double LABEL_PITCH_PX = 40;
  private static final double LEFT_PX = 84;
  private static final double TOP_PX = 72;
  private static final double STRIP_PX = 112;
  private static final double MOST_SCALE = 14;
  private static final double NEAR_PX = 200;

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    if (section.shapes().isEmpty()) {
      pen.text(words.say("close.none"), w / 2, h / 2, 18, Token.INK, Pen.Hang.MIDDLE);
      return;
    }
    Optional<ScrewFit> screw =
        fit.screws().stream().filter(each -> each.screw().id().equals(now)).findFirst();
    double low = h - (screw.isPresent() ? STRIP_PX + 34 : 24);
    double from = section.shapes().stream().mapToDouble(Section.Shape::fromMm).min().orElse(0);
    double to = section.shapes().stream().mapToDouble(Section.Shape::toMm).max().orElse(1);
    double wide = w - LEFT_PX - LABELS_PX;
    double scale =
        Math.min(
            MOST_SCALE,
            Math.min(
                wide / (section.rightMm() - section.leftMm()), (low - TOP_PX - 30) / (to - from)));
    double free = Math.max(0, low - TOP_PX - (to - from) * scale - 30);
    SectionDrawing.Rule rule =
        new SectionDrawing.Rule(
            LEFT_PX + (wide - (section.rightMm() - section.leftMm()) * scale) / 2,
            TOP_PX + (free >= NEAR_PX + 40 && screw.isEmpty() ? 12 : free / 2),
            section.leftMm(),
            from,
            scale);
    if (!through.isEmpty()) {
      pen.bold(words.say("close.cut-through", through), w - 20, 26, 16, Token.INK, Pen.Hang.RIGHT);
    }
    SectionDrawing drawing = new SectionDrawing(section, fit, through, words, rule);
    drawing.shapes(pen);
    labels(pen, rule);
    bar(pen, rule, rule.y(to) + 22);
    boolean near = screw.isEmpty() && drawing.offender().isPresent() && free >= NEAR_PX + 40;
    drawing.mark(pen, !near);
    if (near) {
      drawing.offender().ifPresent(at -> near(pen, at, w, h));
    }
    screw.ifPresent(each -> {
      screw(pen, rule, each);
      lengths(pen, each, 24, h - STRIP_PX - 16, w - 48, STRIP_PX);
    });
  }

  /** Names every layer beside it; a name that had to move is tied to its layer by a line. */
  private void labels(Pen pen, SectionDrawing.Rule rule) {
    List<Stack.Level> levels = Stack.of(parts.kit()).levels();
    double edge = rule.x(section.rightMm());
    double at = Double.NEGATIVE_INFINITY;
    for (Stack.Level level : levels) {
      double middle = rule.y((level.fromMm() + level.toMm()) / 2);
      at = Math.max(middle, at + LABEL_PITCH_PX);
      pen.line(edge + 3, middle, edge + 13, at, Token.INK_SOFT, 1);
      String name = level.layer().title().isBlank() ? level.id() : level.layer().title();
      double size = Pen.sizeFor(name, 15, 12, LABELS_PX - 30);
      pen.bold(name, edge + 17, at - 8, size, Token.INK, Pen.Hang.LEFT);
      pen.text(
          String.format(
              Locale.ROOT,
              "%.1f–%.1f mm",
              level.layer().thicknessMm().low(),
              level.layer().thicknessMm().high()),
          edge + 17,
          at + 9,
          13,
          Token.INK_SOFT,
          Pen.Hang.LEFT);
    }
  }

  /** What does not fit once more, larger: the whole is too small to see a millimetre in. */
  private void near(Pen pen, SectionDrawing.Offender at, double w, double h) {
    double x = 24;
    double y = h - NEAR_PX - 20;
    double wide = w - 48;
    double perMm = Math.clamp(NEAR_PX * 0.3 / Math.max(0.5, at.missingMm()), 8, 22);
    pen.box(x, y, wide, NEAR_PX, 8, Token.CARD, Token.LINE);
    SectionDrawing.Rule rule =
        new SectionDrawing.Rule(x + wide / 2, y + NEAR_PX / 2, at.xMm(), at.tipMm(), perMm);
    pen.within(
        x + 2,
        y + 2,
        wide - 4,
        NEAR_PX - 4,
        () -> new SectionDrawing(section, fit, through, words, rule).shapes(pen));
    new SectionDrawing(section, fit, through, words, rule).mark(pen, true);
    bar(pen, new SectionDrawing.Rule(x + 16, 0, section.leftMm(), 0, perMm), y + NEAR_PX - 16);
  }

  private void bar(Pen pen, SectionDrawing.Rule rule, double y) {
    double mm = rule.scale() * 10 > 120 ? 5 : 10;
    double x = rule.x(section.leftMm());
    double end = x + mm * rule.scale();
    pen.line(x, y, end, y, Token.INK_SOFT, 2);
    pen.line(x, y - 4, x, y + 4, Token.INK_SOFT, 1.5);
    pen.line(end, y - 4, end, y + 4, Token.INK_SOFT, 1.5);
    pen.text(
        words.say("close.bar", String.format(Locale.ROOT, "%.0f", mm)),
        end + 8,
        y,
        13,
        Token.INK_SOFT,
        Pen.Hang.LEFT);
  }

  private void screw(Pen pen, SectionDrawing.Rule rule, ScrewFit screw) {
    List<String> through = screw.screw().through();
    Stack stack = Stack.of(parts.kit());
    Stack.Level first = through.isEmpty() ? null : stack.level(through.getFirst()).orElse(null);
    Stack.Level into = stack.level(screw.screw().into()).orElse(null);
    if (first == null || screw.chooseMm().isEmpty()) {
      return;
    }
    boolean down = into == null || first.fromMm() <= into.fromMm();
    double length = screw.chooseMm().getFirst();
    double head = down ? first.fromMm() : first.toMm();
    double tip = down ? head + length : head - length;
    double x = rule.x(section.leftMm() + 3 + 2.5);
    double half = Math.max(3, rule.scale() * 1.2);
    pen.box(
        x - 2 * half,
        rule.y(down ? head - 1.6 : head),
        4 * half,
        1.6 * rule.scale(),
        2,
        Token.INK_SOFT,
        Token.INK);
    pen.box(
        x - half,
        rule.y(Math.min(head, tip)),
        2 * half,
        length * rule.scale(),
        1,
        Token.INK_SOFT,
        Token.INK);
    double dim = rule.x(section.leftMm()) - 14;
    pen.line(dim, rule.y(head), dim, rule.y(tip), Token.INK, 1.5);
    pen.line(dim - 6, rule.y(head), dim + 6, rule.y(head), Token.INK, 1.5);
    pen.line(dim - 6, rule.y(tip), dim + 6, rule.y(tip), Token.INK, 1.5);
    pen.bold(
        String.format(Locale.ROOT, "%.0f", length),
        dim - 12,
        rule.y((head + tip) / 2),
        20,
        Token.INK,
        Pen.Hang.RIGHT);
  }

  /** The lengths to choose from on a line between too short and too long. */
  private void lengths(Pen pen, ScrewFit screw, double x, double y, double w, double h) {
    pen.box(x, y, w, h, 8, Token.CARD, Token.LINE);
    pen.text(
        words.say("close.lengths", screw.screw().thread()),
        x + 18,
        y + 20,
        15,
        Token.INK_SOFT,
        Pen.Hang.LEFT);
    List<Double> lengths = screw.screw().lengthsMm();
    double most = lengths.stream().mapToDouble(Double::doubleValue).max().orElse(10) + 2;
    double left = x + 40;
    double right = x + w - 40;
    double line = y + 62;
    pen.line(left, line, right, line, Token.LINE, 4);
    double low = left + screw.tooShortMm() / most * (right - left);
    Double tooLong = screw.tooLongMm();
    double high = tooLong == null ? right : left + Math.min(1, tooLong / most) * (right - left);
    pen.box(low, line - 12, Math.max(4, high - low), 24, 4, Token.MASK_PALE, Token.MASK);
    for (double length : lengths) {
      double at = left + length / most * (right - left);
      boolean fits = screw.chooseMm().contains(length);
      String number = String.format(Locale.ROOT, "%.0f", length);
      if (fits) {
        pen.disc(at, line, 10, Token.MASK, Token.INK, 1.5);
        pen.bold(
            number + " " + words.say("close.right"), at, line + 28, 15, Token.INK, Pen.Hang.MIDDLE);
      } else {
        pen.disc(at, line, 7, Token.CARD, Token.INK_SOFT, 1.5);
        pen.text(number, at, line + 28, 14, Token.INK_SOFT, Pen.Hang.MIDDLE);
      }
    }
    pen.text(words.say("close.too-short"), left, line - 24, 13, Token.INK_SOFT, Pen.Hang.LEFT);
    pen.text(words.say("close.too-long"), right, line - 24, 13, Token.INK_SOFT, Pen.Hang.RIGHT);
  }

  @Override
  public String spoken() {
    StringBuilder text = new StringBuilder(title).append(": ").append(through);
    fit.misfits().forEach(misfit -> text.append(". ").append(core.say(misfit.said())));
    return text.toString();
  }
}
