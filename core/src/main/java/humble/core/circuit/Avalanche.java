package humble.core.circuit;

/** The backward conduction of a zener: {@code at·exp((V_KA − vz)/V_T)}. */
final class Avalanche implements Device {
  private final int anode;
  private final int cathode;
  private final double vzV;
  private final double atA;
  private double lastOver;

  Avalanche(int anode, int cathode, double vzV, double atA) {
    this.anode = anode;
    this.cathode = cathode;
    this.vzV = vzV;
    this.atA = atA;
  }

  @Override
  public void begin(Nodal nodal) {
    lastOver = Math.max(nodal.volts(cathode, anode) - vzV, -1);
  }

  @Override
  public boolean stamp(Nodal nodal) {
    double wanted = nodal.volts(cathode, anode) - vzV;
    double over = wanted;
    if (over > lastOver + 2 * Physics.THERMAL_V && over > 0) {
      over =
          lastOver
              + Physics.THERMAL_V * Math.log1p(Math.max(0, (over - lastOver) / Physics.THERMAL_V));
    }
    lastOver = Math.max(over, -1);
    double amps = atA * Math.exp(over / Physics.THERMAL_V);
    nodal.add(cathode, anode, amps, cathode, anode, amps / Physics.THERMAL_V, over + vzV);
    return Math.abs(over - wanted) < 1e-6;
  }

  @Override
  public void book(Nodal nodal) {
    nodal.book(anode, cathode, amps(nodal));
  }

  /** Gives the forward current, which is never positive. */
  @Override
  public double amps(Nodal nodal) {
    return -atA * Math.exp((nodal.volts(cathode, anode) - vzV) / Physics.THERMAL_V);
  }

  @Override
  public void deck(SpiceDeck deck, Nodal at) {
    deck.avalanche(anode, cathode, vzV, atA);
  }
}
