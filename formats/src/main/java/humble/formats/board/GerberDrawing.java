package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.kit.PointMm;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What is drawn of a layer: with which aperture, how that is mirrored, turned and scaled, within
 * which block, and how often it is repeated. Every way of drawing is counted in the budget.
 */
final class GerberDrawing {
  /** Corners of an aperture that weigh as much as one mark: they are kept once, but drawn often. */
  private static final int CORNERS_A_MARK = 50;

  private static final int MOST_REPEATS = 10_000;

  private final GerberText text;
  private final GerberApertures apertures;
  private final GerberTags tags;
  private final Budget budget;
  private final List<Layer.Mark> marks = new ArrayList<>();
  private final List<PointMm> region = new ArrayList<>();
  private final Map<Integer, List<Layer.Mark>> blocks = new HashMap<>();
  private final Deque<OpenBlock> openBlocks = new ArrayDeque<>();
  private Aperture aperture = Aperture.circle(0);
  private @Nullable Aperture loaded;
  private boolean apertureChosen;
  private @Nullable List<Layer.Mark> block;
  private boolean dark = true;
  private boolean mirrorX;
  private boolean mirrorY;
  private double turnDeg;
  private double scale = 1;
  private Repeat repeat = new Repeat(1, 1, 0, 0, 0);

  /** A block aperture that is being drawn, and where its marks begin. */
  private record OpenBlock(int number, int from) {}

  /** How often, how far apart, and from which mark on something is repeated. */
  private record Repeat(int x, int y, double stepXMm, double stepYMm, int from) {}

  GerberDrawing(GerberText text, GerberApertures apertures, GerberTags tags, Budget budget) {
    this.text = text;
    this.apertures = apertures;
    this.tags = tags;
    this.budget = budget;
  }

  void dark(boolean on) {
    dark = on;
  }

  void mirror(boolean x, boolean y) {
    mirrorX = x;
    mirrorY = y;
    loaded = null;
  }

  void turn(double degrees) {
    turnDeg = degrees;
    loaded = null;
  }

  void scale(double factor) {
    scale = factor;
    loaded = null;
  }

  /** Chooses the aperture of that number. */
  void choose(int number, int line) throws BoardFileDamage {
    aperture =
        apertures
            .of(number)
            .orElseThrow(() -> text.damage(line, "There is no aperture D" + number + "."));
    loaded = null;
    block = blocks.get(number);
    apertureChosen = true;
  }

  private void needAperture(int line) throws BoardFileDamage {
    if (!apertureChosen) {
      throw text.damage(line, "Something is drawn before an aperture is chosen.");
    }
  }

  /** Puts the aperture down at a point. */
  void flash(PointMm at, int line) throws BoardFileDamage {
    needAperture(line);
    List<Layer.Mark> drawn = block;
    if (drawn == null) {
      mark(new Layer.Flash(at, loaded(), dark, tags.now()));
    } else {
      flashBlock(drawn, at);
    }
  }

  /** Draws along corners with the aperture. */
  void stroke(List<PointMm> corners, int line) throws BoardFileDamage {
    needAperture(line);
    double width = aperture.widthMm() * scale;
    for (int k = 1; k < corners.size(); k++) {
      mark(
          aperture.isDisc()
              ? new Layer.Stroke(corners.get(k - 1), corners.get(k), width, dark, tags.now())
              : new Layer.Sweep(corners.get(k - 1), corners.get(k), loaded(), dark, tags.now()));
    }
  }

  /** Begins a region anew. */
  void beginRegion() {
    region.clear();
  }

  /** Adds corners to the region; the first brings the one it comes from along. */
  void edge(List<PointMm> corners) {
    if (region.isEmpty()) {
      corner(corners.getFirst());
    }
    corners.subList(1, corners.size()).forEach(this::corner);
  }

  /** A corner weighs half a mark, while it is gathered and again when its region is kept. */
  void corner(PointMm to) {
    region.add(to);
    if (region.size() % 2 == 0) {
      budget.items(1);
    }
  }

