package humble.desktop.close;

import humble.core.casing.CaseFit;
import humble.core.casing.ScrewFit;
import humble.core.kit.Enclosure;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.Side;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A section through the case, heights to scale: layers, parts, the screw in hand with what it
 * passes.
 */
record SectionMat(
    String title,
    Parts parts,
    @Nullable Enclosure casing,
    CaseFit fit,
    String now,
    Set<String> fitted,
    Words words)
    implements Mat {
  private static final double LABELS_PX = 190;
  private static final double LABEL_PITCH_PX = 44;

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    Enclosure box = casing;
    if (box == null || parts.kit().boards().isEmpty()) {
      pen.text(words.say("close.none"), w / 2, h / 2, 18, Token.INK, Pen.Hang.MIDDLE);
      return;
    }
    double sum = box.layers().stream().mapToDouble(l -> l.thicknessMm().high()).sum();
    double scale = Math.min((h - 260) / Math.max(1, sum), 18);
    double x = 110;
    double width = w - x - LABELS_PX;
    double y = 84;
    Map<String, double[]> bands = new HashMap<>();
    double boardTop = y;
    double label = Double.NEGATIVE_INFINITY;
    for (Enclosure.Layer layer : box.layers()) {
      double thick = layer.thicknessMm().high() * scale;
      bands.put(layer.id(), new double[] {y, y + thick});
      boolean post = layer.id().contains("post");
      boolean board = parts.kit().board(layer.id()).isPresent();
      if (board) {
        boardTop = y;
      }
      if (post) {
        pen.box(x + 18, y, 40, thick, 0, Token.CARD, Token.INK);
        pen.box(x + width - 58, y, 40, thick, 0, Token.CARD, Token.INK);
      } else {
        pen.box(x, y, width, thick, 0, board ? Token.BOARD : Token.COPPER_PALE, Token.INK);
      }
      label = Math.max(y + thick / 2, label + LABEL_PITCH_PX);
      layerLabel(pen, layer, x + width, y + thick / 2, label);
      y += thick;
    }
    parts(pen, x, width, boardTop, y, scale);
    cutouts(pen, box, bands, x, width);
    fit.screws().stream()
        .filter(s -> s.screw().id().equals(now))
        .findFirst()
        .or(() -> fit.screws().stream().findFirst())
        .ifPresent(screw -> screw(pen, screw, bands, x + 38, scale, h, w));
  }

  /** Names a layer beside it; a name that had to move down is tied to its layer by a line. */
  private static void layerLabel(
      Pen pen, Enclosure.Layer layer, double edge, double middle, double at) {
    if (at > middle + 1) {
      pen.line(edge + 2, middle, edge + 12, at, Token.INK_SOFT, 1);
    }
    pen.bold(layer.title(), edge + 16, at - 9, 15, Token.INK, Pen.Hang.LEFT);
    pen.text(
        String.format(
            Locale.ROOT, "%.1f–%.1f mm", layer.thicknessMm().low(), layer.thicknessMm().high()),
        edge + 16,
        at + 9,
        14,
        Token.INK_SOFT,
        Pen.Hang.LEFT);
  }

  private void parts(
      Pen pen, double x, double width, double boardTop, double stackBottom, double scale) {
    double boardWidth = parts.kit().boards().getFirst().widthMm();
    double inner = width - 150;
    double pxPerMm = inner / boardWidth;
    String tallest =
        fit.clearances().stream()
            .max(java.util.Comparator.comparingDouble(CaseFit.Clearance::needsMm))
            .map(CaseFit.Clearance::ref)
            .orElse("");
    for (Part part : parts.all()) {
      Place place = part.place();
      if (place == null
          || place.side() != Side.TOP
          || !fitted.contains(part.ref()) && !fitted.isEmpty()) {
        continue;
      }
      double height = parts.fittedHeightMm(part.ref()) * scale;
      double reach =
          part.pack().pins().stream()
                  .mapToDouble(pin -> Math.abs(place.onBoard(pin.at()).xMm() - place.at().xMm()))
                  .max()
                  .orElse(1)
              + 1.3;
      double px = x + 75 + place.at().xMm() * pxPerMm;
      boolean high = fit.clearances().stream().anyMatch(c -> c.ref().equals(part.ref()) && !c.ok());
      pen.box(
          px - reach * pxPerMm,
          boardTop - height,
          2 * reach * pxPerMm,
          height,
          1,
          high ? Token.ALARM_PALE : part.ref().equals(tallest) ? Token.COPPER_PALE : Token.TIN,
          high ? Token.ALARM : Token.INK_SOFT);
      if (high) {
        pen.diamond(px, boardTop - height - 12, 8, Token.ALARM);
        pen.bold(part.ref(), px + 14, boardTop - height - 12, 14, Token.ALARM, Pen.Hang.LEFT);
      }
    }
    fit.clearances().stream()
        .max(java.util.Comparator.comparingDouble(CaseFit.Clearance::needsMm))
        .ifPresent(c -> {
          Place place = parts.get(c.ref()).place();
          if (place != null) {
            double px = x + 75 + place.at().xMm() * pxPerMm;
            pen.tag(
                words.say(
                    "close.tallest",
                    c.ref(),
                    String.format(Locale.ROOT, "%.1f", c.needsMm()),
                    String.format(Locale.ROOT, "%.1f", c.roomMm())),
                Math.max(px, x + width / 2),
                stackBottom + 20,
                14,
                Token.INK,
                Token.MAT,
                Pen.Hang.MIDDLE);
          }
        });
  }

  private void cutouts(
      Pen pen, Enclosure box, Map<String, double[]> bands, double x, double width) {
    double boardWidth = parts.kit().boards().getFirst().widthMm();
    double pxPerMm = (width - 150) / boardWidth;
    for (Enclosure.Cutout cutout : box.cutouts()) {
      double[] band = bands.get(cutout.in());
      if (band != null) {
        double left = x + 75 + (cutout.at().xMm() - cutout.widthMm() / 2) * pxPerMm;
        pen.box(
            left, band[0], cutout.widthMm() * pxPerMm, band[1] - band[0], 0, Token.MAT, Token.INK);
        pen.text(
            words.say("close.window", cutout.ref()),
            left + cutout.widthMm() * pxPerMm / 2,
            band[0] - 14,
            14,
            Token.INK,
            Pen.Hang.MIDDLE);
      }
    }
  }

  private void screw(
      Pen pen,
      ScrewFit screw,
      Map<String, double[]> bands,
      double x,
      double scale,
      double h,
      double w) {
    double[] first =
        bands.get(screw.screw().through().isEmpty() ? "" : screw.screw().through().getFirst());
    double[] into = bands.get(screw.screw().into());
    if (first != null && into != null && !screw.chooseMm().isEmpty()) {
      double length = screw.chooseMm().getFirst() * scale;
      boolean down = first[0] <= into[0];
      double head = down ? first[0] : first[1];
      double tip = down ? head + length : head - length;
      pen.box(x - 16, down ? head - 16 : head, 32, 16, 4, Token.INK_SOFT, Token.INK);
      pen.box(x - 7, Math.min(head, tip), 14, length, 1, Token.INK_SOFT, Token.INK);
      for (double t = Math.min(head, tip) + 6; t < Math.max(head, tip); t += 7) {
        pen.line(x - 7, t, x + 7, t - 4, Token.CARD, 1);
      }
      pen.line(x - 46, head, x - 46, tip, Token.INK, 1.5);
      pen.line(x - 52, head, x - 40, head, Token.INK, 1.5);
      pen.line(x - 52, tip, x - 40, tip, Token.INK, 1.5);
      pen.bold(
          String.format(Locale.ROOT, "%.0f", screw.chooseMm().getFirst()),
          x - 62,
          (head + tip) / 2,
          20,
          Token.INK,
          Pen.Hang.RIGHT);
    }
    lengths(pen, screw, 24, h - 136, w - 48, 116);
  }

  /** The lengths to choose from on a line between too short and too long. */
  private void lengths(Pen pen, ScrewFit screw, double x, double y, double w, double h) {
    pen.box(x, y, w, h, 8, Token.CARD, Token.LINE);
    pen.text(
        words.say("close.lengths", screw.screw().thread()),
        x + 18,
        y + 22,
        15,
        Token.INK_SOFT,
        Pen.Hang.LEFT);
    List<Double> lengths = screw.screw().lengthsMm();
    double most = lengths.stream().mapToDouble(Double::doubleValue).max().orElse(10) + 2;
    double left = x + 40;
    double right = x + w - 40;
    double line = y + 66;
    pen.line(left, line, right, line, Token.LINE, 4);
    double low = left + screw.tooShortMm() / most * (right - left);
    Double tooLong = screw.tooLongMm();
    double high = tooLong == null ? right : left + tooLong / most * (right - left);
    pen.box(low, line - 12, Math.max(4, high - low), 24, 4, Token.MASK_PALE, Token.MASK);
    for (double length : lengths) {
      double at = left + length / most * (right - left);
      boolean fits = screw.chooseMm().contains(length);
      if (fits) {
        pen.disc(at, line, 10, Token.MASK, Token.INK, 1.5);
      } else {
        pen.disc(at, line, 7, Token.CARD, Token.INK_SOFT, 1.5);
      }
      String label =
          String.format(Locale.ROOT, "%.0f", length)
              + (fits
                  ? " " + words.say("close.right")
                  : length < screw.tooShortMm()
                      ? " " + words.say("close.too-short")
                      : " " + words.say("close.too-long"));
      if (fits) {
        pen.bold(label, at, line + 30, 15, Token.INK, Pen.Hang.MIDDLE);
      } else {
        pen.text(
            String.format(Locale.ROOT, "%.0f", length),
            at,
            line + 30,
            14,
            Token.INK_SOFT,
            Pen.Hang.MIDDLE);
      }
    }
    pen.text(words.say("close.too-short"), left, line - 26, 13, Token.INK_SOFT, Pen.Hang.LEFT);
    pen.text(words.say("close.too-long"), right, line - 26, 13, Token.INK_SOFT, Pen.Hang.RIGHT);
  }

  @Override
  public String spoken() {
    return title + ": " + now;
  }
}
