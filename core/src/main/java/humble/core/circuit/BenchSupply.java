package humble.core.circuit;

/**
 * A bench supply between {@code plus} and {@code minus} with a current limit, behind one milliohm.
 */
final class BenchSupply implements Device {
  private final int plus;
  private final int minus;
  private final double volts;
  private final LimitedSource source;

  BenchSupply(int plus, int minus, double volts, double limitA) {
    this.plus = plus;
    this.minus = minus;
    this.volts = volts;
    this.source = new LimitedSource(Physics.CLOSED_OHM, limitA);
  }

  @Override
  public void begin(Nodal nodal) {
    source.begin(volts - nodal.volts(plus, minus));
  }

  @Override
  public boolean stamp(Nodal nodal) {
    double v = nodal.volts(plus, minus);
    boolean settled = source.settle(volts - v);
    nodal.add(plus, minus, -source.pieceAmps(volts - v), plus, minus, source.slope(), v);
    return settled;
  }

  @Override
  public void book(Nodal nodal) {
    nodal.book(minus, plus, amps(nodal));
  }

  /** Gives the current out of plus. */
  @Override
  public double amps(Nodal nodal) {
    return source.amps(volts - nodal.volts(plus, minus));
  }

  int plus() {
    return plus;
  }

  int minus() {
    return minus;
  }

  /** Gives how much less it gives per volt more across it, in siemens. */
  double slope(Nodal nodal) {
    return source.pieceAt(volts - nodal.volts(plus, minus)) == LimitedSource.Piece.LINEAR
        ? 1 / Physics.CLOSED_OHM
        : 0;
  }

  double volts(Nodal nodal) {
    return nodal.volts(plus, minus);
  }

  boolean limited(Nodal nodal) {
    return source.pieceAt(volts - nodal.volts(plus, minus)) == LimitedSource.Piece.LIMITED;
  }

  @Override
  public void deck(SpiceDeck deck, Nodal at) {
    switch (source.pieceAt(volts - at.volts(plus, minus))) {
      case LINEAR -> deck.source(plus, minus, volts, Physics.CLOSED_OHM);
      case LIMITED -> deck.current(minus, plus, amps(at));
      case BLOCKED -> {}
    }
  }
}
