package humble.desktop.draw;

import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.likeness.Paint;
import humble.core.marking.BandColour;
import humble.core.marking.ResistorBands;
import java.util.List;
import java.util.Optional;
import javafx.scene.paint.Color;

/** Small side views of parts, each kind with its own silhouette; resistors show their bands. */
public final class PartIcon {
  private PartIcon() {}

  /** Paint colours of the bands, as on common film resistors; letters always stand beside them. */
  public static Color paint(BandColour colour) {
    int srgb = Paint.srgb(colour);
    return Color.rgb(srgb >> 16, srgb >> 8 & 0xff, srgb & 0xff);
  }

  /** Gives the bands of a resistor line, when it has any. */
  public static Optional<List<BandColour>> bands(Line line) {
    return ResistorBands.of(line);
  }

  /** Draws a line's part about a point, {@code size} pixels wide. */
  public static void draw(Pen pen, Line line, double x, double y, double size) {
    double s = size / 60;
    switch (line.kind()) {
      case RESISTOR, LINK, INDUCTOR -> axial(pen, line, x, y, size);
      case DIODE, ZENER -> {
        pen.line(x - 30 * s, y, x + 30 * s, y, Token.INK, 1.5);
        pen.box(x - 13 * s, y - 6 * s, 26 * s, 12 * s, 4 * s, Token.TIN, Token.INK);
        pen.box(x - 9 * s, y - 6 * s, 4 * s, 12 * s, 0, Token.INK, null);
      }
      case CAPACITOR -> {
        legs(pen, x, y, s, 6);
        pen.oval(x, y - 4 * s, 13 * s, 9 * s, Token.COPPER_PALE, Token.INK, 1.5);
      }
      case CAPACITOR_POLARISED -> {
        legs(pen, x, y + 6 * s, s, 5);
        pen.box(x - 10 * s, y - 18 * s, 20 * s, 26 * s, 3, Token.TIN, Token.INK);
        pen.box(x + 4 * s, y - 18 * s, 5 * s, 26 * s, 0, Token.INK, null);
      }
      case LED -> {
        legs(pen, x, y + 4 * s, s, 5);
        pen.disc(x, y - 8 * s, 9 * s, Token.COPPER_PALE, Token.INK, 1.5);
        pen.box(x - 9 * s, y - 8 * s, 18 * s, 12 * s, 1, Token.COPPER_PALE, Token.INK);
        pen.box(x - 11 * s, y + 3 * s, 22 * s, 4 * s, 1, Token.COPPER_PALE, Token.INK);
      }
      case TRANSISTOR_NPN, TRANSISTOR_PNP, REGULATOR, MOSFET_N, MOSFET_P -> {
        legs(pen, x, y + 2 * s, s, 6);
        pen.line(x, y + 2 * s, x, y + 20 * s, Token.INK, 1.5);
        pen.box(x - 11 * s, y - 14 * s, 22 * s, 18 * s, 5 * s, Token.INK, Token.INK);
        pen.line(x - 7 * s, y - 6 * s, x + 7 * s, y - 6 * s, Token.TIN, 1.5);
      }
      case IC, SOCKET -> {
        for (int i = 0; i < 6; i++) {
          pen.line(
              x - 22 * s + i * 8.8 * s, y, x - 22 * s + i * 8.8 * s, y + 12 * s, Token.INK, 1.5);
        }
        pen.box(
            x - 27 * s,
            y - 8 * s,
            54 * s,
            13 * s,
            2,
            line.kind() == PartKind.IC ? Token.INK : Token.CARD,
            Token.INK);
        pen.disc(x - 20 * s, y - 2 * s, 2.2 * s, Token.TIN, null, 0);
      }
      case CRYSTAL -> {
        legs(pen, x, y + 4 * s, s, 8);
        pen.box(x - 16 * s, y - 8 * s, 32 * s, 13 * s, 6 * s, Token.TIN, Token.INK);
      }
      case BUTTON, SWITCH -> {
        pen.box(x - 14 * s, y - 6 * s, 28 * s, 14 * s, 2, Token.TIN, Token.INK);
        pen.box(x - 5 * s, y - 13 * s, 10 * s, 8 * s, 2, Token.INK, Token.INK);
      }
      case BUZZER, SPEAKER -> {
        legs(pen, x, y + 4 * s, s, 8);
        pen.box(x - 17 * s, y - 13 * s, 34 * s, 18 * s, 4, Token.INK, Token.INK);
        pen.oval(x, y - 13 * s, 17 * s, 4 * s, Token.FLUX_PALE, Token.INK, 1.2);
      }
      case HEADER -> {
        pen.box(x - 22 * s, y - 3 * s, 44 * s, 8 * s, 1, Token.INK, null);
        for (int i = 0; i < 5; i++) {
          pen.line(
              x - 18 * s + i * 9 * s,
              y - 13 * s,
              x - 18 * s + i * 9 * s,
              y + 13 * s,
              Token.COPPER,
              2);
        }
      }
      case CONNECTOR -> pen.box(x - 16 * s, y - 9 * s, 32 * s, 18 * s, 6 * s, Token.TIN, Token.INK);
      case DISPLAY -> {
        pen.box(x - 20 * s, y - 15 * s, 40 * s, 28 * s, 2, Token.BOARD, Token.INK);
        pen.box(x - 16 * s, y - 10 * s, 32 * s, 18 * s, 0, Token.TIN, Token.INK);
      }
      case LDR -> {
        legs(pen, x, y + 4 * s, s, 5);
        pen.disc(x, y - 5 * s, 11 * s, Token.CARD, Token.INK, 1.5);
        for (int i = 0; i < 3; i++) {
          pen.line(
              x - 6 * s,
              y - 9 * s + i * 4 * s,
              x + 6 * s,
              y - 9 * s + i * 4 * s,
              Token.COPPER,
              1.5);
        }
      }
      default -> pen.box(x - 12 * s, y - 9 * s, 24 * s, 18 * s, 3, Token.TIN, Token.INK);
    }
  }

  private static void legs(Pen pen, double x, double y, double s, double apart) {
    pen.line(x - apart * s, y, x - apart * s, y + 18 * s, Token.INK, 1.5);
    pen.line(x + apart * s, y, x + apart * s, y + 16 * s, Token.INK, 1.5);
  }

  private static void axial(Pen pen, Line line, double x, double y, double size) {
    pen.line(x - size / 2, y, x + size / 2, y, Token.INK, 1.5);
    if (line.kind() == PartKind.LINK) {
      return;
    }
    resistor(pen, bands(line).orElse(List.of()), x, y, size * 0.62, size * 0.2, false);
  }

  /**
   * Draws a resistor's body with its bands; {@code named} writes the two letters of each below it.
   */
  public static void resistor(
      Pen pen, List<BandColour> bands, double x, double y, double w, double h, boolean named) {
    pen.box(x - w / 2, y - h / 2, w, h, h * 0.45, Token.FLUX_PALE, Token.INK);
    double step = w * 0.72 / Math.max(4, bands.size());
    for (int i = 0; i < bands.size(); i++) {
      boolean last = i == bands.size() - 1 && bands.size() > 3;
      double at = x - w * 0.36 + i * step + (last ? step * 0.55 : 0);
      pen.paint(at, y - h / 2 + 1, Math.max(2, step * 0.5), h - 2, paint(bands.get(i)));
      if (named) {
        pen.text(
            bands.get(i).letters(),
            at + step * 0.25,
            y + h / 2 + 18,
            16,
            Token.INK,
            Pen.Hang.MIDDLE);
      }
    }
  }
}
