package humble.core.circuit;

/**
 * A chip's own draw: {@code fullA} from {@code minV} up, falling in a straight line to nothing at
 * 0.8·minV.
 */
record ChipLoad(int plus, int minus, double fullA, double minV) implements Device {
  private static final double LEAK_S = 1e-12;

  @Override
  public boolean stamp(Nodal nodal) {
    double v = nodal.volts(plus, minus);
    boolean ramp = v > 0.8 * minV && v < minV;
    double slope = ramp && minV > 0 ? fullA / (0.2 * minV) : LEAK_S;
    nodal.add(plus, minus, amps(nodal), plus, minus, slope, v);
    return true;
  }

  @Override
  public void book(Nodal nodal) {
    nodal.book(plus, minus, amps(nodal));
  }

  @Override
  public double amps(Nodal nodal) {
    double v = nodal.volts(plus, minus);
    if (minV <= 0) {
      return fullA;
    }
    return fullA * Math.clamp((v - 0.8 * minV) / (0.2 * minV), 0, 1);
  }

  @Override
  public void deck(SpiceDeck deck, Nodal at) {
    double v = at.volts(plus, minus);
    if (v > 0.8 * minV && v < minV) {
      deck.resistor(plus, minus, 0.2 * minV / fullA);
      deck.current(plus, minus, -4 * fullA);
    } else {
      deck.current(plus, minus, amps(at));
    }
  }
}
