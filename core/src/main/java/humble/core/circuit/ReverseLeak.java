package humble.core.circuit;

/** What a polarised capacitor lets through backwards: a milliampere for every volt above one. */
record ReverseLeak(int minus, int plus) implements Device {
  private static final double HOLDS_V = 1;
  private static final double OHMS = 1000;
  private static final double LEAK_S = 1e-12;

  private boolean leaks(Nodal nodal) {
    return nodal.volts(minus, plus) > HOLDS_V;
  }

  @Override
  public boolean stamp(Nodal nodal) {
    double v = nodal.volts(minus, plus);
    nodal.add(minus, plus, amps(nodal), minus, plus, leaks(nodal) ? 1 / OHMS : LEAK_S, v);
    return true;
  }

  @Override
  public void book(Nodal nodal) {
    nodal.book(minus, plus, amps(nodal));
  }

  /** Gives the backward current, which is never negative. */
  @Override
  public double amps(Nodal nodal) {
    return Math.max(0, nodal.volts(minus, plus) - HOLDS_V) / OHMS;
  }

  @Override
  public void deck(SpiceDeck deck, Nodal at) {
    if (leaks(at)) {
      deck.resistor(minus, plus, OHMS);
      deck.current(minus, plus, -HOLDS_V / OHMS);
    }
  }
}
