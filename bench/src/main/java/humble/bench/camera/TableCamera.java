package humble.bench.camera;

import humble.bench.camera.BareBoard.Drilled;
import humble.bench.camera.BareBoard.Printed;
import humble.bench.camera.BareBoard.Track;
import humble.core.kit.PointMm;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.Polygon;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.ConvolveOp;
import java.awt.image.Kernel;
import java.util.Random;

/**
 * Takes simulated photos of a bare board another way than {@link BenchCamera}: the board and the
 * table are drawn flat as one picture, with wall and shadow, and that picture is pulled into the
 * frame from four corners, through a lens that bends by division.
 */
public final class TableCamera {
  private static final double PER_MM = 24;
  private static final double AROUND_MM = 45;
  private static final double LEAST_FAR = 90;
  private static final Color HOLE = new Color(22, 18, 16);
  private static final Color[] MORNING_MASKS = {
    new Color(14, 70, 70),
    new Color(92, 40, 110),
    new Color(16, 84, 34),
    new Color(150, 110, 30),
    new Color(44, 22, 22),
    new Color(10, 30, 84)
  };
  private static final Color[] MORNING_TABLES = {
    new Color(226, 206, 184),
    new Color(176, 186, 190),
    new Color(248, 246, 240),
    new Color(206, 150, 130)
  };

  private final BareBoard board;
  private final Random random;
  private final Style style;
  private final Color mask;
  private final Color copper;
  private final Color pad;
  private final Color print;
  private final Color table;

  /** Sets of numbers and colours. */
  public enum Style {
    /** Dark masks on wood, paper and mats; a soft shadow. */
    EVENING,
    /** Other masks, pads and tables, a hard shadow, more glare, coarser noise. */
    MORNING,
    /**
     * Mask, pads, print, table and the way of the shadow by chance: what reads photos was never
     * tried on these.
     */
    NOON
  }

  private TableCamera(BareBoard board, Random random, Style style) {
    this.board = board;
    this.random = random;
    this.style = style;
    if (style == Style.NOON) {
      mask = by(0.25, 0.85, 0.12, 0.5);
      copper = mix(mask, Color.ORANGE, 0.08 + random.nextDouble() * 0.12);
      pad = random.nextBoolean() ? by(0.0, 0.08, 0.6, 0.95) : by(0.3, 0.6, 0.6, 0.9);
      print = by(0, 0.1, 0.8, 0.95);
      Color chosen = by(0, 0.5, 0.2, 0.95);
      while (far(chosen, mask) < LEAST_FAR) {
        chosen = by(0, 0.5, 0.2, 0.95);
      }
      table = chosen;
      return;
    }
    boolean morning = style == Style.MORNING;
    Color[] masks =
        morning
            ? MORNING_MASKS
            : new Color[] {
              new Color(24, 104, 62),
              new Color(120, 24, 30),
              new Color(28, 52, 124),
              new Color(34, 34, 38),
              new Color(70, 120, 40),
              new Color(226, 224, 216)
            };
    int which = random.nextInt(masks.length);
    mask = masks[which];
    boolean light = !morning && which == 5;
    copper = light ? mask.darker() : mix(mask, new Color(210, 190, 120), 0.16);
    pad =
        morning
            ? random.nextBoolean() ? new Color(186, 150, 70) : new Color(170, 176, 184)
            : random.nextBoolean() ? new Color(208, 178, 96) : new Color(196, 200, 204);
    print = light ? new Color(40, 40, 44) : new Color(232, 232, 226);
    Color[] tables =
        morning
            ? MORNING_TABLES
            : new Color[] {
              new Color(196, 160, 116),
              new Color(236, 234, 228),
              new Color(92, 98, 106),
              new Color(60, 82, 92)
            };
    Color chosen = tables[random.nextInt(tables.length)];
    table = light && chosen.getRed() > 150 ? tables[2] : chosen;
  }

  private Color by(double leastStrong, double mostStrong, double leastLight, double mostLight) {
    return Color.getHSBColor(
        random.nextFloat(),
        (float) (leastStrong + random.nextDouble() * (mostStrong - leastStrong)),
        (float) (leastLight + random.nextDouble() * (mostLight - leastLight)));
  }

