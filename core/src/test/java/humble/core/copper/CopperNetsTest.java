package humble.core.copper;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.budget.Budget;
import humble.core.kit.PointMm;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.OptionalInt;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Assume;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.ShrinkingMode;
import org.junit.jupiter.api.Test;

class CopperNetsTest {
  private static final double HAIR_MM = 0.001;

  private static PointMm at(double x, double y) {
    return new PointMm(x, y);
  }

  private static Shape.Stadium track(double x1, double y1, double x2, double y2) {
    return new Shape.Stadium(at(x1, y1), at(x2, y2), 0.15);
  }

  private static Shape.Stadium disc(double x, double y, double radius) {
    return new Shape.Stadium(at(x, y), at(x, y), radius);
  }

  private static Shape.Area box(double x1, double y1, double x2, double y2) {
    return new Shape.Area(List.of(at(x1, y1), at(x2, y1), at(x2, y2), at(x1, y2)));
  }

  private static CopperBoard.Sheet sheet(Shape... shapes) {
    List<Shape.Inked> marks = new ArrayList<>();
    for (Shape shape : shapes) {
      marks.add(new Shape.Inked(shape, true));
    }
    return new CopperBoard.Sheet("a", marks);
  }

  private static CopperNets trace(CopperBoard board) {
    return CopperNets.trace(board, Budget.unlimited());
  }

  private static CopperNets trace(CopperBoard.Sheet... sheets) {
    return trace(new CopperBoard(List.of(sheets), List.of(), List.of()));
  }

  private static boolean joined(CopperNets nets, int a, PointMm p, int b, PointMm q) {
    OptionalInt first = nets.netAt(a, p);
    assertThat(first).as("copper at %s", p).isPresent();
    assertThat(nets.netAt(b, q)).as("copper at %s", q).isPresent();
    return first.equals(nets.netAt(b, q));
  }

  @Test
  void aTrackThatIsOpenByAHairJoinsNothing() {
    Shape.Stadium pad = disc(0, 0, 0.8);
    Shape.Stadium other = disc(10, 0, 0.8);
    assertThat(joined(trace(sheet(pad, other, track(0, 0, 10, 0))), 0, at(0, 0), 0, at(10, 0)))
        .isTrue();
    double end = 10 - 0.8 - 0.15;
    assertThat(joined(trace(sheet(pad, other, track(0, 0, end, 0))), 0, at(0, 0), 0, at(10, 0)))
        .isTrue();
    assertThat(
            joined(
                trace(sheet(pad, other, track(0, 0, end - HAIR_MM, 0))), 0, at(0, 0), 0, at(10, 0)))
        .isFalse();
  }

  @Test
  void roundEndsAreRoundAndCornersAreCorners() {
    double reach = 0.5 / Math.sqrt(2);
    Shape corner = box(reach, reach, 2, 2);
    assertThat(joined(trace(sheet(disc(0, 0, 0.5), corner)), 0, at(0, 0), 0, at(1, 1))).isTrue();
    Shape off = box(reach + HAIR_MM, reach + HAIR_MM, 2, 2);
    assertThat(joined(trace(sheet(disc(0, 0, 0.5), off)), 0, at(0, 0), 0, at(1, 1))).isFalse();
  }

  @Test
  void layersAreJoinedByPlatedHolesAlone() {
    CopperBoard.Sheet one = sheet(track(0, 0, 5, 0));
    CopperBoard.Sheet two = sheet(track(5, 0, 9, 0));
    assertThat(joined(trace(one, two), 0, at(0, 0), 1, at(9, 0))).isFalse();
    for (boolean plated : new boolean[] {true, false}) {
      CopperBoard.Bore via = new CopperBoard.Bore(disc(5, 0, 0.1), plated, 0, 1);
      CopperNets nets = trace(new CopperBoard(List.of(one, two), List.of(via), List.of()));
      assertThat(joined(nets, 0, at(0, 0), 1, at(9, 0))).isEqualTo(plated);
    }
  }

