package humble.core.circuit;

/** How an analysis ended. */
public sealed interface DcOutcome {
  /**
   * An operating point was found.
   *
   * @param result the operating point
   * @param method which step of the ladder found it: {@code newton}, {@code gmin} or {@code short}
   * @param steps Newton steps in all
   * @param worstNodeA largest sum of currents left at any node, in amperes, from the exact device
   *     equations
   */
  record Solved(DcResult result, String method, int steps, double worstNodeA)
      implements DcOutcome {}

  /**
   * No operating point was found; there is no number to show.
   *
   * @param why one plain sentence
   * @param steps Newton steps spent
   */
  record Unsolved(String why, int steps) implements DcOutcome {}
}