  private static double far(Color a, Color b) {
    return Math.sqrt(
        Math.pow(a.getRed() - b.getRed(), 2)
            + Math.pow(a.getGreen() - b.getGreen(), 2)
            + Math.pow(a.getBlue() - b.getBlue(), 2));
  }

  private static Color mix(Color a, Color b, double share) {
    return new Color(
        (int) (a.getRed() + share * (b.getRed() - a.getRed())),
        (int) (a.getGreen() + share * (b.getGreen() - a.getGreen())),
        (int) (a.getBlue() + share * (b.getBlue() - a.getBlue())));
  }

  /**
   * Gives the picture.
   *
   * @param corners where the board's lower left, lower right, upper right and upper left are to be
   *     seen through a lens that does not bend, in half diagonals from the middle of the picture
   * @param bend share by which the corner of the picture is drawn inwards (below 0: outwards)
   */
  public static BufferedImage photo(
      BareBoard board,
      PointMm[] corners,
      int widthPx,
      int heightPx,
      double bend,
      long seed,
      Style style) {
    Random random = new Random(seed);
    TableCamera camera = new TableCamera(board, random, style);
    return camera.pulled(camera.flat(), corners, widthPx, heightPx, bend);
  }

  private BufferedImage flat() {
    int width = (int) Math.round((board.widthMm() + 2 * AROUND_MM) * PER_MM);
    int height = (int) Math.round((board.heightMm() + 2 * AROUND_MM) * PER_MM);
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    g.setColor(table);
    g.fillRect(0, 0, width, height);
    g.scale(PER_MM, PER_MM);
    planks(g);
    things(g);
    g.translate(AROUND_MM, AROUND_MM);
    double w = board.widthMm();
    double h = board.heightMm();
    boolean hard = style == Style.MORNING;
    boolean noon = style == Style.NOON;
    double shadeX = noon ? random.nextGaussian() : 1;
    double shadeY = noon ? random.nextGaussian() : 1;
    double shadow = hard ? 1.2 + random.nextDouble() : 0.4 + random.nextDouble();
    for (int i = 5; i > 0; i--) {
      g.setColor(new Color(0, 0, 0, hard ? 44 : 26));
      g.fill(
          new Rectangle2D.Double(
              shadeX * shadow * i / 5, shadeY * shadow * i / (noon ? 5 : 4), w, h));
    }
    g.setColor(new Color(172, 156, 112));
    g.fill(new Rectangle2D.Double(0.12, 0.22, w, h));
    double round = random.nextBoolean() ? 0 : 1 + random.nextDouble() * 2;
    g.setColor(mask);
    g.fill(new RoundRectangle2D.Double(0, 0, w, h, round, round));
    g.setColor(copper);
    if (random.nextBoolean()) {
      g.fill(new Rectangle2D.Double(0.6, 0.6, w - 1.2, h - 1.2));
      g.setColor(mask);
    }
    lines(g);
    print(g);
    drilled(g);
    g.dispose();
    return image;
  }

  private void planks(Graphics2D g) {
    double w = board.widthMm() + 2 * AROUND_MM;
    double h = board.heightMm() + 2 * AROUND_MM;
    for (double y = 0; y < h; y += 0.5 + random.nextDouble() * 3) {
      int shade = random.nextInt(18);
      g.setColor(new Color(0, 0, 0, shade));
      g.fill(new Rectangle2D.Double(0, y, w, 0.3 + random.nextDouble() * 1.5));
    }
  }

