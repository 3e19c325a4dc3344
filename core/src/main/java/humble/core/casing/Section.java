package humble.core.casing;

import humble.core.kit.Board;
import humble.core.kit.Choices;
import humble.core.kit.Enclosure;
import humble.core.kit.Enclosure.LayerKind;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A section through a stack, looked at from its lower edge: the front is up. Only what stands in
 * the plane is in it. Millimetres; sideways from the left of the stack as looked at from the front,
 * in depth from its front.
 *
 * @param planeMm where it is cut: height above the lower edge of the stack
 * @param leftMm where the stack begins sideways
 * @param rightMm where it ends
 * @param depthMm how thick everything is
 * @param shapes what is cut, from the front to the back
 */
public record Section(
    double planeMm, double leftMm, double rightMm, double depthMm, List<Shape> shapes) {
  /** What a plate stands over on each side of the boards. */
  private static final double RIM_MM = 3;

  private static final double POST_MM = 5;
  private static final double LEGS_MM = 0.8;
  private static final double LEG_MM = 0.6;

  public Section {
    shapes = List.copyOf(shapes);
  }

  /** What is cut. */
  public enum Role {
    PLATE,
    BOARD,
    CELL,
    FILM,
    /** What keeps layers apart; where it stands the kit does not say, so it is drawn at the rim. */
    KEEPER,
    PART,
    /** What a part that stands off its board stands on; where, is not said. */
    LEG,
    TAILS
  }

  /**
   * One thing that is cut.
   *
   * @param id layer or part
   * @param fromMm where it begins in depth
   * @param toMm where it ends
   * @param front whether it stands off the side of its board that looks to the front
   */
  public record Shape(
      Role role,
      String id,
      double leftMm,
      double rightMm,
      double fromMm,
      double toMm,
      boolean front) {}

  /** Where it is worth cutting a stack, and the part that it is cut for. */
  public record Plane(String ref, double atMm) {}

  private record OnBoard(Stack.Level level, boolean front, List<Body> bodies) {}

  private static List<OnBoard> onBoards(Parts parts, Stack stack, Set<String> out) {
    List<OnBoard> all = new ArrayList<>();
    for (Stack.Level level : stack.levels()) {
      Board board = parts.kit().board(level.id()).orElse(null);
      if (board != null && level.kind() == LayerKind.BOARD) {
        Side face = stack.face(board.id());
        all.add(new OnBoard(level, true, Body.of(parts, stack, board, face, out)));
        all.add(new OnBoard(level, false, Body.of(parts, stack, board, face.other(), out)));
      }
    }
    return all;
  }

  /**
   * Gives where it is worth cutting: first through what does not fit, then through what is highest
   * on every side of every board; never twice through one part.
   */
  public static List<Plane> planes(Parts parts, Map<String, String> choices, CaseFit fit) {
    Stack stack = Stack.of(parts.kit());
    List<OnBoard> all = onBoards(parts, stack, Choices.leftOut(parts.kit(), choices));
    List<String> refs = new ArrayList<>();
    fit.misfits().forEach(misfit -> refs.add(misfit.ref()));
    parts.kit().casing().stream()
        .flatMap(casing -> casing.cutouts().stream())
        .forEach(cutout -> refs.add(cutout.ref()));
    for (OnBoard side : all) {
      side.bodies().stream()
          .filter(body -> !body.tails())
          .max(Comparator.comparingDouble(Body::reachMm))
          .ifPresent(body -> refs.add(body.ref()));
    }
    List<Plane> planes = new ArrayList<>();
    for (String ref : refs.stream().distinct().toList()) {
      all.stream()
          .flatMap(side -> side.bodies().stream())
          .filter(body -> body.ref().equals(ref) && !body.tails())
          .findFirst()
          .ifPresent(body -> planes.add(new Plane(ref, (body.low() + body.top()) / 2)));
    }
    return planes;
  }

  /** Cuts a stack. */
  public static Section at(Parts parts, Map<String, String> choices, double planeMm) {
    Kit kit = parts.kit();
    Stack stack = Stack.of(kit);
    double left = Double.POSITIVE_INFINITY;
    double right = Double.NEGATIVE_INFINITY;
    List<Shape> shapes = new ArrayList<>();
    for (Stack.Level level : stack.levels()) {
      Board board = kit.board(level.id()).orElse(null);
      if (board != null) {
        PointMm corner = stack.inStack(board, new PointMm(0, 0));
        PointMm other = stack.inStack(board, new PointMm(board.widthMm(), board.heightMm()));
        left = Math.min(left, Math.min(corner.xMm(), other.xMm()));
        right = Math.max(right, Math.max(corner.xMm(), other.xMm()));
      }
    }
    if (left > right) {
      return new Section(planeMm, 0, 0, stack.heightMm(), List.of());
    }
    left -= RIM_MM;
    right += RIM_MM;
    for (Stack.Level level : stack.levels()) {
      Board board = kit.board(level.id()).orElse(null);
      switch (level.kind()) {
        case BOARD -> {
          if (board != null) {
            double a = stack.inStack(board, new PointMm(0, 0)).xMm();
            double b = stack.inStack(board, new PointMm(board.widthMm(), 0)).xMm();
            shapes.add(shape(Role.BOARD, level, Math.min(a, b), Math.max(a, b)));
          }
        }
        case PLATE -> plate(kit, stack, level, left, right, planeMm, shapes);
        case CELL -> shapes.add(shape(Role.CELL, level, left + RIM_MM, right - RIM_MM));
        case FILM -> shapes.add(shape(Role.FILM, level, left + RIM_MM, right - RIM_MM));
        case POST, SPACER, WASHER, NUT -> {
          shapes.add(shape(Role.KEEPER, level, left + RIM_MM, left + RIM_MM + POST_MM));
          shapes.add(shape(Role.KEEPER, level, right - RIM_MM - POST_MM, right - RIM_MM));
        }
      }
    }
    for (OnBoard side : onBoards(parts, stack, Choices.leftOut(kit, choices))) {
      for (Body body : side.bodies()) {
        if (body.isCutAt(planeMm)) {
          double board = side.front() ? side.level().fromMm() : side.level().toMm();
          double sign = side.front() ? -1 : 1;
          double tip = board + sign * body.reachMm();
          double under = board + sign * body.underMm();
          shapes.add(
              new Shape(
                  body.tails() ? Role.TAILS : Role.PART,
                  body.ref(),
                  body.left(),
                  body.right(),
                  Math.min(tip, under),
                  Math.max(tip, under),
                  side.front()));
          if (body.underMm() > LEGS_MM) {
            for (double at : new double[] {body.left() + 1, body.right() - 1 - LEG_MM}) {
              shapes.add(
                  new Shape(
                      Role.LEG,
                      body.ref(),
                      at,
                      at + LEG_MM,
                      Math.min(board, under),
                      Math.max(board, under),
                      side.front()));
            }
          }
        }
      }
    }
    return new Section(planeMm, left, right, stack.heightMm(), shapes);
  }

  private static Shape shape(Role role, Stack.Level level, double left, double right) {
    return new Shape(role, level.id(), left, right, level.fromMm(), level.toMm(), false);
  }

  /** A plate is cut into what its holes leave. */
  private static void plate(
      Kit kit,
      Stack stack,
      Stack.Level level,
      double left,
      double right,
      double planeMm,
      List<Shape> shapes) {
    List<double[]> holes = new ArrayList<>();
    for (Enclosure.Cutout cutout : kit.casing().map(Enclosure::cutouts).orElse(List.of())) {
      Board board = kit.placeOf(cutout.ref()).map(Place::board).flatMap(kit::board).orElse(null);
      if (board != null && cutout.in().equals(level.id())) {
        PointMm at = stack.inStack(board, cutout.at());
        if (Math.abs(planeMm - at.yMm()) <= cutout.heightMm() / 2) {
          holes.add(
              new double[] {at.xMm() - cutout.widthMm() / 2, at.xMm() + cutout.widthMm() / 2});
        }
      }
    }
    holes.sort(Comparator.comparingDouble(hole -> hole[0]));
    double from = left;
    for (double[] hole : holes) {
      if (hole[0] > from) {
        shapes.add(shape(Role.PLATE, level, from, Math.min(right, hole[0])));
      }
      from = Math.max(from, hole[1]);
    }
    if (from < right) {
      shapes.add(shape(Role.PLATE, level, from, right));
    }
  }

  /** Gives what of the section is a part or a layer. */
  public List<Shape> of(String id) {
    return shapes.stream().filter(shape -> shape.id().equals(id)).toList();
  }
}
