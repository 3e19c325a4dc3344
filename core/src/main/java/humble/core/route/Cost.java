package humble.core.route;

/**
 * The measures of an order.
 *
 * @param turns consecutive fits that change side
 * @param toolChanges consecutive fits that change the lead class
 * @param changes consecutive fits that change the part kind
 * @param inversions pairs of fits on one side, the earlier taller by more than half a millimetre
 * @param exposure joints soldered after each fragile group
 */
public record Cost(int turns, int toolChanges, int changes, int inversions, int exposure) {
  static final Cost NONE = new Cost(0, 0, 0, 0, 0);

  /** Gives the measures in the order in which {@code school} weighs them. */
  public int[] score(School school) {
    return switch (school) {
      case LOW -> new int[] {inversions, turns, toolChanges, exposure, changes};
      case STURDY -> new int[] {exposure, inversions, turns, toolChanges, changes};
    };
  }
}