  private void things(Graphics2D g) {
    double w = board.widthMm() + 2 * AROUND_MM;
    double h = board.heightMm() + 2 * AROUND_MM;
    for (int i = random.nextInt(12); i > 0; i--) {
      double size = 4 + random.nextDouble() * 16;
      double x = random.nextDouble() * w;
      double y = random.nextDouble() * h;
      boolean clear =
          x + size < AROUND_MM - 1
              || y + size < AROUND_MM - 1
              || x - size > w - AROUND_MM + 1
              || y - size > h - AROUND_MM + 1;
      if (clear) {
        Color colour =
            Color.getHSBColor(
                random.nextFloat(), random.nextFloat() * 0.8f, 0.3f + random.nextFloat() * 0.6f);
        g.setPaint(
            new GradientPaint(
                (float) x,
                (float) y,
                colour,
                (float) (x + size),
                (float) (y + size),
                colour.darker()));
        if (random.nextBoolean()) {
          g.fill(new Ellipse2D.Double(x - size / 2, y - size / 2, size, size));
        } else {
          Polygon shape = new Polygon();
          for (int k = 0; k < 5; k++) {
            double angle = 2 * Math.PI * k / 5 + random.nextDouble();
            shape.addPoint(
                (int) (x + size * 0.5 * Math.cos(angle)), (int) (y + size * 0.5 * Math.sin(angle)));
          }
          g.fill(shape);
        }
      }
    }
  }

  private double down(double y) {
    return board.heightMm() - y;
  }

