package humble.desktop.wake;

import humble.core.kit.Board;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.wake.Pose;
import humble.core.words.Words;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The waking tree, from power outwards, and the picture of the test that is under way. */
record TreeMat(
    String title, List<Node> nodes, Optional<Lights> lights, Optional<Screen> screen, Words words)
    implements Mat {
  /** One thing that wakes. */
  record Node(String id, String label, List<String> after, String standing) {}

  /** The lights test: what shines on the practice bench, and what was marked dark. */
  record Lights(
      Parts parts,
      Peripheral.Matrix matrix,
      boolean ran,
      boolean simulated,
      Set<Integer> unlit,
      Set<Integer> dark,
      Set<String> fitted) {}

  /**
   * The display test: how the figure looks on the practice bench, and the picture picked, 0 for
   * none.
   */
  record Screen(Optional<Pose> shown, int picked) {}

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    boolean test = lights.isPresent() || screen.isPresent();
    tree(pen, 40, 50, w - 80, test ? 130 : h - 100);
    lights.ifPresent(l -> board(pen, l, 24, 196, w - 48, h - 212));
    screen.ifPresent(s -> screen(pen, s, 24, 196, w - 48, h - 212));
  }

  private void tree(Pen pen, double x, double y, double w, double h) {
    Map<String, Integer> depth = new HashMap<>();
    Map<Integer, Integer> width = new HashMap<>();
    int deepest = 0;
    for (Node node : nodes) {
      int d = node.after().stream().mapToInt(id -> depth.getOrDefault(id, 0) + 1).max().orElse(0);
      depth.put(node.id(), d);
      width.merge(d, 1, Integer::sum);
      deepest = Math.max(deepest, d);
    }
    Map<String, double[]> at = new HashMap<>();
    Map<Integer, Integer> placed = new HashMap<>();
    for (Node node : nodes) {
      int d = depth.getOrDefault(node.id(), 0);
      int row = placed.merge(d, 1, Integer::sum);
      double px = x + w * (d + 0.5) / (deepest + 1);
      double py = y + h * (row - 0.5) / width.getOrDefault(d, 1);
      at.put(node.id(), new double[] {px, py});
    }
    for (Node node : nodes) {
      double[] to = at.getOrDefault(node.id(), new double[2]);
      for (String before : node.after()) {
        double[] from = at.getOrDefault(before, to);
        pen.bend(
            from[0],
            from[1],
            to[0],
            to[1],
            node.standing().equals("done") ? Token.COPPER : Token.COPPER_PALE,
            7);
      }
    }
    for (Node node : nodes) {
      double[] p = at.getOrDefault(node.id(), new double[2]);
      pen.standing(p[0], p[1], node.standing().equals("now") ? 20 : 14, node.standing());
      if (node.standing().equals("now")) {
        pen.bold(node.label(), p[0], p[1] + 36, 16, Token.INK, Pen.Hang.MIDDLE);
      } else {
        pen.text(node.label(), p[0], p[1] + 32, 16, Token.INK, Pen.Hang.MIDDLE);
      }
    }
  }

  private void board(Pen pen, Lights l, double x, double y, double w, double h) {
    if (l.parts().kit().boards().isEmpty()) {
      return;
    }
    Board board = l.parts().kit().boards().getFirst();
    BoardPicture picture =
        new BoardPicture(l.parts(), new BoardView(board, Side.TOP, 0), x, y, w, h - 24);
    picture.paint(pen, l.fitted(), Set.of(), Set.of());
    for (int number = 1; number <= l.matrix().lights().size(); number++) {
      Place place =
          l.parts()
              .part(l.matrix().lights().get(number - 1).ref())
              .flatMap(p -> p.placed())
              .orElse(null);
      if (place == null) {
        continue;
      }
      double[] at = picture.px(place.at());
      boolean marked = l.dark().contains(number);
      boolean shines = l.simulated() && !l.unlit().contains(number);
      if (shines) {
        pen.glow(at[0], at[1], 24, Token.FLUX);
      }
      if (marked) {
        pen.diamond(at[0], at[1], 18, Token.ALARM);
      } else {
        pen.disc(
            at[0],
            at[1],
            14,
            shines ? Token.FLUX_PALE : l.ran() ? Token.CARD : Token.TIN,
            Token.INK,
            shines ? 2.5 : 1.2);
      }
      pen.bold(
          Integer.toString(number),
          at[0],
          at[1],
          14,
          marked ? Token.CARD : Token.INK,
          Pen.Hang.MIDDLE);
    }
    pen.text(
        words.say(l.simulated() ? "wake.lights.legend" : "wake.lights.numbers"),
        x + w / 2,
        y + h - 6,
        15,
        Token.INK_SOFT,
        Pen.Hang.MIDDLE);
  }

  private void screen(Pen pen, Screen s, double x, double y, double w, double h) {
    double upper = s.shown().isPresent() ? h * 0.52 : 0;
    s.shown()
        .ifPresent(pose -> {
          double size = upper - 50;
          pen.box(x + w / 2 - size * 0.86, y, size * 1.72, upper - 30, 8, Token.BOARD, Token.INK);
          figure(pen, pose, x + w / 2, y + (upper - 30) / 2, size * 0.72);
          pen.text(
              words.say("wake.display.legend"),
              x + w / 2,
              y + upper - 14,
              15,
              Token.INK_SOFT,
              Pen.Hang.MIDDLE);
        });
    pen.box(x, y + upper, w, h - upper, 8, Token.CARD, Token.LINE);
    pen.text(
        words.say("wake.display.choose"),
        x + 18,
        y + upper + 22,
        15,
        Token.INK_SOFT,
        Pen.Hang.LEFT);
    double step = w / 8;
    double size = Math.min(step - 20, h - upper - 84);
    List<Pose> poses = Pose.all();
    for (int i = 0; i < poses.size(); i++) {
      double cx = x + (i + 0.5) * step;
      double cy = y + upper + 44 + size / 2;
      if (s.picked() == i + 1) {
        pen.box(cx - size / 2 - 6, cy - size / 2 - 6, size + 12, size + 12, 6, null, Token.COPPER);
        pen.box(cx - size / 2 - 8, cy - size / 2 - 8, size + 16, size + 16, 7, null, Token.COPPER);
      }
      figure(pen, poses.get(i), cx, cy, size);
      pen.bold(Integer.toString(i + 1), cx, cy + size / 2 + 22, 18, Token.INK, Pen.Hang.MIDDLE);
    }
  }

  /** An angle with a dot: no two of its eight poses look the same. */
  private static void figure(Pen pen, Pose pose, double x, double y, double size) {
    pen.box(x - size / 2, y - size / 2, size, size, 4, Token.BOARD, Token.INK);
    double u = size / 16;
    bar(pen, pose, x, y, u, -5.5, 5.5, -4, -4.5);
    bar(pen, pose, x, y, u, -5.5, 5.5, 2.5, 4);
    bar(pen, pose, x, y, u, 1.5, -1, 4, -3.5);
  }

  /**
   * A rectangle of the figure between two corners in its own coordinates, y up, mirrored first and
   * then turned.
   */
  private static void bar(
      Pen pen,
      Pose pose,
      double x,
      double y,
      double u,
      double x1,
      double y1,
      double x2,
      double y2) {
    double[][] corners = {{x1, y1}, {x2, y1}, {x2, y2}, {x1, y2}};
    List<double[]> points = new ArrayList<>();
    for (double[] corner : corners) {
      PointMm point =
          new PointMm(pose.mirror() ? -corner[0] : corner[0], corner[1]).turned(pose.rotateDeg());
      points.add(new double[] {x + point.xMm() * u, y - point.yMm() * u});
    }
    pen.shape(points, Token.ON_BOARD, null);
  }

  @Override
  public String spoken() {
    return title
        + ": "
        + nodes.stream().filter(node -> node.standing().equals("done")).count()
        + " / "
        + nodes.size();
  }
}
