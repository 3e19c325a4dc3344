package humble.photo;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;

/**
 * A picture as it is looked at: turned as the camera was held, red, green and blue of eight bits.
 *
 * @param rgb {@code 0xRRGGBB} line by line
 */
public record Photo(int widthPx, int heightPx, int[] rgb) {

  /**
   * Takes a picture over.
   *
   * @param turn how it has to be turned to be looked at, 1 to 8 as cameras write it
   */
  static Photo of(BufferedImage image, int turn) {
    int width = image.getWidth();
    int height = image.getHeight();
    boolean lying = turn >= 5;
    int wide = lying ? height : width;
    int[] rgb = new int[width * height];
    int[] line = new int[width];
    // Where the pixel at the upper left goes, and by how much one to its right and one below.
    int right = right(turn, wide);
    int down = down(turn, wide);
    int start = start(turn, wide, lying ? width : height);
    byte[] bytes =
        image.getType() == BufferedImage.TYPE_3BYTE_BGR
            ? ((DataBufferByte) image.getRaster().getDataBuffer()).getData()
            : null;
    for (int y = 0; y < height; y++) {
      if (bytes == null) {
        image.getRGB(0, y, width, 1, line, 0, width);
      } else {
        for (int x = 0, at = y * width * 3; x < width; x++, at += 3) {
          line[x] = (bytes[at + 2] & 255) << 16 | (bytes[at + 1] & 255) << 8 | (bytes[at] & 255);
        }
      }
      int to = start + y * down;
      for (int x = 0; x < width; x++, to += right) {
        rgb[to] = line[x] & 0xffffff;
      }
    }
    return new Photo(wide, lying ? width : height, rgb);
  }

  private static int right(int turn, int wide) {
    return switch (turn) {
      case 2, 3 -> -1;
      case 5, 6 -> wide;
      case 7, 8 -> -wide;
      case 1, 4 -> 1;
      default -> throw new IllegalArgumentException("turn " + turn);
    };
  }

  private static int down(int turn, int wide) {
    return switch (turn) {
      case 3, 4 -> -wide;
      case 5, 8 -> 1;
      case 6, 7 -> -1;
      case 1, 2 -> wide;
      default -> throw new IllegalArgumentException("turn " + turn);
    };
  }

  private static int start(int turn, int wide, int high) {
    return switch (turn) {
      case 2, 6 -> wide - 1;
      case 3, 7 -> wide * high - 1;
      case 4, 8 -> wide * (high - 1);
      case 1, 5 -> 0;
      default -> throw new IllegalArgumentException("turn " + turn);
    };
  }

  /** Gives the picture, for showing or writing it. */
  public BufferedImage image() {
    BufferedImage image = new BufferedImage(widthPx, heightPx, BufferedImage.TYPE_INT_RGB);
    image.setRGB(0, 0, widthPx, heightPx, rgb, 0, widthPx);
    return image;
  }

  double halfDiagonalPx() {
    return Math.hypot(widthPx, heightPx) / 2;
  }
}