  @Test
  void aBlindHoleJoinsNoLayerBelowItsLast() {
    CopperBoard.Sheet each = sheet(disc(0, 0, 1));
    CopperBoard.Bore blind = new CopperBoard.Bore(disc(0, 0, 0.2), true, 0, 1);
    CopperNets nets = trace(new CopperBoard(List.of(each, each, each), List.of(blind), List.of()));
    assertThat(joined(nets, 0, at(0.5, 0), 1, at(0.5, 0))).isTrue();
    assertThat(joined(nets, 0, at(0.5, 0), 2, at(0.5, 0))).isFalse();
  }

  @Test
  void aPlatedSlotReachesAsFarAsItIsLong() {
    CopperBoard.Sheet one = sheet(track(0, 0, 0, 5));
    CopperBoard.Sheet two = sheet(track(2, 0, 2, 5));
    for (double to : new double[] {2, 1.5}) {
      Shape.Stadium slot = new Shape.Stadium(at(0, 0), at(to, 0), 0.3);
      CopperNets nets =
          trace(
              new CopperBoard(
                  List.of(one, two), List.of(new CopperBoard.Bore(slot, true, 0, 1)), List.of()));
      assertThat(joined(nets, 0, at(0, 5), 1, at(2, 5))).isEqualTo(to + 0.3 >= 2 - 0.15);
    }
  }

  @Test
  void anUnplatedHoleCutsTheTrackItGoesThrough() {
    CopperBoard.Sheet one = sheet(track(0, 0, 10, 0));
    CopperBoard.Bore hole = new CopperBoard.Bore(disc(5, 0, 0.5), false, 0, 0);
    CopperNets cut = trace(new CopperBoard(List.of(one), List.of(hole), List.of()));
    assertThat(joined(cut, 0, at(0, 0), 0, at(10, 0))).isFalse();
    CopperBoard.Bore beside = new CopperBoard.Bore(disc(5, 0.6, 0.5), false, 0, 0);
    CopperNets whole = trace(new CopperBoard(List.of(one), List.of(beside), List.of()));
    assertThat(joined(whole, 0, at(0, 0), 0, at(10, 0))).isTrue();
  }

  @Test
  void whatIsClearedIsGoneAndWhatIsDrawnAfterwardsStands() {
    Shape plane = box(0, 0, 20, 20);
    Shape ring = disc(10, 10, 2);
    Shape pad = disc(10, 10, 1);
    CopperNets nets =
        trace(
            new CopperBoard.Sheet(
                "plane",
                List.of(
                    new Shape.Inked(plane, true),
                    new Shape.Inked(ring, false),
                    new Shape.Inked(pad, true))));
    assertThat(joined(nets, 0, at(1, 1), 0, at(10, 10))).isFalse();
    assertThat(joined(nets, 0, at(1, 1), 0, at(19, 19))).isTrue();
    assertThat(nets.netAt(0, at(11.5, 10))).isEmpty();
    CopperNets spoke =
        trace(
            new CopperBoard.Sheet(
                "thermal",
                List.of(
                    new Shape.Inked(plane, true),
                    new Shape.Inked(ring, false),
                    new Shape.Inked(pad, true),
                    new Shape.Inked(track(10, 10, 12, 10), true))));
    assertThat(joined(spoke, 0, at(1, 1), 0, at(10, 10))).isTrue();
  }

  @Test
  void aPlaneThatIsCutThroughIsTwo() {
    CopperNets nets =
        trace(
            new CopperBoard.Sheet(
                "split",
                List.of(
                    new Shape.Inked(box(0, 0, 20, 20), true),
                    new Shape.Inked(track(10, -1, 10, 21), false))));
    assertThat(joined(nets, 0, at(1, 1), 0, at(19, 1))).isFalse();
  }

