package humble.core.circuit;

/**
 * A chip's own draw: all of it from {@code minV} up, falling in a straight line to nothing at
 * 0.8·minV. Backwards the diode between its supply pins conducts.
 */
final class ChipLoad implements Device {
  private static final double LEAK_S = 1e-12;

  /** A draw that begins at nothing is taken to begin here: it would feed what is below. */
  private static final double LEAST_V = 0.1;

  private final int plus;
  private final int minus;
  private final double fullA;
  private final double minV;
  private final BodyDiode body;

  ChipLoad(int plus, int minus, double fullA, double minV) {
    this.plus = plus;
    this.minus = minus;
    this.fullA = fullA;
    this.minV = Math.max(LEAST_V, minV);
    this.body = new BodyDiode(minus, plus);
  }

  int plus() {
    return plus;
  }

  int minus() {
    return minus;
  }

  private boolean ramp(double v) {
    return v > 0.8 * minV && v < minV;
  }

  @Override
  public boolean stamp(Nodal nodal) {
    double v = nodal.volts(plus, minus);
    double slope = ramp(v) ? fullA / (0.2 * minV) : LEAK_S;
    nodal.add(plus, minus, amps(nodal), plus, minus, slope, v);
    body.stamp(nodal);
    return true;
  }

  @Override
  public void book(Nodal nodal) {
    nodal.book(plus, minus, amps(nodal));
    body.book(nodal);
  }

  /** Gives what it draws for itself, the diode left out. */
  @Override
  public double amps(Nodal nodal) {
    double v = nodal.volts(plus, minus);
    return fullA * Math.clamp((v - 0.8 * minV) / (0.2 * minV), 0, 1);
  }

  @Override
  public void deck(SpiceDeck deck, Nodal at) {
    double v = at.volts(plus, minus);
    if (ramp(v) && fullA > 0) {
      deck.resistor(plus, minus, 0.2 * minV / fullA);
      deck.current(plus, minus, -4 * fullA);
    } else {
      deck.current(plus, minus, amps(at));
    }
    body.deck(deck);
  }
}
