package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.kit.PointMm;
import humble.formats.ReadingBudget;
import java.util.List;

/**
 * Reads a Gerber layer, format 2024.05 with the attributes of X2 and what older files use:
 * apertures, macros and blocks, regions, arcs of one and of many quadrants, step and repeat,
 * polarity, mirror, rotation and scaling, component, pin and net attributes.
 */
public final class Gerber {
  /** The largest layer that is read, in bytes. */
  static final int MOST_BYTES = 32 << 20;

  private static final int LOOK_EVERY = 4096;
  private static final int FIRST_APERTURE = 10;
  private static final int MOST_DIGITS_OF_CODE = 7;

  private final GerberText text;
  private final Budget budget;
  private final GerberFormat format;
  private final GerberApertures apertures;
  private final GerberTags tags = new GerberTags();
  private final GerberDrawing drawing;
  private int words;
  private String function = "";
  private boolean negative;
  private double x;
  private double y;
  private int interpolation = 1;
  private boolean manyQuadrants = true;
  private int operation = 2;
  private boolean inRegion;
  private boolean ended;

  private Gerber(GerberText text, Budget budget) {
    this.text = text;
    this.budget = budget;
    this.format = new GerberFormat(text);
    this.apertures = new GerberApertures(text, format, budget);
    this.drawing = new GerberDrawing(text, apertures, tags, budget);
  }

  /** Reads a layer with the usual budget. */
  public static Layer read(String file, byte[] bytes) throws BoardFileDamage {
    return read(file, bytes, ReadingBudget.usual());
  }

  /**
   * Reads a layer.
   *
   * @param file name for messages
   * @param bytes the file
   * @param budget what everything that is drawn comes out of
   * @throws BoardFileDamage with file and line, at the first thing that cannot be read, or where
   *     the budget was spent
   */
  public static Layer read(String file, byte[] bytes, Budget budget) throws BoardFileDamage {
    return read(file, bytes, LengthUnit.UNSAID, budget);
  }

  /** Reads a layer; {@code unit} is that of a file that does not say its own. */
  static Layer read(String file, byte[] bytes, LengthUnit unit, Budget budget)
      throws BoardFileDamage {
    if (bytes.length > MOST_BYTES) {
      throw new BoardFileDamage(file, 1, "The file is larger than 32 MiB.");
    }
    GerberText text = new GerberText(file, bytes);
    try {
      Gerber gerber = new Gerber(text, budget);
      gerber.format.assume(unit.mm());
      return gerber.read();
    } catch (Spent e) {
      throw text.damage(e.sentence());
    }
  }

  private Layer read() throws BoardFileDamage {
    while (!ended) {
      if (!text.next()) {
        throw text.damage("The file ends without M02: it was cut off.");
      }
      if (text.takesPercent()) {
        extended();
      } else {
        word();
      }
      if (++words % LOOK_EVERY == 0) {
        budget.look();
      }
    }
    List<Layer.Mark> marks = drawing.end();
    return new Layer(function, negative ? Negative.of(marks) : marks);
  }

  private void extended() throws BoardFileDamage {
    if (text.next() && text.startsWith("AM")) {
      apertures.macro();
      return;
    }
    while (text.next()) {
      if (text.takesPercent()) {
        return;
      }
      command(text.upToAsterisk());
    }
    throw text.damage("An extended command is not closed.");
  }

  private void command(String word) throws BoardFileDamage {
    String code = word.length() < 2 ? word : word.substring(0, 2);
    String rest = word.length() < 2 ? "" : word.substring(2);
    switch (code) {
      case "FS" -> format.read(rest);
      case "MO" -> format.inches(one(code, rest, "IN", "MM").equals("IN"));
      case "AD" -> apertures.define(rest);
      case "LP" -> drawing.dark(one(code, rest, "C", "D").equals("D"));
      case "LM" -> {
        String axes = one(code, rest, "N", "X", "Y", "XY");
        drawing.mirror(axes.contains("X"), axes.contains("Y"));
      }
      case "LR" -> drawing.turn(text.number(rest));
      case "LS" -> drawing.scale(text.number(rest));
      case "SR" -> drawing.stepAndRepeat(rest, format.unitMm());
      case "TF" -> {
        if (rest.startsWith(".FileFunction,")) {
          function = rest.substring(".FileFunction,".length());
        } else if (rest.strip().equals(".FilePolarity,Negative")) {
          // Masks say so of openings that are drawn as they are.
          negative = function.startsWith("Copper");
        }
      }
      case "TO" -> tags.attach(rest);
      case "TD" -> tags.forget(rest);
      case "IP" -> negative = one(code, rest, "POS", "NEG").equals("NEG");
      case "TA", "IN", "LN", "OF", "AS", "MI", "SF", "IR", "KO", "IC", "IJ", "IO", "PF", "RO" ->
          unsupported(code, rest);
      case "AB" -> drawing.block(rest);
      default -> throw text.damage("There is no command '" + code + "'.");
    }
  }

  /** A command that takes one of a few words; rubbish behind it is not read over. */
  private String one(String code, String rest, String... words) throws BoardFileDamage {
    String word = rest.strip();
    if (!List.of(words).contains(word)) {
      throw text.damage(
          code + " is followed by one of " + String.join(", ", words) + ", not '" + word + "'.");
    }
    return word;
  }

