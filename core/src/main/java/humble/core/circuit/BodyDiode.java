package humble.core.circuit;

/**
 * The diode that every chip and regulator has between its leads, behind half an ohm: what conducts
 * when they sit the wrong way round, or when their supply is gone and their output is held.
 *
 * <p>0.65 V at 10 mA, emission coefficient 1.8; the current behind the resistance follows from the
 * voltage alone and rises by no more than 2 A a volt, so that no step has to be limited.
 */
final class BodyDiode {
  private static final double SERIES_OHM = 0.5;
  private static final double SLOPE_V = 1.8 * Physics.THERMAL_V;
  private static final double SATURATION_A = Junction.saturation(0.65, 0.01, 1.8);
  private static final int MOST_STEPS = 60;
  private static final double EXACT_V = 1e-13;

  private final int anode;
  private final int cathode;

  BodyDiode(int anode, int cathode) {
    this.anode = anode;
    this.cathode = cathode;
  }

  int anode() {
    return anode;
  }

  int cathode() {
    return cathode;
  }

  /** Gives its conductance about 0 V, in siemens. */
  static double restingS() {
    return SATURATION_A / SLOPE_V + Physics.GMIN_S;
  }

  /**
   * Gives the volts across the junction alone. From the right of the solution Newton's steps on a
   * convex function never overshoot.
   */
  private static double junctionV(double v) {
    double u = v <= 0 ? v : Math.min(v, SLOPE_V * Math.log1p(v / (SERIES_OHM * SATURATION_A)));
    for (int step = 0; step < MOST_STEPS; step++) {
      double amps = SATURATION_A * Math.expm1(u / SLOPE_V);
      double slope = 1 + SERIES_OHM * (SATURATION_A + amps) / SLOPE_V;
      double next = u - (u + SERIES_OHM * amps - v) / slope;
      if (Math.abs(next - u) < EXACT_V) {
        return next;
      }
      u = next;
    }
    return u;
  }

  void stamp(Nodal nodal) {
    double v = nodal.volts(anode, cathode);
    double u = junctionV(v);
    double amps = SATURATION_A * Math.expm1(u / SLOPE_V);
    double junctionS = (SATURATION_A + amps) / SLOPE_V;
    double siemens = junctionS / (1 + SERIES_OHM * junctionS) + Physics.GMIN_S;
    nodal.add(anode, cathode, amps + Physics.GMIN_S * v, anode, cathode, siemens, v);
  }

  double amps(Nodal nodal) {
    double v = nodal.volts(anode, cathode);
    return SATURATION_A * Math.expm1(junctionV(v) / SLOPE_V) + Physics.GMIN_S * v;
  }

  void book(Nodal nodal) {
    nodal.book(anode, cathode, amps(nodal));
  }

  double watts(Nodal nodal) {
    return nodal.volts(anode, cathode) * amps(nodal);
  }

  void deck(SpiceDeck deck) {
    deck.diodeBehind(anode, cathode, SATURATION_A, SLOPE_V, SERIES_OHM);
  }
}
