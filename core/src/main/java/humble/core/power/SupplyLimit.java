package humble.core.power;

import humble.core.circuit.Snapshot;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Supply;

/**
 * The current limit to set: one and a half times the upper end of what is expected, at least 20 mA,
 * never above what the supply gives nor what a part survives that carries the whole current.
 */
final class SupplyLimit {
  /** No limit is set lower than this, in amperes. */
  static final double LEAST_A = 0.02;

  private static final double LEAST_MA = 1000 * LEAST_A;
  private static final double FACTOR = 1.5;

  /** A part that carries this share of the supply's current carries all of it. */
  private static final double WHOLE = 0.99;

  private SupplyLimit() {}

  static double ma(Parts parts, Supply supply, Snapshot board, double highMa) {
    double limit = Math.min(Math.max(FACTOR * highMa, LEAST_MA), supply.limitMa());
    for (Part part : parts.all()) {
      Double most = part.line().maxMa();
      boolean carriesAll =
          feeds(supply, part.ref())
              || board.supplyA() > 0 && board.mostAmps(part.ref()) >= WHOLE * board.supplyA();
      if (most != null && carriesAll) {
        limit = Math.min(limit, most);
      }
    }
    return limit;
  }

  /** Tells whether a supply is plugged into a part. */
  static boolean feeds(Supply supply, String ref) {
    return PinRef.parse(supply.plus()).filter(pin -> pin.ref().equals(ref)).isPresent()
        || PinRef.parse(supply.minus()).filter(pin -> pin.ref().equals(ref)).isPresent();
  }
}
