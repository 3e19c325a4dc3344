package humble.core.circuit;

/**
 * A node held at {@code volts} above {@code minus} through {@code ohms}: a battery, or a net held
 * from outside.
 */
record HeldNode(int plus, int minus, double volts, double ohms) implements Device {
  @Override
  public boolean stamp(Nodal nodal) {
    nodal.conductance(plus, minus, 1 / ohms);
    nodal.source(minus, plus, volts / ohms);
    return true;
  }

  @Override
  public void book(Nodal nodal) {
    nodal.book(minus, plus, amps(nodal));
  }

  /** Gives the current out of plus. */
  @Override
  public double amps(Nodal nodal) {
    return (volts - nodal.volts(plus, minus)) / ohms;
  }

  @Override
  public void deck(SpiceDeck deck, Nodal at) {
    deck.source(plus, minus, volts, ohms);
  }
}
