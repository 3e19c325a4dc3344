package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * An aperture macro: primitives whose numbers may be reckoned from the parameters, Gerber layer
 * format 2024.05 section 4.5. Primitives 1, 4, 5, 7, 20, 21, and those of older files: 2, 6, 22.
 *
 * @param name name of the macro
 * @param statements primitives and definitions, in order
 */
record Macro(String name, List<String> statements) {
  private static final int MOST_CORNERS = 5000;
  private static final int MOST_RINGS = 100;

  /** Brackets and signs within each other; people write three. */
  private static final int DEEPEST = 50;

  Macro {
    statements = List.copyOf(statements);
  }

  /**
   * Gives the aperture for parameters.
   *
   * @param parameters numbers of the aperture's definition
   * @param budget what its statements and corners come out of
   * @throws IllegalArgumentException with one sentence when the macro makes no sense
   */
  Aperture with(List<Double> parameters, Budget budget) {
    Map<Integer, Double> values = new HashMap<>();
    for (int i = 0; i < parameters.size(); i++) {
      values.put(i + 1, parameters.get(i));
    }
    List<Aperture.Area> areas = new ArrayList<>();
    for (String statement : statements) {
      budget.items(1);
      String text = statement.strip();
      if (text.startsWith("0 ") || text.equals("0") || text.isEmpty()) {
        continue;
      }
      if (text.startsWith("$")) {
        int equals = text.indexOf('=');
        if (equals < 0) {
          throw new IllegalArgumentException("'" + text + "' defines nothing");
        }
        values.put(
            parameter(text.substring(1, equals).strip()),
            new Expression(text.substring(equals + 1), values).value());
      } else {
        primitive(text, values, areas);
        budget.items(areas.isEmpty() ? 1 : 1 + areas.getLast().corners().size());
      }
    }
    return Aperture.macro(areas);
  }

  private static int parameter(String number) {
    if (!number.matches("[0-9]{1,6}")) {
      throw new IllegalArgumentException("'$" + shortened(number) + "' is no parameter");
    }
    return Integer.parseInt(number);
  }

  private static void primitive(
      String text, Map<Integer, Double> values, List<Aperture.Area> areas) {
    String[] parts = text.split(",", -1);
    double[] n = new double[parts.length];
    for (int i = 0; i < parts.length; i++) {
      n[i] = new Expression(parts[i], values).value();
    }
    switch ((int) n[0]) {
      case 1 -> {
        need(n, 5, text);
        disc(areas, n[3], n[4], n[2] / 2, n.length > 5 ? n[5] : 0, n[1] != 0);
      }
      case 4 -> {
        need(n, 6, text);
        int corners = (int) n[2];
        if (corners < 1 || corners > MOST_CORNERS || n.length < 5 + 2 * corners) {
          throw new IllegalArgumentException("the outline '" + shortened(text) + "' lacks corners");
        }
        List<PointMm> points = new ArrayList<>();
        for (int i = 0; i < corners; i++) {
          points.add(new PointMm(n[3 + 2 * i], n[4 + 2 * i]));
        }
        add(areas, points, n.length > 5 + 2 * corners ? n[5 + 2 * corners] : 0, n[1] != 0);
      }
      case 5 -> {
        need(n, 6, text);
        add(
            areas,
            Aperture.polygon(n[3], n[4], n[5], Math.clamp((int) n[2], 3, 12), 0),
            n.length > 6 ? n[6] : 0,
            n[1] != 0);
      }
      case 6 -> rings(n, text, areas);
      case 7 -> thermal(n, text, areas);
      case 2, 20 -> {
        need(n, 7, text);
        add(areas, bar(n[3], n[4], n[5], n[6], n[2]), n.length > 7 ? n[7] : 0, n[1] != 0);
      }
      case 21 -> {
        need(n, 6, text);
        add(areas, Aperture.box(n[4], n[5], n[2], n[3]), n.length > 6 ? n[6] : 0, n[1] != 0);
      }
      case 22 -> {
        need(n, 6, text);
        List<PointMm> box = Aperture.box(n[4] + n[2] / 2, n[5] + n[3] / 2, n[2], n[3]);
        add(areas, box, n.length > 6 ? n[6] : 0, n[1] != 0);
      }
      default ->
          throw new IllegalArgumentException("there is no macro primitive " + parts[0].strip());
    }
  }

  /** Rings within each other and a cross: a mark for cameras. */
  private static void rings(double[] n, String text, List<Aperture.Area> areas) {
    need(n, 9, text);
    double turn = n.length > 9 ? n[9] : 0;
    double outer = n[3];
    for (int i = 0; i < Math.clamp((int) n[6], 0, MOST_RINGS) && outer > 0; i++) {
      disc(areas, n[1], n[2], outer / 2, turn, true);
      disc(areas, n[1], n[2], Math.max(0, outer / 2 - n[4]), turn, false);
      outer -= 2 * (n[4] + n[5]);
    }
    add(areas, Aperture.box(n[1], n[2], n[8], n[7]), turn, true);
    add(areas, Aperture.box(n[1], n[2], n[7], n[8]), turn, true);
  }

