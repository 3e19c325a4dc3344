package humble.formats.report;

import humble.core.build.Build;
import humble.core.kit.Kit;
import humble.formats.pdf.PdfFace;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/**
 * Writes the logbook of a build on A4 pages. What would fill more than so many pages with acts is
 * summed up.
 */
public final class PdfReport {
  /** About thirty pages of acts. */
  private static final int MOST_ACTS = 1200;

  private static final float LEFT = 56;
  private static final float RIGHT = 540;
  private static final float TOP = 790;
  private static final float BOTTOM = 56;
  private static final float PHOTO_WIDE = 300;
  private static final float PHOTO_HIGH = 220;

  private final PDDocument document;
  private final PdfFace face;
  private final String title;
  private PDPageContentStream out;
  private float y = TOP;
  private int pages;

  private PdfReport(PDDocument document, String title) throws IOException {
    this.document = document;
    this.title = title;
    this.face = PdfFace.of(document);
    this.out = begun();
  }

  /**
   * Gives the pages; the same build gives the same pages.
   *
   * @throws IOException when the document cannot be made
   */
  public static byte[] of(Kit kit, Build build, Locale locale, ZoneId zone) throws IOException {
    return of(kit, build, locale, zone, KeptPhotos.NONE);
  }

  /**
   * Gives the pages with the photos of the build on them.
   *
   * @throws IOException when the document cannot be made
   */
  public static byte[] of(Kit kit, Build build, Locale locale, ZoneId zone, KeptPhotos photos)
      throws IOException {
    return pages(LogbookWriter.of(kit, build, locale, zone, MOST_ACTS, photos));
  }

  static byte[] pages(Logbook book) throws IOException {
    try (PDDocument document = new PDDocument()) {
      document.setDocumentId(1L);
      document.getDocumentInformation().setTitle(book.title());
      PdfReport report = new PdfReport(document, book.title());
      for (Logbook.Block block : book.blocks()) {
        report.write(block);
      }
      report.out.close();
      ByteArrayOutputStream bytes = new ByteArrayOutputStream();
      document.save(bytes);
      return bytes.toByteArray();
    }
  }

  private PDPageContentStream begun() throws IOException {
    PDPage page = new PDPage(PDRectangle.A4);
    document.addPage(page);
    pages++;
    PDPageContentStream stream = new PDPageContentStream(document, page);
    put(stream, LEFT, 30, 8, face.fitted(title + "   " + pages, 8, RIGHT - LEFT));
    return stream;
  }

  private void room(float height) throws IOException {
    if (y - height < BOTTOM) {
      out.close();
      out = begun();
      y = TOP;
    }
  }

  private void put(PDPageContentStream to, float x, float at, float size, String text)
      throws IOException {
    to.beginText();
    to.setFont(face.font(), size);
    to.newLineAtOffset(x, at);
    to.showText(text);
    to.endText();
  }

  private void lines(String text, float size, float x, float before) throws IOException {
    y -= before;
    for (String line : face.wrapped(Logbook.plain(text), size, RIGHT - x)) {
      room(size * 1.35f);
      y -= size * 1.35f;
      put(out, x, y, size, line);
    }
  }

  private void write(Logbook.Block block) throws IOException {
    switch (block) {
      case Logbook.Title one -> lines(one.text(), 22, LEFT, 0);
      case Logbook.Heading heading -> {
        // A heading never stands alone at the end of a page.
        room(60);
        lines(heading.text(), 14, LEFT, 12);
        y -= 4;
      }
      case Logbook.Text text -> lines(text.text(), text.strong() ? 13 : 10, LEFT, 4);
      case Logbook.Bullets bullets -> {
        for (String item : bullets.items()) {
          lines("–  " + item, 10, LEFT + 6, 1);
        }
      }
      case Logbook.Photo photo -> {
        if (photo.jpeg().isPresent()) {
          photo(photo.jpeg().get());
        }
        lines(photo.text(), 9, LEFT, 4);
        y -= 8;
      }
      case Logbook.Table table -> table(table);
    }
  }

  /** A photo that is no JPEG after all is told by its words alone. */
  private void photo(byte[] jpeg) throws IOException {
    PDImageXObject image;
    try {
      image = JPEGFactory.createFromByteArray(document, jpeg);
    } catch (IOException | RuntimeException e) {
      return;
    }
    float scale =
        Math.min(
            PHOTO_WIDE / Math.max(1, image.getWidth()),
            PHOTO_HIGH / Math.max(1, image.getHeight()));
    float high = image.getHeight() * scale;
    room(high + 20);
    y -= high + 6;
    out.drawImage(image, LEFT, y, image.getWidth() * scale, high);
  }

  private void table(Logbook.Table table) throws IOException {
    int columns = table.rows().stream().mapToInt(row -> row.cells().size()).max().orElse(1);
    float[] widths = widths(table, columns);
    for (Logbook.Row row : table.rows()) {
      List<List<String>> cells = new ArrayList<>();
      int most = 1;
      for (int i = 0; i < row.cells().size(); i++) {
        List<String> cell = face.wrapped(Logbook.plain(row.cells().get(i)), 9, widths[i] - 8);
        cells.add(cell);
        most = Math.max(most, cell.size());
      }
      float height = Math.min(most * 12f + 4, TOP - BOTTOM);
      room(height);
      float top = y;
      float x = LEFT;
      for (int i = 0; i < cells.size(); i++) {
        float at = top - 11;
        for (String line : cells.get(i)) {
          if (at < BOTTOM) {
            break;
          }
          put(out, x, at, 9, line);
          if (row.gone()) {
            strike(x, at + 3, face.width(line, 9));
          }
          at -= 12;
        }
        x += widths[i];
      }
      y = top - height;
      rule(y + 1);
    }
  }

  private void rule(float at) throws IOException {
    out.setLineWidth(0.4f);
    out.setStrokingColor(0.8f, 0.75f, 0.65f);
    out.moveTo(LEFT, at);
    out.lineTo(RIGHT, at);
    out.stroke();
  }

  private void strike(float x, float at, float width) throws IOException {
    out.setLineWidth(0.6f);
    out.setStrokingColor(0.4f, 0.4f, 0.4f);
    out.moveTo(x, at);
    out.lineTo(x + width, at);
    out.stroke();
  }

  /** Columns as wide as what stands in them; the last takes what is left. */
  private float[] widths(Logbook.Table table, int columns) throws IOException {
    float[] widths = new float[columns];
    float left = RIGHT - LEFT;
    for (int i = 0; i < columns - 1; i++) {
      float most = 40;
      for (Logbook.Row row : table.rows().subList(0, Math.min(200, table.rows().size()))) {
        if (i < row.cells().size()) {
          most = Math.max(most, face.width(Logbook.plain(row.cells().get(i)), 9) + 10);
        }
      }
      widths[i] = Math.min(most, left * (i == 0 ? 0.4f : 0.5f));
      left -= widths[i];
    }
    widths[columns - 1] = left;
    return widths;
  }
}
