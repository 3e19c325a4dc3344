package humble.core.craft;

import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;

/**
 * The joints of one part in the order they are soldered: first those that tack it, then a look
 * while it can still be pushed straight, then the rest.
 *
 * <p>A row is soldered from the far end back, pads that soak heat last, when the iron is hottest
 * and the part cannot move. A chip soldered directly is hopped round: each joint is the one that
 * feels least of the heat of the joints before it.
 *
 * @param ref the part
 * @param joints its joints, in order
 * @param tacks how many of them come before the look
 * @param hops whether the rest hops about to spread the heat
 */
public record JointOrder(String ref, List<PinRef> joints, int tacks, boolean hops) {
  private static final int MANY_PINS = 8;
  private static final double PITCH_MM = 2.54;

  /** Heat of a joint fades to a third after so many further joints. */
  private static final double FADES_AFTER = 3;

  public JointOrder {
    joints = List.copyOf(joints);
  }

  /** Computes the order; pins that get no solder are left out. O(n²) in the pins of the part. */
  public static JointOrder of(Parts parts, String ref) {
    Part part = parts.get(ref);
    Place place = part.placed().orElseGet(() -> Place.unknown(ref));
    Rails rails = Rails.of(parts);
    List<PinRef> left = new ArrayList<>();
    part.pack().pins().stream()
        .filter(pin -> !place.leaveEmpty().contains(pin.number()))
        .forEach(pin -> left.add(new PinRef(ref, pin.number())));
    List<PinRef> order = new ArrayList<>(tacks(part, left, rails));
    int tacks = order.size();
    left.removeAll(order);
    boolean hops = isChip(part) && part.pack().pins().size() >= MANY_PINS;
    if (hops) {
      hop(part, order, left);
    } else {
      left.reversed().stream().filter(pin -> !rails.soaksHeat(pin)).forEach(order::add);
      left.reversed().stream().filter(rails::soaksHeat).forEach(order::add);
    }
    return new JointOrder(ref, order, tacks, hops);
  }

  private static boolean isChip(Part part) {
    PartKind kind = part.line().kind();
    return kind == PartKind.IC || kind == PartKind.MODULE || kind == PartKind.SENSOR;
  }

  /** One joint, or two corners across from each other; rather one that does not soak heat. */
  private static List<PinRef> tacks(Part part, List<PinRef> pins, Rails rails) {
    int count = pins.size();
    if (count < 2) {
      return List.of();
    }
    if (part.pack().isDualInLine() && count >= 4 && count == part.pack().pins().size()) {
      List<PinRef> corners = List.of(pins.getFirst(), pins.get(count / 2));
      List<PinRef> others = List.of(pins.get(count / 2 - 1), pins.getLast());
      return corners.stream().anyMatch(rails::soaksHeat)
              && others.stream().noneMatch(rails::soaksHeat)
          ? others
          : corners;
    }
    if (count >= MANY_PINS / 2) {
      return List.of(pins.getFirst(), pins.getLast());
    }
    return List.of(
        rails.soaksHeat(pins.getFirst()) && !rails.soaksHeat(pins.getLast())
            ? pins.getLast()
            : pins.getFirst());
  }

  private static void hop(Part part, List<PinRef> order, List<PinRef> left) {
    while (!left.isEmpty()) {
      PinRef best = left.getFirst();
      double least = Double.POSITIVE_INFINITY;
      for (PinRef pin : left) {
        double heat = heatAt(part, pin, order);
        if (heat < least - 1e-12) {
          least = heat;
          best = pin;
        }
      }
      order.add(best);
      left.remove(best);
    }
  }

  /**
   * Gives the heat a joint still feels of those before it, in shares of a joint's own: it fades
   * with the joints made since, and with the square of the distance in pitches.
   */
  static double heatAt(Part part, PinRef pin, List<PinRef> before) {
    PointMm at = part.pack().pin(pin.pin()).orElseThrow().at();
    double heat = 0;
    for (int i = 0; i < before.size(); i++) {
      double pitches =
          at.distanceMm(part.pack().pin(before.get(i).pin()).orElseThrow().at()) / PITCH_MM;
      heat += Math.exp(-(before.size() - i - 1) / FADES_AFTER) / (1 + pitches * pitches);
    }
    return heat;
  }
}
