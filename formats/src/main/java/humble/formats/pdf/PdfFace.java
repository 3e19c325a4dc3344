package humble.formats.pdf;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** A face of a document: what it has no sign for is told by its number, never left away. */
public final class PdfFace {
  private final PDType0Font font;
  private final Map<Integer, String> signs = new HashMap<>();
  private final Map<Integer, Float> advances = new HashMap<>();

  private static final String REGULAR =
      "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

  private PdfFace(PDType0Font font) {
    this.font = font;
  }

  /**
   * Gives the face that comes with the library, for a document.
   *
   * @throws IOException when it cannot be read
   */
  public static PdfFace of(PDDocument document) throws IOException {
    try (InputStream in = PDDocument.class.getResourceAsStream(REGULAR)) {
      if (in == null) {
        throw new IOException("the face " + REGULAR + " is missing");
      }
      return new PdfFace(PDType0Font.load(document, in));
    }
  }

  /** Gives the face for a stream of a page. */
  public PDType0Font font() {
    return font;
  }

  /** Gives a text with signs that the face has. */
  public String written(String text) {
    StringBuilder written = new StringBuilder(text.length());
    text.codePoints().forEach(c -> written.append(signs.computeIfAbsent(c, this::sign)));
    return written.toString();
  }

  private String sign(int codePoint) {
    String text = Character.toString(codePoint);
    try {
      font.encode(text);
      return text;
    } catch (IOException | IllegalArgumentException e) {
      return String.format("<%04X>", codePoint);
    }
  }

  private float advance(int codePoint) {
    return advances.computeIfAbsent(
        codePoint,
        c -> {
          try {
            return font.getStringWidth(Character.toString(c)) / 1000;
          } catch (IOException | IllegalArgumentException e) {
            return 1f;
          }
        });
  }

  private float wide(String written, float size) {
    float sum = 0;
    for (int i = 0; i < written.length(); i += Character.charCount(written.codePointAt(i))) {
      sum += advance(written.codePointAt(i));
    }
    return sum * size;
  }

  /** Gives the width of a text, in points, as it is written. */
  public float width(String text, float size) {
    return wide(written(text), size);
  }

  /** Gives as much of a text as a width holds. */
  public String fitted(String text, float size, float width) {
    return wrapped(text, size, width).getFirst();
  }

  /** Gives a text in lines that a width holds, at least one; words that are longer are broken. */
  public List<String> wrapped(String text, float size, float width) {
    List<String> lines = new ArrayList<>();
    StringBuilder line = new StringBuilder();
    float used = 0;
    for (String word : written(text).split(" ", -1)) {
      float wide = wide(word, size);
      float blank = line.isEmpty() ? 0 : advance(' ') * size;
      if (used + blank + wide <= width) {
        line.append(line.isEmpty() ? "" : " ").append(word);
        used += blank + wide;
        continue;
      }
      if (!line.isEmpty()) {
        lines.add(line.toString());
        line.setLength(0);
        used = 0;
      }
      for (int i = 0; i < word.length(); ) {
        int c = word.codePointAt(i);
        float one = advance(c) * size;
        if (used + one > width && !line.isEmpty()) {
          lines.add(line.toString());
          line.setLength(0);
          used = 0;
        }
        line.appendCodePoint(c);
        used += one;
        i += Character.charCount(c);
      }
    }
    lines.add(line.toString());
    return lines;
  }
}
