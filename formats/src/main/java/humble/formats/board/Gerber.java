package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.kit.PointMm;
import humble.formats.ReadingBudget;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads a Gerber layer, format 2024.05 with the attributes of X2 and what older files use:
 * apertures, macros and blocks, regions, arcs of one and of many quadrants, step and repeat,
 * polarity, mirror, rotation and scaling, component, pin and net attributes.
 */
public final class Gerber {
  /** The largest layer that is read, in bytes. */
  static final int MOST_BYTES = 32 << 20;

  /** Corners of an aperture that weigh as much as one mark: they are kept once, but drawn often. */
  private static final int CORNERS_A_MARK = 50;

  private static final int LOOK_EVERY = 4096;

  /** Zeros left out, absolute or incremental, digits; what older files add says nothing here. */
  private static final Pattern FORMAT =
      Pattern.compile("[LTD]?[AI]?(?:[NGDM][0-9])*X[0-9]{2}Y[0-9]{2}(?:[ZNGDM][0-9]+)*\\s*");

  private static final double ARC_STEP_RAD = Math.PI / 24;
  private static final double INCH_MM = 25.4;

  private final String file;
  private final String text;
  private final Budget budget;
  private int words;
  private int at;
  private int line = 1;

  private final Map<Integer, Aperture> apertures = new HashMap<>();
  private final Map<String, Macro> macros = new HashMap<>();
  private final Map<Integer, List<Layer.Mark>> blocks = new HashMap<>();
  private final Deque<OpenBlock> openBlocks = new ArrayDeque<>();
  private final List<Layer.Mark> marks = new ArrayList<>();
  private final List<PointMm> region = new ArrayList<>();
  private String function = "";
  private String pin = "";
  private String net = "";
  private String component = "";
  private Layer.Tags tags = Layer.Tags.NONE;
  private double unitMm = 1;
  private double scaleX;
  private double scaleY;
  private boolean trailingZeros;
  private int digitsX = 6;
  private int digitsY = 6;
  private boolean incremental;
  private Aperture aperture = Aperture.circle(0);
  private @Nullable Aperture loaded;
  private boolean apertureChosen;
  private @Nullable List<Layer.Mark> block;
  private double x;
  private double y;
  private int interpolation = 1;
  private boolean manyQuadrants = true;
  private int operation = 2;
  private boolean inRegion;
  private boolean dark = true;
  private boolean mirrorX;
  private boolean mirrorY;
  private double turnDeg;
  private double scale = 1;
  private int repeatX = 1;
  private int repeatY = 1;
  private double stepX;
  private double stepY;
  private int repeatFrom;
  private boolean ended;

  private Gerber(String file, String text, Budget budget) {
    this.file = file;
    this.text = text;
    this.budget = budget;
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
    if (bytes.length > MOST_BYTES) {
      throw new BoardFileDamage(file, 1, "The file is larger than 32 MiB.");
    }
    Gerber reader = new Gerber(file, new String(bytes, StandardCharsets.ISO_8859_1), budget);
    try {
      return reader.read();
    } catch (Spent e) {
      throw new BoardFileDamage(file, reader.line, e.sentence());
    }
  }

  private Layer read() throws BoardFileDamage {
    while (!ended) {
      skipBlanks();
      if (at >= text.length()) {
        throw damage("The file ends without M02: it was cut off.");
      }
      if (text.charAt(at) == '%') {
        extended();
      } else {
        word();
      }
      if (++words % LOOK_EVERY == 0) {
        budget.look();
      }
    }
    repeat();
    if (!openBlocks.isEmpty()) {
      throw damage("The block aperture D" + openBlocks.peek().number() + " is not closed.");
    }
    return new Layer(function, marks);
  }

  private BoardFileDamage damage(String what) {
    return new BoardFileDamage(file, line, what);
  }

  private void skipBlanks() {
    while (at < text.length() && text.charAt(at) <= ' ') {
      if (text.charAt(at) == '\n') {
        line++;
      }
      at++;
    }
  }

