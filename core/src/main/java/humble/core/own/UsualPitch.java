package humble.core.own;

/** The distances that leads and rows of pins have: 2.54 mm and its parts, and the metric ones. */
final class UsualPitch {
  /** Between the pins of a row, in millimetres. */
  private static final double[] ROWS = {
    0.5, 0.65, 0.8, 1.0, 1.25, 1.27, 1.5, 2.0, 2.5, 2.54, 3.5, 3.81, 3.96, 5.0, 5.08, 7.5, 7.62,
    10.0, 10.16
  };

  /** Between the two rows of a dual in-line part, in millimetres. */
  static final double[] ACROSS = {7.62, 15.24, 10.16, 5.08, 22.86};

  /** Between two leads, in millimetres; leads are formed by the twentieth of an inch. */
  private static final double LEADS = 1.27;

  private static final double[] METRIC_LEADS = {
    2.0, 2.5, 3.5, 5.0, 6.0, 6.5, 7.5, 10.0, 15.0, 20.0
  };

  /** What a click is off by, at most, beside a hole that it means. */
  private static final double CLICK_MM = 0.25;

  private UsualPitch() {}

  /** Gives the usual distance of two leads, or the one given where none is near. */
  static double ofLeads(double mm) {
    double imperial = Math.round(mm / LEADS) * LEADS;
    double best = imperial;
    for (double each : METRIC_LEADS) {
      if (Math.abs(each - mm) < Math.abs(best - mm)) {
        best = each;
      }
    }
    return Math.abs(best - mm) <= CLICK_MM && best > 0 ? rounded(best) : rounded(mm);
  }

  /**
   * Gives the usual pitch of a row, or the one given where none is near.
   *
   * @param mm pitch as clicked
   * @param gaps number of gaps that the clicks spanned: the more, the surer
   */
  static double ofRow(double mm, int gaps) {
    double best = mm;
    double nearest = 2 * CLICK_MM / gaps;
    for (double each : ROWS) {
      if (Math.abs(each - mm) < nearest) {
        nearest = Math.abs(each - mm);
        best = each;
      }
    }
    return rounded(best);
  }

  private static double rounded(double mm) {
    return Math.round(mm * 100) / 100.0;
  }
}
