package humble.desktop.sort;

import humble.core.marking.BandColour;
import humble.core.units.Engineering;
import humble.desktop.draw.Mat;
import humble.desktop.draw.PartIcon;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/** The value ruler: a logarithmic rule with a slab for every line, and a needle for the reading. */
record RulerMat(
    String title,
    List<Slab> slabs,
    List<Tie> ties,
    OptionalDouble needle,
    List<BandColour> bands,
    String partTitle)
    implements Mat {
  /** Two lines that look alike, by their values. */
  record Tie(double ohms, double otherOhms) {}

  private static final double SLAB_PX = 108;

  /**
   * One line: its value, its tolerance, whether its pile is known, whether the reading belongs to
   * it.
   */
  record Slab(String label, double ohms, double tolerancePct, boolean sorted, boolean decided) {}

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    double low = slabs.stream().mapToDouble(Slab::ohms).min().orElse(100);
    double high = slabs.stream().mapToDouble(Slab::ohms).max().orElse(10_000);
    double from = Math.floor(Math.log10(low) - 0.15);
    double to = Math.max(from + 2, Math.ceil(Math.log10(high) + 0.15));
    double base = h * 0.6;
    double left = 50;
    double right = w - 50;
    pen.line(left - 14, base, right + 14, base, Token.INK, 2.5);
    for (int decade = (int) from; decade <= to; decade++) {
      double x = x(Math.pow(10, decade), from, to, left, right);
      pen.line(x, base, x, base + 16, Token.INK, 1.5);
      pen.text(
          Engineering.nominal(Math.pow(10, decade), "Ω"),
          x,
          base + 32,
          17,
          Token.INK,
          Pen.Hang.MIDDLE);
      for (int digit = 2; digit <= 9 && decade < to; digit++) {
        double tick = x(digit * Math.pow(10, decade), from, to, left, right);
        pen.line(tick, base, tick, base + 8, Token.INK, 1);
      }
    }
    List<Slab> sorted = slabs.stream().sorted(Comparator.comparingDouble(Slab::ohms)).toList();
    Map<Double, double[]> tops = new HashMap<>();
    double lastLabelEnd = Double.NEGATIVE_INFINITY;
    int level = 0;
    List<Runnable> labels = new ArrayList<>();
    for (Slab slab : sorted) {
      double middle = x(slab.ohms(), from, to, left, right);
      double width = Pen.width(slab.label(), 18, true);
      level = middle - width / 2 < lastLabelEnd + 8 ? level + 1 : 0;
      lastLabelEnd = middle + width / 2;
      labels.add(slab(pen, slab, from, to, left, right, base, level));
      tops.put(slab.ohms(), new double[] {middle, base - SLAB_PX - 36 - level * 32.0});
    }
    needle.ifPresent(ohms -> needle(pen, ohms, from, to, left, right, base));
    for (Tie tie : ties) {
      double[] a = tops.get(tie.ohms());
      double[] b = tops.get(tie.otherOhms());
      if (a != null && b != null) {
        double rise = Math.min(56, 22 + Math.abs(a[0] - b[0]) / 8);
        pen.bow(a[0], a[1], b[0], b[1], rise, Token.FLUX);
      }
    }
    labels.forEach(Runnable::run);
    part(pen, 20, h * 0.72, w - 40, h * 0.25);
  }

  private static double x(double ohms, double from, double to, double left, double right) {
    return left + (Math.log10(ohms) - from) / (to - from) * (right - left);
  }

  /** Draws a slab and gives what writes its name, which goes over all slabs. */
  private static Runnable slab(
      Pen pen,
      Slab slab,
      double from,
      double to,
      double left,
      double right,
      double base,
      int level) {
    double x1 = x(slab.ohms() * (1 - slab.tolerancePct() / 100), from, to, left, right);
    double x2 = x(slab.ohms() * (1 + slab.tolerancePct() / 100), from, to, left, right);
    double middle = (x1 + x2) / 2;
    double width = Math.max(x2 - x1, 9);
    double height = SLAB_PX;
    double label = base - height - 18 - level * 32.0;
    pen.box(
        middle - width / 2,
        base - height,
        width,
        height,
        2,
        slab.decided() ? Token.FLUX : Token.COPPER_PALE,
        Token.COPPER);
    if (level > 0) {
      pen.line(middle, base - height, middle, label, Token.COPPER, 1.5);
    }
    return () -> {
      pen.tag(slab.label(), middle, label, 18, Token.INK, Token.MAT, Pen.Hang.MIDDLE);
      if (slab.sorted()) {
        pen.standing(middle, base - 12, 8, "done");
      }
    };
  }

  private static void needle(
      Pen pen, double ohms, double from, double to, double left, double right, double base) {
    double x = Math.clamp(x(Math.max(ohms, 1e-9), from, to, left, right), left - 12, right + 12);
    double top = base - 262;
    pen.line(x, top + 24, x, base - 12, Token.ALARM, 2.5);
    pen.shape(
        List.of(
            new double[] {x, base - 1},
            new double[] {x - 8, base - 17},
            new double[] {x + 8, base - 17}),
        Token.ALARM,
        null);
    String text = Engineering.reading(ohms, "Ω");
    double width = Pen.width(text, 24, true) + 40;
    double boxLeft = Math.clamp(x - width / 2, 8, Math.max(8, right + 40 - width));
    pen.box(boxLeft, top - 16, width, 40, 6, Token.CARD, Token.ALARM);
    pen.bold(text, boxLeft + width / 2, top + 4, 24, Token.INK, Pen.Hang.MIDDLE);
  }

  private void part(Pen pen, double x, double y, double w, double h) {
    if (bands.isEmpty()) {
      return;
    }
    pen.box(x, y, w, h, 8, Token.CARD, Token.LINE);
    pen.text(partTitle, x + 18, y + 22, 15, Token.INK_SOFT, Pen.Hang.LEFT);
    double middle = y + h * 0.52;
    pen.line(x + w * 0.04, middle, x + w * 0.5, middle, Token.INK, 2.5);
    PartIcon.resistor(pen, bands, x + w * 0.27, middle, w * 0.34, h * 0.36, true);
    palette(pen, x + w * 0.55, y + 14, w * 0.43, h - 24);
  }

  /** The twelve paints, to enter bands by clicking; each with its two letters. */
  private static void palette(Pen pen, double x, double y, double w, double h) {
    BandColour[] colours = BandColour.values();
    int columns = (colours.length + 1) / 2;
    double cw = w / columns;
    double ch = h / 2;
    for (int i = 0; i < colours.length; i++) {
      double left = x + i % columns * cw;
      double top = y + Math.floorDiv(i, columns) * ch;
      pen.box(left + 3, top, cw - 6, ch - 6, 5, Token.PAPER, Token.LINE);
      pen.paint(left + 9, top + 6, cw - 18, ch * 0.36, PartIcon.paint(colours[i]));
      pen.text(
          colours[i].letters(), left + cw / 2, top + ch * 0.66, 16, Token.INK, Pen.Hang.MIDDLE);
      pen.spot("band:" + colours[i].letters(), left, top, cw, ch);
    }
  }

  @Override
  public String spoken() {
    String bandText = String.join(" ", bands.stream().map(BandColour::text).toList());
    return needle.isPresent()
        ? title + ": " + Engineering.reading(needle.getAsDouble(), "Ω")
        : title + ": " + bandText;
  }
}