  /** Takes the text up to the next asterisk. */
  private String upToAsterisk() throws BoardFileDamage {
    int end = text.indexOf('*', at);
    if (end < 0) {
      throw damage("A command is not ended with an asterisk.");
    }
    String word = text.substring(at, end);
    at = end + 1;
    if (word.indexOf('\n') >= 0) {
      for (int i = 0; i < word.length(); i++) {
        line += word.charAt(i) == '\n' ? 1 : 0;
      }
      word = word.replace("\n", "").replace("\r", "");
    }
    return word;
  }

  private void extended() throws BoardFileDamage {
    at++;
    skipBlanks();
    if (text.startsWith("AM", at)) {
      macro();
      return;
    }
    while (true) {
      skipBlanks();
      if (at >= text.length()) {
        throw damage("An extended command is not closed.");
      }
      if (text.charAt(at) == '%') {
        at++;
        return;
      }
      command(upToAsterisk());
    }
  }

  private void macro() throws BoardFileDamage {
    String name = upToAsterisk().substring(2);
    List<String> statements = new ArrayList<>();
    while (true) {
      skipBlanks();
      if (at >= text.length()) {
        throw damage("The macro " + name + " is not closed.");
      }
      if (text.charAt(at) == '%') {
        at++;
        macros.put(name, new Macro(name, statements));
        return;
      }
      statements.add(upToAsterisk());
    }
  }

  private void command(String word) throws BoardFileDamage {
    String code = word.length() < 2 ? word : word.substring(0, 2);
    String rest = word.length() < 2 ? "" : word.substring(2);
    switch (code) {
      case "FS" -> format(rest);
      case "MO" -> unitMm = one(code, rest, "IN", "MM").equals("IN") ? INCH_MM : 1;
      case "AD" -> define(rest);
      case "LP" -> dark = one(code, rest, "C", "D").equals("D");
      case "LM" -> {
        one(code, rest, "N", "X", "Y", "XY");
        mirrorX = rest.contains("X");
        mirrorY = rest.contains("Y");
        loaded = null;
      }
      case "LR" -> {
        turnDeg = number(rest);
        loaded = null;
      }
      case "LS" -> {
        scale = number(rest);
        loaded = null;
      }
      case "SR" -> stepAndRepeat(rest);
      case "TF" -> {
        if (rest.startsWith(".FileFunction,")) {
          function = rest.substring(".FileFunction,".length());
        }
      }
      case "TO" -> attribute(rest);
      case "TD" -> forget(rest);
      case "TA", "IN", "LN", "OF", "IP", "AS", "MI", "SF", "IR", "KO" -> unsupported(code, rest);
      case "AB" -> block(rest);
      default -> throw damage("There is no command '" + code + "'.");
    }
  }

  /** A command that takes one of a few words; rubbish behind it is not read over. */
  private String one(String code, String rest, String... words) throws BoardFileDamage {
    String word = rest.strip();
    if (!List.of(words).contains(word)) {
      throw damage(
          code + " is followed by one of " + String.join(", ", words) + ", not '" + word + "'.");
    }
    return word;
  }

  /** Old commands at their defaults change nothing; others would move what is drawn. */
  private void unsupported(String code, String rest) throws BoardFileDamage {
    boolean harmless =
        switch (code) {
          case "TA", "IN", "LN" -> true;
          case "OF", "SF", "MI" ->
              rest.matches("(A[01](\\.0*)?)?(B[01](\\.0*)?)?")
                  && !(code.equals("MI") && rest.contains("1"))
                  && !(code.equals("OF") && rest.contains("1"));
          case "IP" -> rest.equals("POS");
          case "AS" -> rest.equals("AXBY");
          case "IR" -> rest.equals("0");
          default -> false;
        };
    if (!harmless) {
      throw damage("The command " + code + rest + " is not read here.");
    }
  }

  /** A block aperture that is being drawn, and where its marks begin. */
  private record OpenBlock(int number, int from) {}

  /** Begins a block aperture with its number, or ends the one that was begun last. */
  private void block(String rest) throws BoardFileDamage {
    if (!rest.isEmpty()) {
      if (!rest.startsWith("D")) {
        throw damage("A block aperture needs a number: 'AB" + rest + "'.");
      }
      openBlocks.push(new OpenBlock((int) number(rest.substring(1)), marks.size()));
      return;
    }
    if (openBlocks.isEmpty()) {
      throw damage("AB ends a block that was not begun.");
    }
    OpenBlock open = openBlocks.pop();
    List<Layer.Mark> drawn = marks.subList(open.from(), marks.size());
    blocks.put(open.number(), List.copyOf(drawn));
    drawn.clear();
    apertures.put(open.number(), Aperture.circle(0));
  }

