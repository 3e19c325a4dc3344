package humble.core.circuit;

/**
 * A bipolar transistor: Ebers and Moll, transport form, I_S 10 fA, reverse gain 1, no Early effect.
 */
final class Bipolar implements Device {
  private static final double SATURATION_A = 1e-14;
  private static final double CRITICAL_V = Limiting.criticalV(SATURATION_A, Physics.THERMAL_V);

  private final int base;
  private final int collector;
  private final int emitter;
  private final double beta;
  private final double sign;
  private double lastBe;
  private double lastBc;

  Bipolar(boolean npn, double beta, int base, int collector, int emitter) {
    this.base = base;
    this.collector = collector;
    this.emitter = emitter;
    this.beta = beta;
    this.sign = npn ? 1 : -1;
    this.lastBe = CRITICAL_V;
  }

  @Override
  public void begin(Nodal nodal) {
    lastBe = sign * nodal.volts(base, emitter);
    lastBc = sign * nodal.volts(base, collector);
  }

  @Override
  public boolean stamp(Nodal nodal) {
    double wantedBe = sign * nodal.volts(base, emitter);
    double wantedBc = sign * nodal.volts(base, collector);
    double be = Limiting.limited(wantedBe, lastBe, Physics.THERMAL_V, CRITICAL_V);
    double bc = Limiting.limited(wantedBc, lastBc, Physics.THERMAL_V, CRITICAL_V);
    lastBe = be;
    lastBc = bc;
    double gBe = slope(be);
    double gBc = slope(bc);
    nodal.add(
        base,
        emitter,
        sign * forward(be) / beta,
        base,
        emitter,
        gBe / beta + Physics.GMIN_S,
        sign * be);
    nodal.add(
        base, collector, sign * forward(bc), base, collector, gBc + Physics.GMIN_S, sign * bc);
    nodal.add(collector, emitter, sign * forward(be), base, emitter, gBe, sign * be);
    nodal.add(collector, emitter, -sign * forward(bc), base, collector, -gBc, sign * bc);
    return Math.abs(be - wantedBe) + Math.abs(bc - wantedBc) < 1e-6;
  }

  @Override
  public void book(Nodal nodal) {
    double be = sign * nodal.volts(base, emitter);
    double bc = sign * nodal.volts(base, collector);
    nodal.book(base, emitter, sign * (forward(be) / beta + Physics.GMIN_S * be));
    nodal.book(base, collector, sign * (forward(bc) + Physics.GMIN_S * bc));
    nodal.book(collector, emitter, sign * (forward(be) - forward(bc)));
  }

  /** Gives the collector current, positive into an npn's collector. */
  @Override
  public double amps(Nodal nodal) {
    double be = sign * nodal.volts(base, emitter);
    double bc = sign * nodal.volts(base, collector);
    return sign * (forward(be) - 2 * forward(bc));
  }

  private static double forward(double v) {
    return SATURATION_A * Math.expm1(v / Physics.THERMAL_V);
  }

  private static double slope(double v) {
    return SATURATION_A * Math.exp(v / Physics.THERMAL_V) / Physics.THERMAL_V;
  }

  @Override
  public void deck(SpiceDeck deck, Nodal at) {
    deck.bipolar(sign > 0, beta, collector, base, emitter);
  }
}
