package humble.desktop.wake;

import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The waking tree, from power outwards, and the picture of the test that is under way. */
record TreeMat(String title, List<Node> nodes, Optional<Waking.Picture> picture) implements Mat {
  /** One thing that wakes. */
  record Node(String id, String label, List<String> after, String standing) {}

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    tree(pen, 40, 50, w - 80, picture.isPresent() ? 130 : h - 100);
    picture.ifPresent(test -> test.paint(pen, 24, 196, w - 48, h - 212));
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
      boolean now = node.standing().equals("now");
      // Where several stand one below the other their names are beside them.
      if (width.getOrDefault(depth.getOrDefault(node.id(), 0), 1) > 2) {
        pen.standing(p[0], p[1], now ? 14 : 10, node.standing());
        if (now) {
          pen.bold(node.label(), p[0] + 24, p[1], 15, Token.INK, Pen.Hang.LEFT);
        } else {
          pen.text(node.label(), p[0] + 24, p[1], 15, Token.INK, Pen.Hang.LEFT);
        }
        continue;
      }
      pen.standing(p[0], p[1], now ? 20 : 14, node.standing());
      if (node.standing().equals("now")) {
        pen.bold(node.label(), p[0], p[1] + 36, 16, Token.INK, Pen.Hang.MIDDLE);
      } else {
        pen.text(node.label(), p[0], p[1] + 32, 16, Token.INK, Pen.Hang.MIDDLE);
      }
    }
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