  /** Puts down every mark of a block; a clear block takes away what it would have drawn. */
  private void flashBlock(List<Layer.Mark> drawn, PointMm to) {
    for (Layer.Mark mark : drawn) {
      boolean keeps = dark == mark.dark();
      mark(
          switch (mark) {
            case Layer.Flash f ->
                new Layer.Flash(
                    placed(f.at()).plus(to),
                    f.aperture().changed(mirrorX, mirrorY, turnDeg, scale),
                    keeps,
                    f.tags());
            case Layer.Stroke s ->
                new Layer.Stroke(
                    placed(s.from()).plus(to),
                    placed(s.to()).plus(to),
                    s.widthMm() * scale,
                    keeps,
                    s.tags());
            case Layer.Region r ->
                new Layer.Region(
                    r.corners().stream().map(p -> placed(p).plus(to)).toList(), keeps, r.tags());
          });
    }
  }

  /** Keeps a mark; every way of drawing ends here, so that all of it is counted. */
  private void mark(Layer.Mark mark) {
    budget.items(weight(mark));
    marks.add(mark);
  }

  private static long weight(Layer.Mark mark) {
    return switch (mark) {
      case Layer.Flash flash -> 1 + flash.aperture().cornerCount() / CORNERS_A_MARK;
      case Layer.Stroke stroke -> 1;
      case Layer.Region region -> 1 + region.corners().size() / 2;
    };
  }

  /** The aperture as mirror, turn and scale load it: made once, not at every flash. */
  private Aperture loaded() {
    Aperture now = loaded;
    if (now == null) {
      now = aperture.changed(mirrorX, mirrorY, turnDeg, scale);
      budget.items(1 + now.cornerCount() / 2);
      loaded = now;
    }
    return now;
  }

  private PointMm placed(PointMm p) {
    return new PointMm(
            (mirrorX ? -p.xMm() : p.xMm()) * scale, (mirrorY ? -p.yMm() : p.yMm()) * scale)
        .turned(turnDeg);
  }

