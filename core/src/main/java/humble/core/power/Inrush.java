package humble.core.power;

import humble.core.circuit.Snapshot;
import humble.core.craft.Rails;
import humble.core.kit.BoardState;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;

/** What the capacitors of the rails take when power comes. */
final class Inrush {
  private Inrush() {}

  /**
   * Gives the charge of every capacitor between two nets of a board that has settled, in coulombs.
   */
  static double coulombs(Parts parts, BoardState state, Snapshot board) {
    Rails rails = Rails.of(parts);
    double charge = 0;
    for (Part part : parts.all()) {
      PartKind kind = part.line().kind();
      boolean capacitor = kind == PartKind.CAPACITOR || kind == PartKind.CAPACITOR_POLARISED;
      if (!capacitor
          || !parts.isOn(part.ref(), state)
          || !(Quantity.parse(part.line().value()) instanceof QuantityText.Read farads)) {
        continue;
      }
      String a = parts.netOf(new PinRef(part.ref(), "1")).orElse("");
      String b = parts.netOf(new PinRef(part.ref(), "2")).orElse("");
      if (rails.nets().contains(a) || rails.nets().contains(b)) {
        double volts = board.openVolts(a).orElse(0) - board.openVolts(b).orElse(0);
        charge += farads.value() * Math.abs(volts);
      }
    }
    return charge;
  }

  /**
   * Gives how long a supply stays at its limit while they fill, in seconds: the charge over what
   * the limit leaves for it.
   */
  static double seconds(double coulombs, double limitMa, double boardMa) {
    double leftA = (limitMa - boardMa) / 1000;
    return leftA <= 0 ? Double.POSITIVE_INFINITY : coulombs / leftA;
  }
}