  @Test
  void theEdgeOfTheBoardEndsItsCopper() {
    CopperBoard.Sheet one = sheet(disc(2, 2, 0.5), disc(8, 2, 0.5), track(2, 2, 8, 2));
    List<List<PointMm>> around =
        List.of(List.of(at(0, 0), at(10, 0), at(10, 10), at(0, 10), at(0, 0)));
    List<List<PointMm>> slotted = new ArrayList<>(around);
    slotted.add(List.of(at(4, 1), at(6, 1), at(6, 4), at(4, 4), at(4, 1)));
    assertThat(
            joined(
                trace(new CopperBoard(List.of(one), List.of(), around)), 0, at(2, 2), 0, at(8, 2)))
        .isTrue();
    assertThat(
            joined(
                trace(new CopperBoard(List.of(one), List.of(), slotted)), 0, at(2, 2), 0, at(8, 2)))
        .isFalse();
  }

  @Test
  void aStampTakesAwayFromItselfAlone() {
    Shape washer =
        new Shape.Stamp(
            List.of(new Shape.Inked(disc(5, 5, 2), true), new Shape.Inked(disc(5, 5, 1), false)));
    CopperNets nets = trace(sheet(track(0, 5, 10, 5), washer));
    assertThat(joined(nets, 0, at(0, 5), 0, at(10, 5))).isTrue();
    CopperNets hollow = trace(sheet(disc(5, 5, 0.9), washer));
    assertThat(joined(hollow, 0, at(5, 5), 0, at(6.5, 5))).isFalse();
  }

  // ---- held against a picture -------------------------------------------------------------

  private static final int SIDE = 12;
  private static final int PX_PER_MM = 40;

  /** Shapes on a coarse grid, drawn and cleared in any order, on two layers, with holes. */
  @Provide
  Arbitrary<CopperBoard> boards() {
    Arbitrary<Integer> grid = Arbitraries.integers().between(1, SIDE - 1);
    Arbitrary<Shape> tracks =
        Combinators.combine(grid, grid, grid, grid)
            .as((a, b, c, d) -> new Shape.Stadium(at(a, b), at(c, d), 0.15));
    Arbitrary<Shape> pads = Combinators.combine(grid, grid).as((a, b) -> disc(a, b, 0.4));
    Arbitrary<Shape> boxes =
        Combinators.combine(grid, grid, grid, grid)
            .as((a, b, c, d) ->
                box(
                    Math.min(a, c) - 0.2,
                    Math.min(b, d) - 0.2,
                    Math.max(a, c) + 0.2,
                    Math.max(b, d) + 0.2));
    Arbitrary<Shape.Inked> mark =
        Combinators.combine(
                Arbitraries.oneOf(tracks, tracks, pads, boxes),
                Arbitraries.integers().between(0, 4))
            .as((shape, clear) -> new Shape.Inked(shape, clear > 0));
    Arbitrary<CopperBoard.Sheet> sheet =
        mark.list().ofMinSize(1).ofMaxSize(14).map(m -> new CopperBoard.Sheet("s", m));
    Arbitrary<CopperBoard.Bore> bore =
        Combinators.combine(grid, grid, grid, Arbitraries.of(true, true, false))
            .as((a, b, c, plated) ->
                new CopperBoard.Bore(
                    new Shape.Stadium(at(a, b), at(c % 3 == 0 ? a + 1 : a, b), 0.3), plated, 0, 1));
    return Combinators.combine(sheet, sheet, bore.list().ofMaxSize(5))
        .as((one, two, bores) -> new CopperBoard(List.of(one, two), bores, List.of()));
  }

