package humble.desktop.draw;

import humble.core.kit.Board;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.formats.board.Aperture;
import humble.formats.board.BoardLayers;
import humble.formats.board.Layer;
import java.awt.AlphaComposite;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Composite;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.util.List;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

/**
 * One side of a board as its own files draw it: copper under the mask, bare pads, legend. Drawn
 * once, away from the interface thread; a turned or moved board is the same picture laid otherwise,
 * which costs no more for ten thousand strokes than for ten.
 */
public final class BoardFace {
  private static final int QUARTERS = 4;
  private static final long MOST_PIXELS = 12_000_000;

  private final int width;
  private final int height;
  private final double pxPerMm;
  private final int[] pixels;
  private final WritableImage[] turned = new WritableImage[QUARTERS];

  private BoardFace(int width, int height, double pxPerMm, int[] pixels) {
    this.width = width;
    this.height = height;
    this.pxPerMm = pxPerMm;
    this.pixels = pixels;
  }

  /**
   * Colours of a face, as opaque ARGB.
   *
   * @param board the mask over bare laminate
   * @param masked the mask over copper
   * @param copper bare copper
   * @param legend print
   */
  public record Colours(int board, int masked, int copper, int legend) {}

  /**
   * Draws a side of a board as looked at, not turned. May run on any thread.
   *
   * @param pxPerMm scale; smaller where the picture would be too large
   */
  public static BoardFace draw(
      Board board, BoardLayers layers, Side side, double pxPerMm, Colours colours) {
    double most = Math.sqrt(MOST_PIXELS / (board.widthMm() * board.heightMm()));
    double scale = Math.min(pxPerMm, most);
    int width = Math.max(1, (int) Math.round(board.widthMm() * scale));
    int height = Math.max(1, (int) Math.round(board.heightMm() * scale));
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB_PRE);
    Graphics2D g = graphics(image, board, side, scale);
    g.setColor(new Color(colours.board(), false));
    g.fill(path(board.outline()));
    g.dispose();
    Sheet sheet = new Sheet(board, side, scale, width, height);
    layers
        .copper(side)
        .ifPresent(copper -> {
          BufferedImage all = sheet.of(copper, colours.masked());
          over(image, all);
          layers
              .mask(side)
              .ifPresentOrElse(
                  mask -> {
                    BufferedImage bare = sheet.of(copper, colours.copper());
                    within(bare, sheet.of(mask, colours.copper()));
                    over(image, bare);
                  },
                  () -> over(image, sheet.of(pads(copper), colours.copper())));
        });
    layers.legend(side).ifPresent(legend -> over(image, sheet.of(legend, colours.legend())));
    int[] pixels = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
    return new BoardFace(width, height, scale, pixels);
  }

  /**
   * Makes the face of a side from a straightened photo of it. May run on any thread.
   *
   * @param photo shows the board from edge to edge, as that side is looked at
   * @param pxPerMm scale; smaller where the picture would be too large
   */
  public static BoardFace photo(BufferedImage photo, Board board, double pxPerMm) {
    double most = Math.sqrt(MOST_PIXELS / (board.widthMm() * board.heightMm()));
    double scale = Math.min(pxPerMm, most);
    int width = Math.max(1, (int) Math.round(board.widthMm() * scale));
    int height = Math.max(1, (int) Math.round(board.heightMm() * scale));
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB_PRE);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(photo, 0, 0, width, height, null);
    g.dispose();
    int[] pixels = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
    return new BoardFace(width, height, scale, pixels);
  }

  /** Without a mask file the pads alone are taken to be bare. */
  private static Layer pads(Layer copper) {
    return new Layer(
        copper.function(), copper.marks().stream().filter(Layer.Flash.class::isInstance).toList());
  }

  private record Sheet(Board board, Side side, double scale, int width, int height) {
    BufferedImage of(Layer layer, int argb) {
      BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB_PRE);
      Graphics2D g = graphics(image, board, side, scale);
      g.setColor(new Color(argb, false));
      Composite plain = g.getComposite();
      for (Layer.Mark mark : layer.marks()) {
        g.setComposite(mark.dark() ? plain : AlphaComposite.Clear);
        mark(g, mark, plain);
      }
      g.dispose();
      return image;
    }
  }

  private static void mark(Graphics2D g, Layer.Mark mark, Composite plain) {
    switch (mark) {
      case Layer.Stroke s -> {
        g.setStroke(
            new BasicStroke(
                (float) Math.max(s.widthMm(), 0.02),
                BasicStroke.CAP_ROUND,
                BasicStroke.JOIN_ROUND));
        g.draw(new Line2D.Double(s.from().xMm(), s.from().yMm(), s.to().xMm(), s.to().yMm()));
      }
      case Layer.Sweep s -> g.fill(path(s.hull()));
      case Layer.Region r -> g.fill(path(r.corners()));
      case Layer.Flash f -> {
        g.translate(f.at().xMm(), f.at().yMm());
        for (Aperture.Area area : f.aperture().outlines()) {
          g.setComposite(area.dark() == f.dark() ? plain : AlphaComposite.Clear);
          g.fill(path(area.corners()));
        }
        g.translate(-f.at().xMm(), -f.at().yMm());
      }
    }
  }

  private static Graphics2D graphics(BufferedImage image, Board board, Side side, double scale) {
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    g.translate(0, image.getHeight());
    g.scale(scale, -scale);
    if (side == Side.BOTTOM) {
      g.translate(board.widthMm(), 0);
      g.scale(-1, 1);
    }
    return g;
  }

  private static Path2D path(List<PointMm> corners) {
    Path2D path = new Path2D.Double();
    for (int i = 0; i < corners.size(); i++) {
      PointMm corner = corners.get(i);
      if (i == 0) {
        path.moveTo(corner.xMm(), corner.yMm());
      } else {
        path.lineTo(corner.xMm(), corner.yMm());
      }
    }
    path.closePath();
    return path;
  }

  private static void over(BufferedImage image, BufferedImage more) {
    Graphics2D g = image.createGraphics();
    // Print and copper end where the board does.
    g.setComposite(AlphaComposite.SrcAtop);
    g.drawImage(more, 0, 0, null);
    g.dispose();
  }

  private static void within(BufferedImage image, BufferedImage limit) {
    Graphics2D g = image.createGraphics();
    g.setComposite(AlphaComposite.DstIn);
    g.drawImage(limit, 0, 0, null);
    g.dispose();
  }

  /** Gives the scale it was drawn at. */
  public double pxPerMm() {
    return pxPerMm;
  }

  /** Gives the picture turned counter-clockwise by a multiple of 90°; made once for each. */
  public WritableImage turned(int turnDeg) {
    int quarter = Math.floorMod(turnDeg / 90, QUARTERS);
    if (turned[quarter] == null) {
      boolean across = quarter % 2 == 1;
      int w = across ? height : width;
      int h = across ? width : height;
      WritableImage image = new WritableImage(w, h);
      image
          .getPixelWriter()
          .setPixels(0, 0, w, h, PixelFormat.getIntArgbPreInstance(), pixels(quarter), 0, w);
      turned[quarter] = image;
    }
    return turned[quarter];
  }

  /** Gives the pixels turned by so many quarters, row by row. */
  int[] pixels(int quarter) {
    if (quarter == 0) {
      return pixels;
    }
    int w = quarter % 2 == 1 ? height : width;
    int[] to = new int[pixels.length];
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        int at =
            switch (quarter) {
              case 1 -> (width - 1 - x) * w + y;
              case 2 -> (height - 1 - y) * w + (width - 1 - x);
              default -> x * w + (height - 1 - y);
            };
        to[at] = pixels[y * width + x];
      }
    }
    return to;
  }

  int width() {
    return width;
  }

  int height() {
    return height;
  }
}
