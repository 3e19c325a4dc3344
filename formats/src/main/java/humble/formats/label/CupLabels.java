package humble.formats.label;

import humble.core.kit.Choices;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.kit.RefOrder;
import humble.core.likeness.Paint;
import humble.core.marking.BandColour;
import humble.core.marking.ResistorBands;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Words;
import humble.formats.pdf.PdfFace;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;

/**
 * Labels for the cups of a kit on A4 sheets, 24 to a sheet, with lines to cut along: value and
 * kind, where the parts go, how many, and the drawn bands with their letters.
 */
public final class CupLabels {
  private static final double POINTS_PER_MM = 72 / 25.4;
  private static final double WIDTH_MM = 63;
  private static final double HEIGHT_MM = 33;
  private static final double LEFT_MM = 10.5;
  private static final double TOP_MM = 16;
  private static final int COLUMNS = 3;
  private static final int ROWS = 8;
  private static final double INSET_MM = 3.5;

  /** How many pins, at the end of a package name: {@code 1x6} or {@code 28}. */
  private static final Pattern PIN_COUNT = Pattern.compile("([12]x)?[0-9]+(?=(-wide)?$)");

  private final Kit kit;
  private final Words words;
  private final Set<String> leftOut;

  private final PDDocument document;
  private final PdfFace face;

  private CupLabels(PDDocument document, Kit kit, Map<String, String> choices, Words words)
      throws IOException {
    this.document = document;
    this.face = PdfFace.of(document);
    this.kit = kit;
    this.words = words;
    this.leftOut = Choices.leftOut(kit, choices);
  }

  /**
   * Gives the sheets as PDF; the same kit gives the same sheets.
   *
   * @param kit the kit
   * @param choices choice by option; lines that none of these fits get no label
   * @param locale language of the labels
   * @throws IOException when the document cannot be made
   */
  public static byte[] pdf(Kit kit, Map<String, String> choices, Locale locale) throws IOException {
    Words words = Words.of("humble.formats.label.labels", locale);
    try (PDDocument document = new PDDocument()) {
      return new CupLabels(document, kit, choices, words).make();
    }
  }

  /** Gives the lines that get a label. */
  static List<Line> lines(Kit kit, Set<String> leftOut) {
    return kit.bagged().stream()
        .filter(line ->
            line.supplied() > 0 || line.refs().stream().anyMatch(ref -> !leftOut.contains(ref)))
        .toList();
  }

  private byte[] make() throws IOException {
    List<Line> lines = lines(kit, leftOut);
    int perPage = COLUMNS * ROWS;
    int pages = Math.max(1, (lines.size() + perPage - 1) / perPage);
    PDDocumentInformation about = document.getDocumentInformation();
    about.setTitle(words.say("label.title", kit.name()));
    document.setDocumentId(1L);
    for (int page = 0; page < pages; page++) {
      PDPage sheet = new PDPage(PDRectangle.A4);
      document.addPage(sheet);
      try (PDPageContentStream out = new PDPageContentStream(document, sheet)) {
        foot(out, page + 1, pages);
        int from = page * perPage;
        for (int i = from; i < Math.min(lines.size(), from + perPage); i++) {
          int slot = i - from;
          double x = LEFT_MM + slot % COLUMNS * WIDTH_MM;
          double y = TOP_MM + Math.floorDiv(slot, COLUMNS) * HEIGHT_MM;
          label(new Paper(out), lines.get(i), x, y);
        }
      }
    }
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    document.save(bytes);
    return bytes.toByteArray();
  }

  private void foot(PDPageContentStream out, int page, int pages) throws IOException {
    new Paper(out)
        .text(8, LEFT_MM, 290, words.say("label.foot", kit.name(), kit.revision(), page, pages));
  }

  private void label(Paper paper, Line line, double x, double y) throws IOException {
    paper.frame(x, y, WIDTH_MM, HEIGHT_MM);
    double left = x + INSET_MM;
    double room = WIDTH_MM - 2 * INSET_MM;
    String head = name(line);
    double size = fitting(head, 14, 9, room);
    paper.bold(size, left, y + 7.5, cut(size, head, room));
    List<String> refs =
        line.refs().stream()
            .filter(ref -> !leftOut.contains(ref))
            .sorted(RefOrder.NATURAL)
            .toList();
    List<String> rows = wrapped(refs, room);
    for (int i = 0; i < rows.size(); i++) {
      paper.text(10, left, y + 13 + i * 4.4, rows.get(i));
    }
    List<BandColour> bands = ResistorBands.of(line).orElse(List.of());
    if (!bands.isEmpty()) {
      bands(paper, bands, left, y + HEIGHT_MM - 12);
    } else if (!line.marking().isEmpty()) {
      paper.text(
          9, left, y + HEIGHT_MM - 8, cut(9, words.say("label.marking", line.marking()), room));
    }
    String last =
        line.bag().isEmpty()
            ? words.say("label.pieces", refs.size())
            : words.say("label.pieces-bag", refs.size(), line.bag());
    paper.text(9, left, y + HEIGHT_MM - 3, cut(9, last + "  " + line.id(), room));
  }

