package humble.core.route;

/**
 * The measures of an order.
 *
 * @param turns consecutive fits that change side
 * @param toolChanges consecutive fits that change the lead class
 * @param changes consecutive fits that change the part kind
 * @param inversions pairs of fits on one side, the earlier taller by more than half a millimetre
 * @param exposure joints soldered after each fragile group
 * @param blockBreaks pairs of fits of which the earlier belongs to a later block
 * @param moves steps of the kit's own sheet that had to be moved
 */
public record Cost(
    int turns,
    int toolChanges,
    int changes,
    int inversions,
    int exposure,
    int blockBreaks,
    int moves) {
  static final Cost NONE = new Cost(0, 0, 0, 0, 0, 0, 0);

  /** Gives the sum of both, measure by measure. */
  Cost plus(Cost more) {
    return new Cost(
        turns + more.turns,
        toolChanges + more.toolChanges,
        changes + more.changes,
        inversions + more.inversions,
        exposure + more.exposure,
        blockBreaks + more.blockBreaks,
        moves + more.moves);
  }

  /** Gives the measures in the order in which {@code school} weighs them. */
  public int[] score(School school) {
    return switch (school) {
      case LOW -> new int[] {inversions, turns, toolChanges, exposure, changes};
      case STURDY -> new int[] {exposure, inversions, turns, toolChanges, changes};
      case SHEET -> new int[] {moves, inversions, turns, toolChanges, exposure, changes};
      case BLOCKS -> new int[] {blockBreaks, inversions, turns, toolChanges, exposure, changes};
    };
  }
}