  @Property(tries = 60, shrinking = ShrinkingMode.OFF)
  void whatCopperJoinsIsWhatAFloodOfItsPictureReaches(@ForAll("boards") CopperBoard board) {
    Picture picture = new Picture(board);
    // What is closer than the picture can tell is left to the tests above.
    Assume.that(new Picture(grown(board, 0.03)).agreesWith(picture));
    Assume.that(new Picture(grown(board, -0.03)).agreesWith(picture));
    CopperNets nets = trace(board);
    int[] firstOf = new int[picture.count + 1];
    java.util.Map<Integer, Integer> netOf = new java.util.HashMap<>();
    java.util.Map<Integer, Integer> areaOf = new java.util.HashMap<>();
    for (int s = 0; s < 2; s++) {
      for (int x = 1; x < SIDE; x++) {
        for (int y = 1; y < SIDE; y++) {
          int area = picture.at(s, x, y);
          OptionalInt net = nets.netAt(s, at(x, y));
          if (picture.isEdge(s, x, y)) {
            continue;
          }
          assertThat(net.isPresent()).as("layer %d at %d %d", s, x, y).isEqualTo(area > 0);
          if (area > 0) {
            firstOf[area]++;
            assertThat(netOf.computeIfAbsent(area, k -> net.getAsInt()))
                .as("layer %d at %d %d: one area", s, x, y)
                .isEqualTo(net.getAsInt());
            assertThat(areaOf.computeIfAbsent(net.getAsInt(), k -> area))
                .as("layer %d at %d %d: one net", s, x, y)
                .isEqualTo(area);
          }
        }
      }
    }
  }

  private static CopperBoard grown(CopperBoard board, double by) {
    List<CopperBoard.Sheet> sheets = new ArrayList<>();
    for (CopperBoard.Sheet sheet : board.sheets()) {
      List<Shape.Inked> marks = new ArrayList<>();
      for (Shape.Inked mark : sheet.marks()) {
        double more = mark.dark() ? by : -by;
        marks.add(
            new Shape.Inked(
                switch (mark.shape()) {
                  case Shape.Stadium s -> new Shape.Stadium(s.from(), s.to(), s.radiusMm() + more);
                  case Shape.Area a ->
                      box(
                          a.corners().get(0).xMm() - more,
                          a.corners().get(0).yMm() - more,
                          a.corners().get(2).xMm() + more,
                          a.corners().get(2).yMm() + more);
                  case Shape.Stamp stamp -> stamp;
                },
                mark.dark()));
      }
      sheets.add(new CopperBoard.Sheet(sheet.name(), marks));
    }
    return new CopperBoard(sheets, board.bores(), board.edges());
  }

  /** Both layers painted and flooded: an answer that knows no distances. */
  private static final class Picture {
    private final int size = SIDE * PX_PER_MM;
    private final int[][] area = new int[2][size * size];
    private int count;

    Picture(CopperBoard board) {
      BufferedImage[] images = {new BufferedImage(size, size, 1), new BufferedImage(size, size, 1)};
      for (int s = 0; s < 2; s++) {
        Graphics2D g = images[s].createGraphics();
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.scale(PX_PER_MM, PX_PER_MM);
        for (Shape.Inked mark : board.sheets().get(s).marks()) {
          g.setColor(mark.dark() ? Color.WHITE : Color.BLACK);
          fill(g, mark.shape());
        }
        g.setColor(Color.BLACK);
        for (CopperBoard.Bore bore : board.bores()) {
          if (!bore.plated()) {
            fill(g, bore.shape());
          }
        }
        g.dispose();
      }
      boolean[] wall = walls(board);
      for (int s = 0; s < 2; s++) {
        for (int i = 0; i < size * size; i++) {
          if (area[s][i] == 0 && copper(images, wall, s, i)) {
            flood(images, wall, s, i, ++count);
          }
        }
      }
    }

    private boolean[] walls(CopperBoard board) {
      BufferedImage image = new BufferedImage(size, size, 1);
      Graphics2D g = image.createGraphics();
      g.scale(PX_PER_MM, PX_PER_MM);
      g.setColor(Color.WHITE);
      board.bores().stream()
          .filter(CopperBoard.Bore::plated)
          .forEach(bore -> fill(g, bore.shape()));
      g.dispose();
      boolean[] wall = new boolean[size * size];
      for (int i = 0; i < wall.length; i++) {
        wall[i] = (image.getRGB(i % size, i / size) & 1) == 1;
      }
      return wall;
    }

