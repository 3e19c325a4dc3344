package humble.core.circuit;

/**
 * A field-effect transistor, SPICE level 1 with W = L and no channel modulation, with its body
 * diode.
 */
final class SquareLaw implements Device {
  private final int gate;
  private final int drain;
  private final int source;
  private final double vthV;
  private final double k;
  private final double sign;
  private final Junction body;
  private double lastGs;

  SquareLaw(boolean nChannel, double vthV, double kAPerV2, int gate, int drain, int source) {
    this.gate = gate;
    this.drain = drain;
    this.source = source;
    this.vthV = Math.abs(vthV);
    this.k = kAPerV2;
    this.sign = nChannel ? 1 : -1;
    this.body =
        nChannel ? new Junction(source, drain, 1e-14, 1) : new Junction(drain, source, 1e-14, 1);
  }

  @Override
  public void begin(Nodal nodal) {
    int s = sign * nodal.volts(drain, source) < 0 ? drain : source;
    lastGs = sign * nodal.volts(gate, s);
    body.begin(nodal);
  }

  @Override
  public boolean stamp(Nodal nodal) {
    double ds = sign * nodal.volts(drain, source);
    boolean turned = ds < 0;
    int d = turned ? source : drain;
    int s = turned ? drain : source;
    double wanted = sign * nodal.volts(gate, s);
    double gs = Math.clamp(wanted, lastGs - 1, lastGs + 1);
    lastGs = gs;
    double over = gs - vthV;
    double v = Math.abs(ds);
    double amps = current(over, v);
    double gm = over <= 0 ? 0 : k * Math.min(v, over);
    double gds = over <= 0 || v >= over ? 0 : k * (over - v);
    nodal.add(d, s, sign * amps, gate, s, gm, sign * gs);
    nodal.add(d, s, 0, d, s, gds + Physics.GMIN_S, sign * v);
    return body.stamp(nodal) && Math.abs(gs - wanted) < 1e-6;
  }

  private double current(double over, double v) {
    if (over <= 0) {
      return 0;
    }
    return v >= over ? k / 2 * over * over : k * (over * v - v * v / 2);
  }

  @Override
  public void book(Nodal nodal) {
    nodal.book(drain, source, amps(nodal) + Physics.GMIN_S * nodal.volts(drain, source));
    body.book(nodal);
  }

  /** Gives the channel current from drain to source. */
  @Override
  public double amps(Nodal nodal) {
    double ds = sign * nodal.volts(drain, source);
    int s = ds < 0 ? drain : source;
    double amps = current(sign * nodal.volts(gate, s) - vthV, Math.abs(ds));
    return sign * Math.signum(ds) * amps;
  }

  @Override
  public void deck(SpiceDeck deck, Nodal at) {
    deck.mosfet(sign > 0, vthV, k, drain, gate, source);
  }
}
