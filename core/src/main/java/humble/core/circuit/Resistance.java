package humble.core.circuit;

/** A linear resistance, in ohms. */
record Resistance(int a, int b, double ohms) implements Device {
  @Override
  public boolean stamp(Nodal nodal) {
    nodal.conductance(a, b, 1 / ohms);
    return true;
  }

  @Override
  public void book(Nodal nodal) {
    nodal.book(a, b, amps(nodal));
  }

  @Override
  public double amps(Nodal nodal) {
    return nodal.volts(a, b) / ohms;
  }

  @Override
  public void deck(SpiceDeck deck, Nodal at) {
    deck.resistor(a, b, ohms);
  }
}
