package humble.desktop.draw;

import humble.core.words.ForeignText;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.FontWeight;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;

/**
 * Draws in the colours and faces of the theme; strokes are 1.5 px unless said otherwise. What it
 * draws is a list of marks; a {@link Sketch} inks them.
 */
public final class Pen extends ShapePen {
  /** Makes a pen with nothing drawn. */
  public Pen(Palette palette) {
    super(palette);
  }

  /** Where a text hangs on its point. */
  public enum Hang {
    LEFT,
    MIDDLE,
    RIGHT
  }

  /** A rectangle of the picture that can be clicked, in pixels. */
  public record Spot(String id, double x, double y, double w, double h) {
    /** Tells whether a point lies in it. */
    public boolean holds(double atX, double atY) {
      return atX >= x && atX <= x + w && atY >= y && atY <= y + h;
    }
  }

  /** Draws an octagon: a gate, or stop. */
  public void octagon(
      double x, double y, double radius, @Nullable Token fill, @Nullable Token stroke) {
    List<double[]> points = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      double a = Math.PI / 8 + i * Math.PI / 4;
      points.add(new double[] {x + radius * Math.cos(a), y + radius * Math.sin(a)});
    }
    shape(points, fill, stroke);
  }

  /** Draws a diamond: something needs a measurement, or is short. */
  public void diamond(double x, double y, double radius, Token fill) {
    shape(
        List.of(
            new double[] {x, y - radius},
            new double[] {x + radius, y},
            new double[] {x, y + radius},
            new double[] {x - radius, y}),
        fill,
        null);
  }

  /** Writes one line of text about a vertical middle. */
  public void text(String text, double x, double y, double sizePx, Token token, Hang hang) {
    write(text, x, y, Font.font("B612", sizePx), token, hang);
  }

  /** Writes one line of bold text. */
  public void bold(String text, double x, double y, double sizePx, Token token, Hang hang) {
    write(text, x, y, Font.font("B612", FontWeight.BOLD, sizePx), token, hang);
  }

  /** Writes one line in the face of addresses. */
  public void mono(String text, double x, double y, double sizePx, Token token, Hang hang) {
    write(text, x, y, mono(sizePx), token, hang);
  }

  private void write(String written, double x, double y, Font font, Token token, Hang hang) {
    String text = ForeignText.shown(written);
    Color colour = colour(token);
    // No letter of the faces is wider than its size; a little too wide an area does no harm.
    double most = text.length() * font.getSize();
    double left = hang == Hang.LEFT ? x : hang == Hang.RIGHT ? x - most : x - most / 2;
    mark(
        left,
        y - font.getSize(),
        left + most,
        y + font.getSize(),
        List.of("text", text, x, font, colour, hang),
        g -> {
          g.setFont(font);
          g.setFill(colour);
          g.setTextAlign(
              switch (hang) {
                case LEFT -> TextAlignment.LEFT;
                case MIDDLE -> TextAlignment.CENTER;
                case RIGHT -> TextAlignment.RIGHT;
              });
          g.fillText(text, x, y);
        });
  }

  /** Gives the face of addresses, by its full name: its family is that of the other face. */
  public static Font mono(double sizePx) {
    return new Font("B612 Mono Bold", sizePx);
  }

  /** Writes text on a strip of ground, so that lines below it do not cross it. */
  public void tag(
      String text, double x, double y, double sizePx, Token ink, Token ground, Hang hang) {
    double width = width(text, sizePx, true) + 12;
    double left =
        switch (hang) {
          case LEFT -> x - 6;
          case MIDDLE -> x - width / 2;
          case RIGHT -> x - width + 6;
        };
    box(left, y - sizePx * 0.8, width, sizePx * 1.6, 4, ground, null);
    bold(text, left + width / 2, y, sizePx, ink, Hang.MIDDLE);
  }

  /** Gives the width of a text, in pixels. */
  public static double width(String text, double sizePx, boolean bold) {
    Text node = new Text(text);
    node.setFont(bold ? Font.font("B612", FontWeight.BOLD, sizePx) : Font.font("B612", sizePx));
    return node.getLayoutBounds().getWidth();
  }

  /** Gives the size, {@code sizePx} down to {@code leastPx}, at which a text fits, if any does. */
  public static double sizeFor(String text, double sizePx, double leastPx, double widthPx) {
    double size = sizePx;
    while (size > leastPx && width(text, size, false) > widthPx) {
      size--;
    }
    return size;
  }

  /** Shortens a text until it fits. */
  public static String fitted(String text, double sizePx, double widthPx) {
    String cut = text;
    while (cut.length() > 1 && width(cut, sizePx, false) > widthPx) {
      cut = cut.substring(0, cut.length() - 2) + "…";
    }
    return cut;
  }

  /** Draws the shape of a standing: open ring to do, ring with a bar under way, disc done. */
  public void standing(double x, double y, double radius, String standing) {
    switch (standing) {
      case "done" -> {
        disc(x, y, radius, Token.COPPER, null, 0);
        disc(x - radius * 0.3, y - radius * 0.3, radius * 0.22, Token.CARD, null, 0);
      }
      case "deviated" -> {
        disc(x, y, radius, Token.COPPER, null, 0);
        shape(
            List.of(
                new double[] {x, y},
                new double[] {x + radius * 1.1, y - radius * 0.7},
                new double[] {x + radius * 1.1, y + radius * 0.7}),
            Token.CARD,
            null);
      }
      case "guessed" -> diamond(x, y, radius * 1.1, Token.FLUX);
      case "ailing" -> {
        diamond(x, y, radius * 1.15, Token.ALARM);
        bold("!", x, y, radius * 1.1, Token.CARD, Hang.MIDDLE);
      }
      case "now" -> {
        disc(x, y, radius, Token.CARD, Token.COPPER, radius * 0.26);
        box(
            x - radius * 0.45,
            y - radius * 0.13,
            radius * 0.9,
            radius * 0.26,
            radius * 0.13,
            Token.COPPER,
            null);
      }
      default -> disc(x, y, radius, Token.CARD, Token.COPPER_PALE, radius * 0.26);
    }
  }
}
