package humble.core.circuit;

/** A Shockley junction from {@code anode} to {@code cathode}, with the shared Gmin across it. */
final class Junction implements Device {
  private final int anode;
  private final int cathode;
  private final double saturationA;
  private final double slopeV;
  private final double criticalV;
  private double lastV;

  Junction(int anode, int cathode, double saturationA, double n) {
    this.anode = anode;
    this.cathode = cathode;
    this.saturationA = saturationA;
    this.slopeV = n * Physics.THERMAL_V;
    this.criticalV = Limiting.criticalV(saturationA, slopeV);
    this.lastV = criticalV;
  }

  int anode() {
    return anode;
  }

  int cathode() {
    return cathode;
  }

  /** Gives its conductance about 0 V, in siemens. */
  double restingS() {
    return saturationA / slopeV + Physics.GMIN_S;
  }

  /** Gives its conductance at an operating point, in siemens, the shared Gmin left out. */
  double slopeS(Nodal at) {
    return saturationA * Math.exp(at.volts(anode, cathode) / slopeV) / slopeV;
  }

  /** Gives the junction that carries {@code atA} at {@code vfV}. */
  static Junction through(int anode, int cathode, double vfV, double atA, double n) {
    return new Junction(anode, cathode, saturation(vfV, atA, n), n);
  }

  static double saturation(double vfV, double atA, double n) {
    return atA / Math.expm1(vfV / (n * Physics.THERMAL_V));
  }

  @Override
  public void begin(Nodal nodal) {
    lastV = nodal.volts(anode, cathode);
  }

  @Override
  public boolean stamp(Nodal nodal) {
    double wanted = nodal.volts(anode, cathode);
    double v = Limiting.limited(wanted, lastV, slopeV, criticalV);
    lastV = v;
    double g = saturationA * Math.exp(v / slopeV) / slopeV + Physics.GMIN_S;
    nodal.add(anode, cathode, current(v), anode, cathode, g, v);
    return Math.abs(v - wanted) < 1e-6;
  }

  private double current(double v) {
    return saturationA * Math.expm1(v / slopeV) + Physics.GMIN_S * v;
  }

  @Override
  public void book(Nodal nodal) {
    nodal.book(anode, cathode, amps(nodal));
  }

  @Override
  public double amps(Nodal nodal) {
    return current(nodal.volts(anode, cathode));
  }

  @Override
  public void deck(SpiceDeck deck, Nodal at) {
    deck.diode(anode, cathode, saturationA, slopeV);
  }
}
