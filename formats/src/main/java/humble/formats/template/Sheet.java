package humble.formats.template;

import humble.core.casing.DrillTemplate;
import humble.core.kit.Enclosure;
import humble.core.kit.PointMm;
import humble.formats.pdf.PdfFace;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;

/** A sheet that is drawn in millimetres from its lower left. */
final class Sheet implements AutoCloseable {
  private static final double POINTS_PER_MM = 72 / 25.4;
  private static final double LEFT_MM = 15;
  private static final double LOW_MM = 28;

  /** How far a circle's control points lie from its ends, in radii. */
  private static final double ROUND = 0.5522847498;

  private static final double CHECK_MM = 100;
  private static final double LEGEND_PT = 9;
  private static final double LEGEND_OFF_MM = 4.5;

  private final PDPageContentStream out;
  private final PdfFace face;

  Sheet(PDDocument document, PDPage page, PdfFace face) throws IOException {
    this.out = new PDPageContentStream(document, page);
    this.face = face;
    out.setLineWidth(0.5f);
  }

  private static float pt(double mm) {
    return (float) (mm * POINTS_PER_MM);
  }

  void text(double size, double x, double y, String text) throws IOException {
    out.beginText();
    out.setFont(face.font(), (float) size);
    out.newLineAtOffset(pt(x), pt(y));
    out.showText(face.written(text));
    out.endText();
  }

  private void middle(double size, double x, double y, String text) throws IOException {
    double wide = face.width(text, (float) size) / POINTS_PER_MM;
    text(size, x - wide / 2, y, text);
  }

  private void line(double x1, double y1, double x2, double y2) throws IOException {
    out.moveTo(pt(x1), pt(y1));
    out.lineTo(pt(x2), pt(y2));
    out.stroke();
  }

  /** A rule to lay a ruler on: printers that fit a page to the paper make it smaller. */
  void scale(double x, double y, String text) throws IOException {
    line(x, y, x + CHECK_MM, y);
    for (int mm = 0; mm <= CHECK_MM; mm += 10) {
      line(x + mm, y, x + mm, y + (mm % 50 == 0 ? 4 : 2));
    }
    text(8, x + CHECK_MM + 3, y, text);
  }

  private void circle(double x, double y, double radius) throws IOException {
    double k = ROUND * radius;
    out.moveTo(pt(x + radius), pt(y));
    out.curveTo(pt(x + radius), pt(y + k), pt(x + k), pt(y + radius), pt(x), pt(y + radius));
    out.curveTo(pt(x - k), pt(y + radius), pt(x - radius), pt(y + k), pt(x - radius), pt(y));
    out.curveTo(pt(x - radius), pt(y - k), pt(x - k), pt(y - radius), pt(x), pt(y - radius));
    out.curveTo(pt(x + k), pt(y - radius), pt(x + radius), pt(y - k), pt(x + radius), pt(y));
    out.stroke();
  }

  /** Draws what of a template lies in a window of it. */
  void plate(DrillTemplate template, double fromX, double fromY, double wide, double high)
      throws IOException {
    frame(template, fromX, fromY, wide, high);
    for (DrillTemplate.Hole hole : template.holes()) {
      PointMm at = hole.at();
      double x = at.xMm() - fromX;
      double y = at.yMm() - fromY;
      if (x >= 0 && y >= 0 && x <= wide && y <= high) {
        hole(hole, LEFT_MM + x, LOW_MM + y);
      }
    }
  }

  /** The edges of the board behind the plate, as far as they lie in a window of it. */
  private void frame(DrillTemplate template, double fromX, double fromY, double wide, double high)
      throws IOException {
    double right = Math.min(template.widthMm() - fromX, wide);
    double top = Math.min(template.heightMm() - fromY, high);
    out.setLineDashPattern(new float[] {4, 3}, 0);
    if (fromX == 0) {
      line(LEFT_MM, LOW_MM, LEFT_MM, LOW_MM + top);
    }
    if (fromY == 0) {
      line(LEFT_MM, LOW_MM, LEFT_MM + right, LOW_MM);
    }
    if (template.widthMm() - fromX <= wide) {
      line(LEFT_MM + right, LOW_MM, LEFT_MM + right, LOW_MM + top);
    }
    if (template.heightMm() - fromY <= high) {
      line(LEFT_MM, LOW_MM + top, LEFT_MM + right, LOW_MM + top);
    }
    out.setLineDashPattern(new float[0], 0);
  }

  /** Draws what is printed below the openings of a template, in a window of it. */
  void legend(
      DrillTemplate template,
      List<Enclosure.Legend> legends,
      double fromX,
      double fromY,
      double wide,
      double high)
      throws IOException {
    for (Enclosure.Legend legend : legends) {
      for (DrillTemplate.Hole hole : template.holes()) {
        double x = hole.at().xMm() - fromX;
        double y = hole.at().yMm() - fromY;
        if (hole.ref().equals(legend.ref()) && x >= 0 && y >= 0 && x <= wide && y <= high) {
          double half =
              switch (hole) {
                case DrillTemplate.Hole.Round round -> round.mm() / 2;
                case DrillTemplate.Hole.Window window -> window.heightMm() / 2;
              };
          middle(LEGEND_PT, LEFT_MM + x, LOW_MM + y - half - LEGEND_OFF_MM, legend.text());
          line(LEFT_MM + x - 1, LOW_MM + y, LEFT_MM + x + 1, LOW_MM + y);
          line(LEFT_MM + x, LOW_MM + y - 1, LEFT_MM + x, LOW_MM + y + 1);
        }
      }
    }
    frame(template, fromX, fromY, wide, high);
  }

  private void hole(DrillTemplate.Hole hole, double x, double y) throws IOException {
    switch (hole) {
      case DrillTemplate.Hole.Round round -> {
        double radius = round.mm() / 2;
        circle(x, y, radius);
        line(x - radius - 1.2, y, x + radius + 1.2, y);
        line(x, y - radius - 1.2, x, y + radius + 1.2);
        middle(5.5, x, y + radius + 1.8, hole.ref());
        middle(5.5, x, y - radius - 3.4, mm(round.mm()));
      }
      case DrillTemplate.Hole.Window window -> {
        double w = window.widthMm() / 2;
        double h = window.heightMm() / 2;
        line(x - w, y - h, x + w, y - h);
        line(x + w, y - h, x + w, y + h);
        line(x + w, y + h, x - w, y + h);
        line(x - w, y + h, x - w, y - h);
        line(x - 1.5, y, x + 1.5, y);
        line(x, y - 1.5, x, y + 1.5);
        text(
            6,
            x - w + 0.8,
            y + h - 2.8,
            named(hole.ref(), mm(window.widthMm()) + " × " + mm(window.heightMm())));
      }
    }
  }

  private static String named(String ref, String size) {
    return ref + " " + size;
  }

  private static String mm(double value) {
    return String.format(Locale.ROOT, "%.1f", value);
  }

  @Override
  public void close() throws IOException {
    out.close();
  }
}
