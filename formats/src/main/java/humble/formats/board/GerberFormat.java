package humble.formats.board;

import java.util.regex.Pattern;

/** How coordinates are written: digits, which zeros are left out, and in which unit. */
final class GerberFormat {
  /** Zeros left out, absolute or incremental, digits; what older files add says nothing here. */
  private static final Pattern FORMAT =
      Pattern.compile("[LTD]?[AI]?(?:[NGDM][0-9])*X[0-9]{2}Y[0-9]{2}(?:[ZNGDM][0-9]+)*\\s*");

  private static final double INCH_MM = 25.4;
  private static final int MOST_DIGITS = 15;

  private final GerberText text;

  /** Nought until the file says it. */
  private double unitMm;

  private double scaleX;
  private double scaleY;
  private boolean trailingZeros;
  private int digitsX = 6;
  private int digitsY = 6;
  private boolean incremental;

  GerberFormat(GerberText text) {
    this.text = text;
  }

  void inches(boolean on) {
    unitMm = on ? INCH_MM : 1;
  }

  /** Takes a unit for files that do not say theirs. */
  void assume(double mm) {
    unitMm = mm;
  }

  /** Gives millimetres of one unit of the file. */
  double unitMm() throws BoardFileDamage {
    if (unitMm == 0) {
      throw text.unitless(
          "The file does not say whether its lengths are millimetres or inches: MO is missing.");
    }
    return unitMm;
  }

  void incremental(boolean on) {
    incremental = on;
  }

  boolean isIncremental() {
    return incremental;
  }

  /** Takes what follows FS. */
  void read(String rest) throws BoardFileDamage {
    int xAt = rest.indexOf('X');
    int yAt = rest.indexOf('Y');
    if (!FORMAT.matcher(rest).matches()) {
      throw text.damage("The format '" + rest + "' is not like LAX46Y46.");
    }
    trailingZeros = rest.startsWith("T");
    incremental = rest.substring(0, xAt).contains("I");
    int decimalsX = rest.charAt(xAt + 2) - '0';
    int decimalsY = rest.charAt(yAt + 2) - '0';
    digitsX = rest.charAt(xAt + 1) - '0' + decimalsX;
    digitsY = rest.charAt(yAt + 1) - '0' + decimalsY;
    scaleX = Math.pow(10, -decimalsX);
    scaleY = Math.pow(10, -decimalsY);
  }

  /** Reads a coordinate or an offset along x, in millimetres. */
  double alongX(String word, int from, int to, int line) throws BoardFileDamage {
    return coordinate(word, from, to, digitsX, scaleX, line);
  }

  /** Reads a coordinate or an offset along y, in millimetres. */
  double alongY(String word, int from, int to, int line) throws BoardFileDamage {
    return coordinate(word, from, to, digitsY, scaleY, line);
  }

  private double coordinate(String word, int from, int to, int digits, double scaling, int line)
      throws BoardFileDamage {
    if (scaling == 0) {
      throw text.damage(line, "Coordinates stand before the format: FS is missing.");
    }
    boolean minus = from < to && word.charAt(from) == '-';
    int first = minus || (from < to && word.charAt(from) == '+') ? from + 1 : from;
    long value = 0;
    for (int k = first; k < to; k++) {
      char c = word.charAt(k);
      if (c < '0' || c > '9' || k - first > MOST_DIGITS) {
        throw text.damage(line, "'" + word.substring(from, to) + "' is no coordinate.");
      }
      value = value * 10 + c - '0';
    }
    if (first == to) {
      throw text.damage(line, "A coordinate lacks its number.");
    }
    double scaled = value * scaling;
    if (trailingZeros) {
      scaled *= Math.pow(10, digits - (double) (to - first));
    }
    return (minus ? -scaled : scaled) * unitMm();
  }
}
