package humble.desktop.close;

import humble.core.casing.CaseFit;
import humble.core.casing.Facing;
import humble.core.casing.Misfit;
import humble.core.casing.Section;
import humble.core.words.Words;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** A section drawn by one rule of millimetres: what is cut, and what of it does not fit. */
record SectionDrawing(Section section, CaseFit fit, String through, Words words, Rule rule) {
  /** Where millimetres lie on the mat. */
  record Rule(double x, double y, double leftMm, double fromMm, double scale) {
    double x(double mm) {
      return x + (mm - leftMm) * scale;
    }

    double y(double mm) {
      return y + (mm - fromMm) * scale;
    }
  }

  /**
   * What does not fit, as it is seen in this plane.
   *
   * @param xMm its middle sideways
   * @param tipMm where it ends in depth
   * @param missingMm how much is missing; below 0 where it lies beyond the end
   */
  record Offender(Misfit misfit, Section.Shape shape, double xMm, double tipMm, double missingMm) {}

  void shapes(Pen pen) {
    // Ends of leads are thin: what lies behind them must not hide them.
    List<Section.Shape> all = new ArrayList<>(section.shapes());
    all.sort(Comparator.comparing(shape -> shape.role() == Section.Role.TAILS));
    for (Section.Shape shape : all) {
      boolean wrong =
          isPart(shape) && fit.misfits().stream().anyMatch(misfit -> names(misfit, shape));
      Token fill =
          switch (shape.role()) {
            case PLATE -> Token.COPPER_PALE;
            case BOARD -> Token.BOARD;
            case CELL -> Token.MASK_PALE;
            case FILM -> Token.FLUX_PALE;
            case KEEPER -> Token.CARD;
            case PART -> wrong ? Token.ALARM_PALE : Token.TIN;
            case LEG -> Token.COPPER_PALE;
            case TAILS -> wrong ? Token.ALARM_PALE : Token.COPPER_PALE;
          };
      pen.box(
          rule.x(shape.leftMm()),
          rule.y(shape.fromMm()),
          Math.max(1, (shape.rightMm() - shape.leftMm()) * rule.scale()),
          Math.max(1, (shape.toMm() - shape.fromMm()) * rule.scale()),
          0,
          fill,
          wrong ? Token.ALARM : isPart(shape) ? Token.INK_SOFT : Token.INK);
    }
    names(pen);
  }

  /** Names the parts that are wide enough for it, and the one that is cut through always. */
  private void names(Pen pen) {
    for (Section.Shape shape : section.shapes()) {
      double width = (shape.rightMm() - shape.leftMm()) * rule.scale();
      double tall = (shape.toMm() - shape.fromMm()) * rule.scale();
      boolean fits = Pen.width(shape.id(), 13, false) + 6 < width && tall > 16;
      if (shape.role() == Section.Role.PART && fits) {
        pen.text(
            shape.id(),
            rule.x((shape.leftMm() + shape.rightMm()) / 2),
            rule.y((shape.fromMm() + shape.toMm()) / 2),
            13,
            Token.INK,
            Pen.Hang.MIDDLE);
      }
    }
  }

  private static boolean isPart(Section.Shape shape) {
    return shape.role() == Section.Role.PART || shape.role() == Section.Role.TAILS;
  }

  private boolean names(Misfit misfit, Section.Shape shape) {
    boolean tails = shape.role() == Section.Role.TAILS;
    boolean other =
        fit.facing().stream()
            .filter(
                each -> each.ref().equals(misfit.ref()) && each.other().equals(misfit.against()))
            .anyMatch(Facing::otherTails);
    return misfit.ref().equals(shape.id()) && isOfTails(misfit) == tails
        || misfit.against().equals(shape.id()) && other == tails;
  }

  /** Gives what does not fit about the part that is cut through, else about any that is cut. */
  Optional<Offender> offender() {
    return fit.misfits().stream()
        .filter(misfit -> misfit.ref().equals(through))
        .flatMap(misfit -> seen(misfit).stream())
        .findFirst()
        .or(() -> fit.misfits().stream().flatMap(misfit -> seen(misfit).stream()).findFirst());
  }

  private boolean isOfTails(Misfit misfit) {
    return misfit.kind() == Misfit.Kind.TAILS
        || misfit.kind() == Misfit.Kind.FACING
            && fit.facing().stream()
                .filter(each ->
                    each.ref().equals(misfit.ref()) && each.other().equals(misfit.against()))
                .anyMatch(Facing::tails);
  }

  private Optional<Offender> seen(Misfit misfit) {
    Section.Role role = isOfTails(misfit) ? Section.Role.TAILS : Section.Role.PART;
    return section.of(misfit.ref()).stream()
        .filter(shape -> shape.role() == role)
        .findFirst()
        .map(shape -> {
          boolean front = shape.front();
          double tip = front ? shape.fromMm() : shape.toMm();
          // What is too much lies within the part, what is too little beyond its end.
          boolean beyond = misfit.kind() == Misfit.Kind.LOW;
          double missing = misfit.missingMm();
          return new Offender(
              misfit,
              shape,
              (shape.leftMm() + shape.rightMm()) / 2,
              tip,
              front == beyond ? -missing : missing);
        });
  }

  /** Marks what is missing where it is; with how much, where that is asked for. */
  void mark(Pen pen, boolean told) {
    offender().ifPresent(at -> mark(pen, at, told));
  }

  private void mark(Pen pen, Offender at, boolean told) {
    Section.Shape shape = at.shape();
    double x = rule.x(shape.rightMm()) + 12;
    double tip = rule.y(at.tipMm());
    String text =
        words.say(
            "close.missing",
            shape.id(),
            String.format(
                Locale.ROOT, "%.1f", Math.ceil(at.misfit().missingMm() * 10 - 1e-6) / 10));
    if (at.misfit().kind() == Misfit.Kind.BESIDE) {
      pen.diamond(x + 6, tip, 8, Token.ALARM);
      if (told) {
        pen.tag(text, x + 18, tip, 15, Token.ALARM, Token.MAT, Pen.Hang.LEFT);
      }
      return;
    }
    double other = rule.y(at.tipMm() + at.missingMm());
    pen.box(
        rule.x(shape.leftMm()),
        Math.min(tip, other),
        (shape.rightMm() - shape.leftMm()) * rule.scale(),
        Math.max(2, Math.abs(other - tip)),
        0,
        Token.ALARM,
        Token.ALARM);
    pen.line(x, tip, x, other, Token.ALARM, 2);
    pen.line(x - 5, tip, x + 5, tip, Token.ALARM, 2);
    pen.line(x - 5, other, x + 5, other, Token.ALARM, 2);
    if (told) {
      pen.tag(text, x + 10, (tip + other) / 2, 16, Token.ALARM, Token.MAT, Pen.Hang.LEFT);
    }
  }
}