    private static void fill(Graphics2D g, Shape shape) {
      switch (shape) {
        case Shape.Stadium s -> {
          double r = s.radiusMm();
          double dx = s.to().xMm() - s.from().xMm();
          double dy = s.to().yMm() - s.from().yMm();
          double length = Math.hypot(dx, dy);
          for (PointMm p : List.of(s.from(), s.to())) {
            g.fill(new Ellipse2D.Double(p.xMm() - r, p.yMm() - r, 2 * r, 2 * r));
          }
          if (length > 0) {
            double nx = -dy / length * r;
            double ny = dx / length * r;
            Path2D bar = new Path2D.Double();
            bar.moveTo(s.from().xMm() + nx, s.from().yMm() + ny);
            bar.lineTo(s.to().xMm() + nx, s.to().yMm() + ny);
            bar.lineTo(s.to().xMm() - nx, s.to().yMm() - ny);
            bar.lineTo(s.from().xMm() - nx, s.from().yMm() - ny);
            bar.closePath();
            g.fill(bar);
          }
        }
        case Shape.Area a -> {
          Path2D path = new Path2D.Double();
          path.moveTo(a.corners().getFirst().xMm(), a.corners().getFirst().yMm());
          a.corners().forEach(c -> path.lineTo(c.xMm(), c.yMm()));
          path.closePath();
          g.fill(path);
        }
        case Shape.Stamp stamp -> throw new AssertionError("none is drawn here");
      }
    }

    private boolean copper(BufferedImage[] images, boolean[] wall, int s, int i) {
      return wall[i] || (images[s].getRGB(i % size, i / size) & 1) == 1;
    }

    private void flood(BufferedImage[] images, boolean[] wall, int sheet, int from, int number) {
      Deque<int[]> todo = new ArrayDeque<>();
      todo.push(new int[] {sheet, from});
      area[sheet][from] = number;
      while (!todo.isEmpty()) {
        int[] now = todo.pop();
        int x = now[1] % size;
        int y = now[1] / size;
        for (int[] step : new int[][] {{1, 0}, {-1, 0}, {0, 1}, {0, -1}}) {
          if (x + step[0] >= 0 && x + step[0] < size && y + step[1] >= 0 && y + step[1] < size) {
            take(images, wall, now[0], now[1] + step[0] + step[1] * size, number, todo);
          }
        }
        if (wall[now[1]]) {
          take(images, wall, 1 - now[0], now[1], number, todo);
        }
      }
    }

    private void take(
        BufferedImage[] images, boolean[] wall, int s, int i, int number, Deque<int[]> todo) {
      if (area[s][i] == 0 && copper(images, wall, s, i)) {
        area[s][i] = number;
        todo.push(new int[] {s, i});
      }
    }

    int at(int s, int x, int y) {
      return area[s][x * PX_PER_MM + y * PX_PER_MM * size];
    }

    /** Tells whether copper ends within two pixels, where a picture is not to be trusted. */
    boolean isEdge(int s, int x, int y) {
      int here = at(s, x, y);
      for (int dx = -2; dx <= 2; dx++) {
        for (int dy = -2; dy <= 2; dy++) {
          if (area[s][x * PX_PER_MM + dx + (y * PX_PER_MM + dy) * size] != here) {
            return true;
          }
        }
      }
      return false;
    }

    /** Tells whether another picture has the same areas, as the grid's points see them. */
    boolean agreesWith(Picture other) {
      java.util.Map<Integer, Integer> there = new java.util.HashMap<>();
      java.util.Map<Integer, Integer> here = new java.util.HashMap<>();
      for (int s = 0; s < 2; s++) {
        for (int x = 1; x < SIDE; x++) {
          for (int y = 1; y < SIDE; y++) {
            int mine = at(s, x, y);
            int its = other.at(s, x, y);
            if ((mine == 0) != (its == 0)
                || (mine > 0
                    && (there.computeIfAbsent(mine, k -> its) != its
                        || here.computeIfAbsent(its, k -> mine) != mine))) {
              return false;
            }
          }
        }
      }
      return true;
    }
  }
}
