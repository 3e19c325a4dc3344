package humble.core.route;

import humble.core.kit.LeadClass;
import humble.core.kit.Mount;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Where a body stands so near a joint, on the side that is soldered, that iron and fingers do not
 * come to it any more.
 */
final class IronRoom {
  /** A tip held at 45° needs as much beside a joint as the wall beside it is high, up to this. */
  private static final double TIP_MM = 5;

  /** A body of this height is reached over. */
  private static final double LOW_MM = 2;

  /** Bodies reach about as far beyond their pins. */
  private static final double OVER_PINS_MM = 1.2;

  private IronRoom() {}

  /**
   * A joint that a body would wall in.
   *
   * @param joint node that the joint belongs to
   * @param body node that the body belongs to
   * @param pin the joint
   * @param by part whose body it is
   */
  record Wall(Node joint, Node body, PinRef pin, String by) {}

  /** The room that a body takes on its side: a box in board coordinates. */
  private record Box(
      Node node, String ref, String board, Side side, PointMm low, PointMm high, double heightMm) {
    double awayMm(PointMm at) {
      double dx = Math.max(0, Math.max(low.xMm() - at.xMm(), at.xMm() - high.xMm()));
      double dy = Math.max(0, Math.max(low.yMm() - at.yMm(), at.yMm() - high.yMm()));
      return Math.hypot(dx, dy);
    }
  }

  /** Finds them, one for each pair of nodes; O(joints × bodies on soldered sides). */
  static List<Wall> walls(Parts parts, List<Node> nodes) {
    List<Box> boxes = new ArrayList<>();
    for (Node node : nodes) {
      for (String ref : node.isFit() ? node.refs() : List.<String>of()) {
        box(parts, node, parts.get(ref)).ifPresent(boxes::add);
      }
    }
    List<Wall> walls = new ArrayList<>();
    for (Node node : nodes) {
      List<Node> walled = new ArrayList<>();
      for (String ref : node.isFit() ? node.refs() : List.<String>of()) {
        wallsOf(parts.get(ref), node, boxes, walled, walls);
      }
    }
    // Where each stands in the way of the other, one of them has to be reached round anyway.
    return walls.stream()
        .filter(wall ->
            walls.stream()
                .noneMatch(other -> other.joint() == wall.body() && other.body() == wall.joint()))
        .toList();
  }

  private static void wallsOf(
      Part part, Node node, List<Box> boxes, List<Node> walled, List<Wall> walls) {
    Place place = part.place();
    if (place == null) {
      return;
    }
    Side soldered = solderedSide(part, place);
    for (Box box : boxes) {
      if (box.node() == node
          || walled.contains(box.node())
          || box.side() != soldered
          || !box.board().equals(place.board())) {
        continue;
      }
      part.pack().pins().stream()
          .filter(pin -> !place.leaveEmpty().contains(pin.number()))
          .filter(pin -> box.awayMm(place.onBoard(pin.at())) < Math.min(TIP_MM, box.heightMm()))
          .findFirst()
          .ifPresent(pin -> {
            walled.add(box.node());
            walls.add(new Wall(node, box.node(), new PinRef(part.ref(), pin.number()), box.ref()));
          });
    }
  }

  /** Leads through holes are soldered on the other side, contacts on their own. */
  private static Side solderedSide(Part part, Place place) {
    boolean through = part.pack().lead() != LeadClass.SMD;
    boolean top = (place.side() == Side.TOP) != through;
    return top ? Side.TOP : Side.BOTTOM;
  }

  private static Optional<Box> box(Parts parts, Node node, Part part) {
    Place place = part.place();
    double height = parts.fittedHeightMm(part.ref());
    if (place == null || height <= LOW_MM || place.mount() == Mount.SOCKETED) {
      return Optional.empty();
    }
    List<PointMm> pads = part.pack().pins().stream().map(pin -> place.onBoard(pin.at())).toList();
    double left = pads.stream().mapToDouble(PointMm::xMm).min().orElse(0) - OVER_PINS_MM;
    double right = pads.stream().mapToDouble(PointMm::xMm).max().orElse(0) + OVER_PINS_MM;
    double low = pads.stream().mapToDouble(PointMm::yMm).min().orElse(0) - OVER_PINS_MM;
    double high = pads.stream().mapToDouble(PointMm::yMm).max().orElse(0) + OVER_PINS_MM;
    return Optional.of(
        new Box(
            node,
            part.ref(),
            place.board(),
            place.side(),
            new PointMm(left, low),
            new PointMm(right, high),
            height));
  }
}