  /** Keeps the region that was gathered. */
  void closeRegion() {
    if (region.size() > 2) {
      mark(new Layer.Region(region, dark, tags.now()));
    }
    region.clear();
  }

  /** Begins a block aperture with its number, or ends the one that was begun last. */
  void block(String rest) throws BoardFileDamage {
    if (!rest.isEmpty()) {
      if (!rest.startsWith("D")) {
        throw text.damage("A block aperture needs a number: 'AB" + rest + "'.");
      }
      openBlocks.push(new OpenBlock((int) text.number(rest.substring(1)), marks.size()));
      return;
    }
    if (openBlocks.isEmpty()) {
      throw text.damage("AB ends a block that was not begun.");
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
            case Layer.Sweep s ->
                new Layer.Sweep(
                    placed(s.from()).plus(to),
                    placed(s.to()).plus(to),
                    s.aperture().changed(mirrorX, mirrorY, turnDeg, scale),
                    keeps,
                    s.tags());
            case Layer.Region r ->
                new Layer.Region(
                    r.corners().stream().map(p -> placed(p).plus(to)).toList(), keeps, r.tags());
          });
    }
  }

  private PointMm placed(PointMm p) {
    return new PointMm(
            (mirrorX ? -p.xMm() : p.xMm()) * scale, (mirrorY ? -p.yMm() : p.yMm()) * scale)
        .turned(turnDeg);
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
      case Layer.Sweep sweep -> 2;
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

  /** Repeats what was drawn under the last step and repeat, and begins the next. */
  void stepAndRepeat(String rest, double unitMm) throws BoardFileDamage {
    repeat();
    int x = 1;
    int y = 1;
    double stepX = 0;
    double stepY = 0;
    if (!rest.isEmpty()) {
      x = (int) text.valueAfter(rest, 'X');
      y = (int) text.valueAfter(rest, 'Y');
      stepX = text.valueAfter(rest, 'I') * unitMm;
      stepY = text.valueAfter(rest, 'J') * unitMm;
      if (x < 1 || y < 1 || (long) x * y > MOST_REPEATS) {
        throw text.damage("A step is repeated from 1 to 10000 times.");
      }
    }
    repeat = new Repeat(x, y, stepX, stepY, marks.size());
  }

  /** Copies what was drawn since the last step and repeat began. */
  private void repeat() {
    Repeat now = repeat;
    if (now.x() * now.y() == 1) {
      return;
    }
    // A block aperture that was closed meanwhile has taken its marks away.
    List<Layer.Mark> drawn =
        List.copyOf(marks.subList(Math.min(now.from(), marks.size()), marks.size()));
    long once = drawn.stream().mapToLong(GerberDrawing::weight).sum();
    budget.items(once * ((long) now.x() * now.y() - 1));
    for (int i = 0; i < now.x(); i++) {
      for (int k = 0; k < now.y(); k++) {
        PointMm by = new PointMm(i * now.stepXMm(), k * now.stepYMm());
        if (i + k > 0) {
          drawn.forEach(mark -> marks.add(shifted(mark, by)));
        }
      }
    }
  }

  private static Layer.Mark shifted(Layer.Mark mark, PointMm by) {
    return switch (mark) {
      case Layer.Flash f -> new Layer.Flash(f.at().plus(by), f.aperture(), f.dark(), f.tags());
      case Layer.Stroke s ->
          new Layer.Stroke(s.from().plus(by), s.to().plus(by), s.widthMm(), s.dark(), s.tags());
      case Layer.Sweep s ->
          new Layer.Sweep(s.from().plus(by), s.to().plus(by), s.aperture(), s.dark(), s.tags());
      case Layer.Region r ->
          new Layer.Region(r.corners().stream().map(p -> p.plus(by)).toList(), r.dark(), r.tags());
    };
  }

  /** Gives all that was drawn, repeated as it was asked for. */
  List<Layer.Mark> end() throws BoardFileDamage {
    repeat();
    if (!openBlocks.isEmpty()) {
      throw text.damage("The block aperture D" + openBlocks.peek().number() + " is not closed.");
    }
    return marks;
  }
}
