package humble.bench.camera;

import humble.bench.camera.BareBoard.Printed;
import humble.bench.camera.BareBoard.Track;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;

/** Printed letters as strokes, on a raster of 2 by 4. */
final class StrokeText {
  private static final double STROKE_MM = 0.17;

  private StrokeText() {}

  static List<Track> strokes(Printed printed) {
    List<Track> all = new ArrayList<>();
    double unit = printed.heightMm() / 4;
    double x = printed.at().xMm();
    for (char letter : printed.text().toCharArray()) {
      String path = path(letter);
      for (int i = 0; i + 5 <= path.length(); i += 5) {
        all.add(
            new Track(
                point(x, printed.at().yMm(), unit, path.charAt(i), path.charAt(i + 1)),
                point(x, printed.at().yMm(), unit, path.charAt(i + 2), path.charAt(i + 3)),
                STROKE_MM));
      }
      x += unit * 3;
    }
    return all;
  }

  private static PointMm point(double x, double y, double unit, char column, char line) {
    return new PointMm(x + unit * (column - '0'), y + unit * (line - '0'));
  }

  private static String path(char letter) {
    return switch (letter) {
      case '0' -> "0103 0314 1423 2321 2110 1001 ";
      case '1' -> "0314 1410 ";
      case '2' -> "0414 1423 2300 0020 ";
      case '3' -> "0424 2412 1221 2100 ";
      case '4' -> "0402 0222 2420 ";
      case '5' -> "2404 0402 0212 1221 2100 ";
      case '6' -> "1402 0200 0020 2022 2202 ";
      case '7' -> "0424 2400 ";
      case '8' -> "0020 2024 2404 0400 0222 ";
      case '9' -> "2202 0204 0424 2422 2210 ";
      case 'R' -> "0004 0424 2422 2202 0220 ";
      case 'U' -> "0400 0020 2024 ";
      case 'B' -> "0004 0424 2420 2000 0222 ";
      case 'C' -> "2404 0400 0020 ";
      case 'D' -> "0004 0413 1311 1100 ";
      case 'E' -> "2404 0400 0020 0212 ";
      case 'L' -> "0400 0020 ";
      case 'Q' -> "0004 0424 2421 2110 1000 1120 ";
      case 'S' -> "2404 0402 0222 2220 2000 ";
      case 'X' -> "0024 0420 ";
      case 'Y' -> "0412 2412 1210 ";
      case 'Z' -> "0424 2400 0020 ";
      case 'J' -> "2420 2000 0001 ";
      default -> "0020 2024 2404 0400 ";
    };
  }
}