  private void format(String rest) throws BoardFileDamage {
    int xAt = rest.indexOf('X');
    int yAt = rest.indexOf('Y');
    if (!FORMAT.matcher(rest).matches()) {
      throw damage("The format '" + rest + "' is not like LAX46Y46.");
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

  private void define(String rest) throws BoardFileDamage {
    int end = 1;
    while (end < rest.length() && Character.isDigit(rest.charAt(end))) {
      end++;
    }
    if (!rest.startsWith("D") || end == 1) {
      throw damage("An aperture needs a number: 'AD" + rest + "'.");
    }
    int number = (int) number(rest.substring(1, end));
    int comma = rest.indexOf(',', end);
    String template = comma < 0 ? rest.substring(end) : rest.substring(end, comma);
    List<Double> parameters = new ArrayList<>();
    if (comma >= 0) {
      for (String text : rest.substring(comma + 1).split("X")) {
        if (!text.isBlank()) {
          parameters.add(number(text));
        }
      }
    }
    apertures.put(number, aperture(template, parameters));
  }

  private Aperture aperture(String template, List<Double> p) throws BoardFileDamage {
    int least =
        switch (template) {
          case "C" -> 1;
          case "R", "O", "P" -> 2;
          default -> 0;
        };
    if (p.size() < least) {
      throw damage("The aperture " + template + " lacks numbers.");
    }
    return switch (template) {
      case "C" -> Aperture.circle(p.getFirst() * unitMm);
      case "R" -> Aperture.rectangle(p.get(0) * unitMm, p.get(1) * unitMm);
      case "O" -> Aperture.obround(p.get(0) * unitMm, p.get(1) * unitMm);
      case "P" ->
          Aperture.polygon(
              p.get(0) * unitMm,
              Math.clamp((int) Math.round(p.get(1)), 3, 12),
              p.size() > 2 ? p.get(2) : 0);
      default -> {
        Macro macro = macros.get(template);
        if (macro == null) {
          throw damage("There is no macro '" + template + "'.");
        }
        try {
          yield macro.with(p, budget).changed(false, false, 0, unitMm);
        } catch (IllegalArgumentException e) {
          throw damage("The macro " + template + ": " + e.getMessage() + ".");
        }
      }
    };
  }

  private void attribute(String rest) {
    String[] parts = AttributeText.of(rest).split(",", -1);
    switch (parts[0]) {
      case ".P" -> pin = parts.length > 2 ? parts[1] + "." + parts[2] : "";
      case ".N" -> net = parts.length > 1 ? parts[1] : "";
      case ".C" -> component = parts.length > 1 ? parts[1] : "";
      default -> {
        return;
      }
    }
    tags = new Layer.Tags(pin, net, component);
  }

  private void forget(String rest) {
    if (rest.isEmpty() || rest.equals(".P")) {
      pin = "";
    }
    if (rest.isEmpty() || rest.equals(".N")) {
      net = "";
    }
    if (rest.isEmpty() || rest.equals(".C")) {
      component = "";
    }
    tags = new Layer.Tags(pin, net, component);
  }

  private void stepAndRepeat(String rest) throws BoardFileDamage {
    repeat();
    repeatX = 1;
    repeatY = 1;
    if (!rest.isEmpty()) {
      repeatX = (int) valueAfter(rest, 'X');
      repeatY = (int) valueAfter(rest, 'Y');
      stepX = valueAfter(rest, 'I') * unitMm;
      stepY = valueAfter(rest, 'J') * unitMm;
      if (repeatX < 1 || repeatY < 1 || (long) repeatX * repeatY > 10_000) {
        throw damage("A step is repeated from 1 to 10000 times.");
      }
    }
    repeatFrom = marks.size();
  }

  private double valueAfter(String text, char letter) throws BoardFileDamage {
    int from = text.indexOf(letter);
    if (from < 0) {
      throw damage("'" + letter + "' is missing in SR" + text + ".");
    }
    int end = from + 1;
    while (end < text.length() && "+-.0123456789".indexOf(text.charAt(end)) >= 0) {
      end++;
    }
    return number(text.substring(from + 1, end));
  }

  /** Copies what was drawn since the last step and repeat began. */
  private void repeat() {
    if (repeatX * repeatY == 1) {
      return;
    }
    // A block aperture that was closed meanwhile has taken its marks away.
    List<Layer.Mark> block =
        List.copyOf(marks.subList(Math.min(repeatFrom, marks.size()), marks.size()));
    long once = block.stream().mapToLong(Gerber::weight).sum();
    budget.items(once * ((long) repeatX * repeatY - 1));
    for (int i = 0; i < repeatX; i++) {
      for (int k = 0; k < repeatY; k++) {
        PointMm by = new PointMm(i * stepX, k * stepY);
        if (i + k > 0) {
          block.forEach(mark -> marks.add(shifted(mark, by)));
        }
      }
    }
  }

  private static Layer.Mark shifted(Layer.Mark mark, PointMm by) {
    return switch (mark) {
      case Layer.Flash f -> new Layer.Flash(f.at().plus(by), f.aperture(), f.dark(), f.tags());
      case Layer.Stroke s ->
          new Layer.Stroke(s.from().plus(by), s.to().plus(by), s.widthMm(), s.dark(), s.tags());
      case Layer.Region r ->
          new Layer.Region(r.corners().stream().map(p -> p.plus(by)).toList(), r.dark(), r.tags());
    };
  }

  /** A word of letters and numbers: codes, coordinates, an operation. */
  private void word() throws BoardFileDamage {
    int begin = line;
    String word = upToAsterisk();
    if (word.startsWith("G04") || word.startsWith("G4 ") || word.equals("G4")) {
      comment(word);
      return;
    }
    double nextX = incremental ? 0 : x;
    double nextY = incremental ? 0 : y;
    double i = 0;
    double j = 0;
    boolean coordinates = false;
    int code = -1;
    int pos = 0;
    while (pos < word.length()) {
      char letter = word.charAt(pos++);
      if (letter <= ' ') {
        continue;
      }
      int from = pos;
      while (pos < word.length() && isNumberPart(word.charAt(pos))) {
        pos++;
      }
      switch (letter) {
        case 'G' -> general(integer(word, from, pos, begin));
        case 'M' -> ended |= integer(word, from, pos, begin) != 1;
        case 'D' -> code = integer(word, from, pos, begin);
        case 'X' -> {
          nextX = coordinate(word, from, pos, digitsX, scaleX, begin);
          coordinates = true;
        }
        case 'Y' -> {
          nextY = coordinate(word, from, pos, digitsY, scaleY, begin);
          coordinates = true;
        }
        case 'I' -> i = coordinate(word, from, pos, digitsX, scaleX, begin);
        case 'J' -> j = coordinate(word, from, pos, digitsY, scaleY, begin);
        default -> throw new BoardFileDamage(file, begin, "'" + letter + "' begins no word here.");
      }
    }
    if (code >= 10) {
      choose(code, begin);
      return;
    }
    if (code > 0) {
      operation = code;
    }
    if (coordinates || (code > 0 && code <= 3)) {
      operate(incremental ? x + nextX : nextX, incremental ? y + nextY : nextY, i, j, begin);
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
      if (c < '0' || c > '9' || k - from > 6) {
        throw new BoardFileDamage(file, begin, "'" + word.substring(from, to) + "' is no code.");
      }
      value = value * 10 + c - '0';
    }
    if (from == to) {
      throw new BoardFileDamage(file, begin, "A code lacks its number.");
    }
    return value;
  }

  private double coordinate(String word, int from, int to, int digits, double scaling, int begin)
      throws BoardFileDamage {
    if (scaling == 0) {
      throw new BoardFileDamage(file, begin, "Coordinates stand before the format: FS is missing.");
    }
    boolean minus = from < to && word.charAt(from) == '-';
    int first = minus || (from < to && word.charAt(from) == '+') ? from + 1 : from;
    long value = 0;
    for (int k = first; k < to; k++) {
      char c = word.charAt(k);
      if (c < '0' || c > '9' || k - first > 15) {
        throw new BoardFileDamage(
            file, begin, "'" + word.substring(from, to) + "' is no coordinate.");
      }
      value = value * 10 + c - '0';
    }
    if (first == to) {
      throw new BoardFileDamage(file, begin, "A coordinate lacks its number.");
    }
    double scaled = value * scaling;
    if (trailingZeros) {
      scaled *= Math.pow(10, digits - (double) (to - first));
    }
    return (minus ? -scaled : scaled) * unitMm;
  }

  private double number(String text) throws BoardFileDamage {
    try {
      double value = Double.parseDouble(text.strip());
      if (Double.isFinite(value)) {
        return value;
      }
    } catch (NumberFormatException e) {
      // Told below with the text that was read.
    }
    throw damage("'" + text + "' is no number.");
  }

  private void general(int code) throws BoardFileDamage {
    switch (code) {
      case 1, 2, 3 -> interpolation = code;
      case 36 -> {
        inRegion = true;
        region.clear();
      }
      case 37 -> {
        closeRegion();
        inRegion = false;
      }
      case 70 -> unitMm = INCH_MM;
      case 71 -> unitMm = 1;
      case 74 -> manyQuadrants = false;
      case 75 -> manyQuadrants = true;
      case 90 -> incremental = false;
      case 91 -> incremental = true;
      case 54, 55 -> {}
      default -> throw damage("There is no code G" + code + ".");
    }
  }

  private void choose(int code, int begin) throws BoardFileDamage {
    Aperture chosen = apertures.get(code);
    if (chosen == null) {
      throw new BoardFileDamage(file, begin, "There is no aperture D" + code + ".");
    }
    aperture = chosen;
    loaded = null;
    block = blocks.get(code);
    apertureChosen = true;
  }

  private void operate(double toX, double toY, double i, double j, int begin)
      throws BoardFileDamage {
    PointMm from = new PointMm(x, y);
    PointMm to = new PointMm(toX, toY);
    switch (operation) {
      case 1 -> draw(from, to, i, j, begin);
      case 2 -> {
        if (inRegion) {
          closeRegion();
          corner(to);
        }
      }
      case 3 -> {
        if (inRegion) {
          throw new BoardFileDamage(file, begin, "Nothing is flashed within a region.");
        }
        needAperture(begin);
        if (block == null) {
          mark(new Layer.Flash(to, loaded(), dark, tags));
        } else {
          flashBlock(block, to);
        }
      }
      default ->
          throw new BoardFileDamage(file, begin, "There is no operation D" + operation + ".");
    }
    x = toX;
    y = toY;
  }

  private void needAperture(int begin) throws BoardFileDamage {
    if (!apertureChosen) {
      throw new BoardFileDamage(file, begin, "Something is drawn before an aperture is chosen.");
    }
  }

  private void draw(PointMm from, PointMm to, double i, double j, int begin)
      throws BoardFileDamage {
    List<PointMm> points =
        interpolation == 1 ? List.of(from, to) : arc(from, to, i, j, interpolation == 2, begin);
    if (inRegion) {
      if (region.isEmpty()) {
        corner(from);
      }
      points.subList(1, points.size()).forEach(this::corner);
      return;
    }
    needAperture(begin);
    double width = Math.min(aperture.widthMm(), aperture.heightMm()) * scale;
    for (int k = 1; k < points.size(); k++) {
      mark(new Layer.Stroke(points.get(k - 1), points.get(k), width, dark, tags));
    }
  }

  /** An arc as short lines; clockwise for G02. */
  private List<PointMm> arc(
      PointMm from, PointMm to, double i, double j, boolean clockwise, int begin)
      throws BoardFileDamage {
    PointMm centre =
        manyQuadrants ? from.plus(new PointMm(i, j)) : quadrant(from, to, i, j, clockwise, begin);
    double radius = from.distanceMm(centre);
    double start = Math.atan2(from.yMm() - centre.yMm(), from.xMm() - centre.xMm());
    double end = Math.atan2(to.yMm() - centre.yMm(), to.xMm() - centre.xMm());
    double sweep = end - start;
    if (clockwise && sweep >= -1e-9) {
      sweep -= 2 * Math.PI;
    }
    if (!clockwise && sweep <= 1e-9) {
      sweep += 2 * Math.PI;
    }
    boolean samePoint = from.distanceMm(to) < 1e-9;
    if (samePoint && !manyQuadrants) {
      sweep = 0;
    }
    int steps = Math.max(1, (int) Math.ceil(Math.abs(sweep) / ARC_STEP_RAD));
    List<PointMm> points = new ArrayList<>();
    points.add(from);
    for (int k = 1; k < steps; k++) {
      double angle = start + sweep * k / steps;
      points.add(
          new PointMm(
              centre.xMm() + radius * Math.cos(angle), centre.yMm() + radius * Math.sin(angle)));
    }
    points.add(to);
    return points;
  }

  /** The centre of an arc of at most a quarter: the offsets come without signs. */
  private PointMm quadrant(
      PointMm from, PointMm to, double i, double j, boolean clockwise, int begin)
      throws BoardFileDamage {
    PointMm best = null;
    double least = Double.MAX_VALUE;
    for (int signs = 0; signs < 4; signs++) {
      PointMm centre = from.plus(new PointMm((signs & 1) == 0 ? i : -i, (signs & 2) == 0 ? j : -j));
      double start = Math.atan2(from.yMm() - centre.yMm(), from.xMm() - centre.xMm());
      double end = Math.atan2(to.yMm() - centre.yMm(), to.xMm() - centre.xMm());
      double sweep = clockwise ? start - end : end - start;
      sweep = sweep < -1e-9 ? sweep + 2 * Math.PI : sweep;
      double off = Math.abs(from.distanceMm(centre) - to.distanceMm(centre));
      if (sweep <= Math.PI / 2 + 1e-3 && off < least) {
        least = off;
        best = centre;
      }
    }
    if (best == null) {
      throw new BoardFileDamage(file, begin, "No quarter arc leads from its start to its end.");
    }
    return best;
  }

  private void closeRegion() {
    if (region.size() > 2) {
      mark(new Layer.Region(region, dark, tags));
    }
    region.clear();
  }

  /** A corner weighs half a mark, while it is gathered and again when its region is kept. */
  private void corner(PointMm to) {
    region.add(to);
    if (region.size() % 2 == 0) {
      budget.items(1);
    }
  }
}