  /** Old commands at their defaults change nothing; others would move what is drawn. */
  private void unsupported(String code, String rest) throws BoardFileDamage {
    boolean harmless =
        switch (code) {
          case "TA", "IN", "LN", "PF" -> true;
          case "IC" -> rest.strip().equals("AS");
          case "IJ" -> rest.isBlank() || rest.matches("(A[LR]?(0(\\.0*)?)?)?(B[LR]?(0(\\.0*)?)?)?");
          case "IO" -> rest.matches("(A0(\\.0*)?)?(B0(\\.0*)?)?");
          case "RO" -> rest.strip().equals("0");
          case "OF", "SF", "MI" ->
              rest.matches("(A[01](\\.0*)?)?(B[01](\\.0*)?)?")
                  && !(code.equals("MI") && rest.contains("1"))
                  && !(code.equals("OF") && rest.contains("1"));
          case "AS" -> rest.equals("AXBY");
          case "IR" -> rest.equals("0");
          default -> false;
        };
    if (!harmless) {
      throw text.damage("The command " + code + rest + " is not read here.");
    }
  }

  /** What one word says: where to, about which centre, and what to do there. */
  private static final class Said {
    private double x;
    private double y;
    private double i;
    private double j;
    private boolean coordinates;
    private int code = -1;
  }

  /** A word of letters and numbers: codes, coordinates, an operation. */
  private void word() throws BoardFileDamage {
    int begin = text.line();
    String word = text.upToAsterisk();
    if (word.startsWith("G04") || word.startsWith("G4 ") || word.equals("G4")) {
      comment(word);
      return;
    }
    Said said = new Said();
    said.x = format.isIncremental() ? 0 : x;
    said.y = format.isIncremental() ? 0 : y;
    int pos = 0;
    while (pos < word.length()) {
      char letter = word.charAt(pos++);
      if (letter > ' ') {
        int from = pos;
        while (pos < word.length() && isNumberPart(word.charAt(pos))) {
          pos++;
        }
        letter(said, letter, word, from, pos, begin);
      }
    }
    if (said.code >= FIRST_APERTURE) {
      drawing.choose(said.code, begin);
      return;
    }
    if (said.code > 0) {
      operation = said.code;
    }
    if (said.coordinates || (said.code > 0 && said.code <= 3)) {
      operate(said, begin);
    }
  }

  private void letter(Said said, char letter, String word, int from, int to, int begin)
      throws BoardFileDamage {
    switch (letter) {
      case 'G' -> general(integer(word, from, to, begin));
      case 'M' -> ended |= integer(word, from, to, begin) != 1;
      case 'D' -> said.code = integer(word, from, to, begin);
      case 'X' -> {
        said.x = format.alongX(word, from, to, begin);
        said.coordinates = true;
      }
      case 'Y' -> {
        said.y = format.alongY(word, from, to, begin);
        said.coordinates = true;
      }
      case 'I' -> said.i = format.alongX(word, from, to, begin);
      case 'J' -> said.j = format.alongY(word, from, to, begin);
      default -> throw text.damage(begin, "'" + letter + "' begins no word here.");
    }
  }

  private static boolean isNumberPart(char c) {
    return (c >= '0' && c <= '9') || c == '-' || c == '+' || c == '.';
  }

  /** Attributes may stand in comments of files for older readers. */
  private void comment(String word) throws BoardFileDamage {
    int hash = word.indexOf("#@! ");
    if (hash >= 0) {
      command(word.substring(hash + 4));
    }
  }

  private int integer(String word, int from, int to, int begin) throws BoardFileDamage {
    int value = 0;
    for (int k = from; k < to; k++) {
      char c = word.charAt(k);
      if (c < '0' || c > '9' || k - from >= MOST_DIGITS_OF_CODE) {
        throw text.damage(begin, "'" + word.substring(from, to) + "' is no code.");
      }
      value = value * 10 + c - '0';
    }
    if (from == to) {
      throw text.damage(begin, "A code lacks its number.");
    }
    return value;
  }

  private void general(int code) throws BoardFileDamage {
    switch (code) {
      case 1, 2, 3 -> interpolation = code;
      case 36 -> {
        inRegion = true;
        drawing.beginRegion();
      }
      case 37 -> {
        drawing.closeRegion();
        inRegion = false;
      }
      case 70 -> format.inches(true);
      case 71 -> format.inches(false);
      case 74 -> manyQuadrants = false;
      case 75 -> manyQuadrants = true;
      case 90 -> format.incremental(false);
      case 91 -> format.incremental(true);
      case 54, 55 -> {}
      default -> throw text.damage("There is no code G" + code + ".");
    }
  }

  private void operate(Said said, int begin) throws BoardFileDamage {
    PointMm from = new PointMm(x, y);
    PointMm to =
        format.isIncremental() ? new PointMm(x + said.x, y + said.y) : new PointMm(said.x, said.y);
    switch (operation) {
      case 1 -> draw(from, to, said, begin);
      case 2 -> {
        if (inRegion) {
          drawing.closeRegion();
          drawing.corner(to);
        }
      }
      case 3 -> {
        if (inRegion) {
          throw text.damage(begin, "Nothing is flashed within a region.");
        }
        drawing.flash(to, begin);
      }
      default -> throw text.damage(begin, "There is no operation D" + operation + ".");
    }
    x = to.xMm();
    y = to.yMm();
  }

  private void draw(PointMm from, PointMm to, Said said, int begin) throws BoardFileDamage {
    List<PointMm> corners =
        interpolation == 1
            ? List.of(from, to)
            : new GerberArc(interpolation == 2, manyQuadrants)
                .corners(from, to, said.i, said.j)
                .orElseThrow(
                    () -> text.damage(begin, "No quarter arc leads from its start to its end."));
    if (inRegion) {
      drawing.edge(corners);
    } else {
      drawing.stroke(corners, begin);
    }
  }
}