  /** A ring with four gaps: the ring dark, its hole and the gaps clear. */
  private static void thermal(double[] n, String text, List<Aperture.Area> areas) {
    need(n, 6, text);
    double turn = n.length > 6 ? n[6] : 0;
    disc(areas, n[1], n[2], n[3] / 2, turn, true);
    disc(areas, n[1], n[2], n[4] / 2, turn, false);
    add(areas, Aperture.box(n[1], n[2], n[3], n[5]), turn, false);
    add(areas, Aperture.box(n[1], n[2], n[5], n[3]), turn, false);
  }

  static List<PointMm> bar(double x1, double y1, double x2, double y2, double width) {
    double length = Math.hypot(x2 - x1, y2 - y1);
    double nx = length == 0 ? 0 : -(y2 - y1) / length * width / 2;
    double ny = length == 0 ? width / 2 : (x2 - x1) / length * width / 2;
    return List.of(
        new PointMm(x1 + nx, y1 + ny),
        new PointMm(x1 - nx, y1 - ny),
        new PointMm(x2 - nx, y2 - ny),
        new PointMm(x2 + nx, y2 + ny));
  }

  private static void add(
      List<Aperture.Area> areas, List<PointMm> corners, double turnDeg, boolean dark) {
    areas.add(new Aperture.Area(corners.stream().map(p -> p.turned(turnDeg)).toList(), dark));
  }

  private static void disc(
      List<Aperture.Area> areas, double x, double y, double radius, double turnDeg, boolean dark) {
    PointMm middle = new PointMm(x, y).turned(turnDeg);
    areas.add(Aperture.Area.disc(middle.xMm(), middle.yMm(), radius, dark));
  }

  private static void need(double[] numbers, int least, String text) {
    if (numbers.length < least) {
      throw new IllegalArgumentException("the primitive '" + shortened(text) + "' lacks numbers");
    }
  }

  private static String shortened(String text) {
    return text.length() > 40 ? text.substring(0, 40) + "…" : text;
  }

  /** Sums, differences, products ({@code x} or {@code X}) and quotients, with brackets. */
  private static final class Expression {
    private final String text;
    private final Map<Integer, Double> values;
    private int at;
    private int depth;

    Expression(String text, Map<Integer, Double> values) {
      this.text = text.replaceAll("\\s", "");
      this.values = values;
    }

    double value() {
      double value = sum();
      if (at < text.length()) {
        throw new IllegalArgumentException("'" + text.charAt(at) + "' cannot stand in a macro");
      }
      return value;
    }

    private double sum() {
      double value = product();
      while (at < text.length() && (text.charAt(at) == '+' || text.charAt(at) == '-')) {
        boolean plus = text.charAt(at++) == '+';
        double more = product();
        value = plus ? value + more : value - more;
      }
      return value;
    }

    private double product() {
      double value = factor();
      while (at < text.length() && "xX/".indexOf(text.charAt(at)) >= 0) {
        boolean times = text.charAt(at++) != '/';
        double more = factor();
        value = times ? value * more : value / more;
      }
      return value;
    }

    private double factor() {
      if (++depth > DEEPEST) {
        throw new IllegalArgumentException("brackets nest more than " + DEEPEST + " deep");
      }
      double value = innerFactor();
      depth--;
      return value;
    }

    private double innerFactor() {
      if (at >= text.length()) {
        throw new IllegalArgumentException("a number is missing in a macro");
      }
      char c = text.charAt(at);
      if (c == '-' || c == '+') {
        at++;
        double value = factor();
        return c == '-' ? -value : value;
      }
      if (c == '(') {
        at++;
        double value = sum();
        if (at >= text.length() || text.charAt(at++) != ')') {
          throw new IllegalArgumentException("a bracket is not closed in a macro");
        }
        return value;
      }
      boolean parameter = c == '$';
      int from = parameter ? ++at : at;
      while (at < text.length() && ".0123456789".indexOf(text.charAt(at)) >= 0) {
        at++;
      }
      if (from == at) {
        throw new IllegalArgumentException("'" + c + "' cannot stand in a macro");
      }
      String digits = text.substring(from, at);
      if (parameter) {
        return values.getOrDefault(parameter(digits), 0.0);
      }
      if (!digits.matches("[0-9]{1,40}(\\.[0-9]{0,40})?|\\.[0-9]{1,40}")) {
        throw new IllegalArgumentException("'" + shortened(digits) + "' is no number");
      }
      return Double.parseDouble(digits);
    }
  }
}