  private void lines(Graphics2D g) {
    for (Track track : board.tracks()) {
      g.setStroke(
          new BasicStroke((float) track.widthMm(), BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
      g.draw(
          new Line2D.Double(
              track.from().xMm(),
              down(track.from().yMm()),
              track.to().xMm(),
              down(track.to().yMm())));
    }
  }

  private void print(Graphics2D g) {
    g.setColor(print);
    g.setStroke(new BasicStroke(0.16f));
    for (Track line : board.outlines()) {
      g.draw(
          new Line2D.Double(
              line.from().xMm(), down(line.from().yMm()), line.to().xMm(), down(line.to().yMm())));
    }
    for (Printed text : board.texts()) {
      Font font =
          new Font(Font.SANS_SERIF, Font.PLAIN, 1).deriveFont((float) (text.heightMm() * 1.3));
      g.setFont(font);
      g.drawString(text.text() + "0", (float) text.at().xMm(), (float) down(text.at().yMm()));
    }
    for (int i = 0; i < 3; i++) {
      double x = 3 + random.nextDouble() * (board.widthMm() - 6);
      double y = 3 + random.nextDouble() * (board.heightMm() - 6);
      boolean clear =
          board.holes().stream()
              .noneMatch(hole -> hole.at().distanceMm(new PointMm(x, down(y))) < 5);
      if (clear) {
        // A ring and a dot of print, and a pad for a surface part: none of them is a hole.
        g.draw(new Ellipse2D.Double(x - 1.5, y - 1.5, 3, 3));
        g.fill(new Ellipse2D.Double(x - 0.4, y - 0.4, 0.8, 0.8));
        g.setColor(pad);
        g.fill(new Rectangle2D.Double(x + 1.8, y - 0.5, 1.2, 1.0));
        g.setColor(print);
      }
    }
  }

  private void drilled(Graphics2D g) {
    for (Drilled hole : board.holes()) {
      double x = hole.at().xMm();
      double y = down(hole.at().yMm());
      double r = hole.padMm() / 2;
      if (hole.padMm() > 0) {
        g.setPaint(
            new GradientPaint(
                (float) (x - r),
                (float) (y - r),
                pad.brighter(),
                (float) (x + r),
                (float) (y + r),
                pad));
        g.fill(
            hole.square()
                ? new Rectangle2D.Double(x - r, y - r, 2 * r, 2 * r)
                : new Ellipse2D.Double(x - r, y - r, 2 * r, 2 * r));
      }
      double q = hole.diameterMm() / 2;
      g.setColor(HOLE);
      g.fill(new Ellipse2D.Double(x - q, y - q, 2 * q, 2 * q));
      if (hole.diameterMm() > 2) {
        // Through a wide hole a part of the table is seen, beside the shade of its wall.
        g.setColor(table.darker());
        g.fill(new Ellipse2D.Double(x - q + 0.3, y - q + 0.3, 2 * q - 0.6, 2 * q - 0.6));
      }
    }
  }

  private BufferedImage pulled(
      BufferedImage flat, PointMm[] corners, int widthPx, int heightPx, double bend) {
    double[] m = toFlat(corners);
    BufferedImage image = new BufferedImage(widthPx, heightPx, BufferedImage.TYPE_INT_RGB);
    double half = Math.hypot(widthPx, heightPx) / 2;
    double glareX = random.nextDouble() * widthPx;
    double glareY = random.nextDouble() * heightPx;
    boolean bright = style == Style.MORNING;
    double glare = random.nextDouble() * (bright ? 0.4 : 0.25);
    double fall = random.nextDouble() * 0.35;
    double noise = 2 + random.nextDouble() * (bright ? 5 : 4);
    int[] sum = new int[3];
    for (int row = 0; row < heightPx; row++) {
      for (int column = 0; column < widthPx; column++) {
        sum[0] = 0;
        sum[1] = 0;
        sum[2] = 0;
        for (int part = 0; part < 5; part++) {
          double u = (column + 0.5 + (part - 2) * 0.2 - widthPx / 2.0) / half;
          double v = (row + 0.5 + (part * 2 % 5 - 2) * 0.2 - heightPx / 2.0) / half;
          double straight = 1 + bend * (u * u + v * v);
          double x = u * straight;
          double y = v * straight;
          double w = m[6] * x + m[7] * y + 1;
          int rgb = pixel(flat, (m[0] * x + m[1] * y + m[2]) / w, (m[3] * x + m[4] * y + m[5]) / w);
          sum[0] += rgb >> 16 & 255;
          sum[1] += rgb >> 8 & 255;
          sum[2] += rgb & 255;
        }
        double away = Math.hypot(column - glareX, row - glareY) / half;
        double lit = 1 + glare * Math.exp(-3 * away * away) - fall * away * 0.7;
        int rgb = 0;
        double grey = noise * random.nextGaussian();
        for (int i = 0; i < 3; i++) {
          double value = sum[i] / 5.0 * lit + grey + 0.5 * noise * random.nextGaussian();
          rgb = rgb << 8 | (int) Math.clamp(value, 0, 255);
        }
        image.setRGB(column, row, rgb);
      }
    }
    float[] soft = {0.05f, 0.1f, 0.05f, 0.1f, 0.4f, 0.1f, 0.05f, 0.1f, 0.05f};
    return new ConvolveOp(new Kernel(3, 3, soft), ConvolveOp.EDGE_NO_OP, null)
        .filter(image, new BufferedImage(widthPx, heightPx, BufferedImage.TYPE_INT_RGB));
  }

  /** The picture goes on beyond its rim as the table does. */
  private int pixel(BufferedImage flat, double xMm, double yMm) {
    int x = (int) Math.floor((xMm + AROUND_MM) * PER_MM);
    int y = (int) Math.floor((yMm + AROUND_MM) * PER_MM);
    if (x < 0 || y < 0 || x >= flat.getWidth() || y >= flat.getHeight()) {
      return table.getRGB();
    }
    return flat.getRGB(x, y);
  }

  /** The eight numbers that lead from the frame, in half diagonals, back to flat millimetres. */
  private double[] toFlat(PointMm[] corners) {
    double[][] to = {
      {0, board.heightMm()},
      {board.widthMm(), board.heightMm()},
      {board.widthMm(), 0},
      {0, 0}
    };
    double[][] a = new double[8][9];
    for (int i = 0; i < 4; i++) {
      double x = corners[i].xMm();
      double y = corners[i].yMm();
      a[2 * i] = new double[] {x, y, 1, 0, 0, 0, -x * to[i][0], -y * to[i][0], to[i][0]};
      a[2 * i + 1] = new double[] {0, 0, 0, x, y, 1, -x * to[i][1], -y * to[i][1], to[i][1]};
    }
    for (int i = 0; i < 8; i++) {
      int best = i;
      for (int k = i; k < 8; k++) {
        best = Math.abs(a[k][i]) > Math.abs(a[best][i]) ? k : best;
      }
      double[] swap = a[i];
      a[i] = a[best];
      a[best] = swap;
      for (int k = 0; k < 8; k++) {
        if (k != i) {
          double f = a[k][i] / a[i][i];
          for (int j = i; j < 9; j++) {
            a[k][j] -= f * a[i][j];
          }
        }
      }
    }
    double[] m = new double[8];
    for (int i = 0; i < 8; i++) {
      m[i] = a[i][8] / a[i][i];
    }
    return m;
  }
}