  private String name(Line line) {
    String unit =
        switch (line.kind()) {
          case RESISTOR, RESISTOR_NETWORK, POTENTIOMETER, TRIMMER -> "Ω";
          case CAPACITOR, CAPACITOR_POLARISED -> "F";
          case INDUCTOR, COIL -> "H";
          case CRYSTAL, RESONATOR -> "Hz";
          case REGULATOR, ZENER -> "V";
          default -> "";
        };
    Matcher rows = PIN_COUNT.matcher(line.packageId());
    boolean counted =
        line.kind() == PartKind.HEADER
            || line.kind() == PartKind.SOCKET
            || line.kind() == PartKind.IC;
    String shape =
        counted && rows.find() ? " " + rows.group().replace('x', '×').replace("-", "") : "";
    String kind = words.say("kind." + line.kind().text()) + shape;
    String value =
        !unit.isEmpty() && Quantity.parse(line.value()) instanceof QuantityText.Read read
            ? Engineering.nominal(read.value(), unit)
            : line.value();
    return value.isEmpty() ? kind : value + " " + kind;
  }

  /** The body with its bands, the last one set apart, and two letters under each. */
  private void bands(Paper paper, List<BandColour> bands, double x, double y) throws IOException {
    double width = 34;
    double height = 4.2;
    paper.box(x, y - height / 2, width, height, 0xe9dcc0);
    double step = width * 0.8 / bands.size();
    for (int i = 0; i < bands.size(); i++) {
      boolean last = i == bands.size() - 1 && bands.size() > 3;
      double at = x + width * 0.08 + i * step + (last ? step * 0.4 : 0);
      paper.box(at, y - height / 2, step * 0.45, height, Paint.srgb(bands.get(i)));
      paper.text(7, at - 0.3, y + height / 2 + 2.8, bands.get(i).letters());
    }
  }

  private List<String> wrapped(List<String> refs, double roomMm) throws IOException {
    List<String> rows = new ArrayList<>();
    StringBuilder row = new StringBuilder();
    for (int i = 0; i < refs.size(); i++) {
      String more = row.isEmpty() ? refs.get(i) : row + " " + refs.get(i);
      String rest = rows.isEmpty() || i == refs.size() - 1 ? "" : " +" + (refs.size() - i - 1);
      if (widthMm(10, more + rest) <= roomMm) {
        row.setLength(0);
        row.append(more);
      } else if (rows.isEmpty()) {
        rows.add(row.toString());
        row = new StringBuilder(refs.get(i));
      } else {
        row.append(" +").append(refs.size() - i);
        break;
      }
    }
    if (!row.isEmpty()) {
      rows.add(row.toString());
    }
    return rows;
  }

  private double fitting(String text, double largest, double least, double roomMm)
      throws IOException {
    double size = largest;
    while (size > least && widthMm(size, text) > roomMm) {
      size -= 0.5;
    }
    return size;
  }

  private String cut(double size, String text, double roomMm) throws IOException {
    String left = text;
    while (left.length() > 1 && widthMm(size, left) > roomMm) {
      left = left.substring(0, left.length() - 2) + "…";
    }
    return left;
  }

  private double widthMm(double size, String text) {
    return face.width(text, (float) size) / POINTS_PER_MM;
  }

  /** Draws in millimetres from the upper left corner of the sheet. */
  private final class Paper {
    private final PDPageContentStream out;

    Paper(PDPageContentStream out) {
      this.out = out;
    }

    private static float x(double mm) {
      return (float) (mm * POINTS_PER_MM);
    }

    private static float y(double mm) {
      return (float) (PDRectangle.A4.getHeight() - mm * POINTS_PER_MM);
    }

    void text(double size, double x, double y, String text) throws IOException {
      write(size, x, y, text, RenderingMode.FILL);
    }

    /** The face has no bold cut: its outlines are drawn a little thicker. */
    void bold(double size, double x, double y, String text) throws IOException {
      out.setLineWidth((float) (size * 0.035));
      write(size, x, y, text, RenderingMode.FILL_STROKE);
    }

    private void write(double size, double x, double y, String text, RenderingMode mode)
        throws IOException {
      out.beginText();
      out.setRenderingMode(mode);
      out.setFont(face.font(), (float) size);
      out.newLineAtOffset(x(x), y(y));
      out.showText(face.written(text));
      out.endText();
    }

    void frame(double x, double y, double w, double h) throws IOException {
      out.setLineWidth(0.4f);
      out.setStrokingColor(0.6f, 0.6f, 0.6f);
      out.setLineDashPattern(new float[] {3, 3}, 0);
      out.addRect(x(x), y(y + h), x(w), x(h));
      out.stroke();
      out.setLineDashPattern(new float[0], 0);
      out.setStrokingColor(0f, 0f, 0f);
    }

    void box(double x, double y, double w, double h, int srgb) throws IOException {
      out.setNonStrokingColor((srgb >> 16) / 255f, (srgb >> 8 & 0xff) / 255f, (srgb & 0xff) / 255f);
      out.addRect(x(x), y(y + h), x(w), x(h));
      out.fill();
      out.setNonStrokingColor(0f, 0f, 0f);
      out.setStrokingColor(0f, 0f, 0f);
      out.setLineWidth(0.3f);
      out.addRect(x(x), y(y + h), x(w), x(h));
      out.stroke();
    }
  }
}
