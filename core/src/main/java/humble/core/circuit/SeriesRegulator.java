package humble.core.circuit;

import humble.core.kit.Model;
import java.util.List;

/**
 * A three-terminal regulator with dropout, current limit and quiescent current, behind ten
 * milliohms. It passes current from its input to its output only; the other way, and from its
 * ground to both, the diodes of its chip conduct.
 */
final class SeriesRegulator implements Device {
  private static final double OUTPUT_OHM = 0.01;

  /** Its own current rises in a straight line up to this. */
  private static final double WAKES_V = 1;

  private final int in;
  private final int gnd;
  private final int out;
  private final Model.Regulator model;
  private final LimitedSource source;
  private final List<BodyDiode> body;

  SeriesRegulator(int in, int gnd, int out, Model.Regulator model) {
    this.in = in;
    this.gnd = gnd;
    this.out = out;
    this.model = model;
    this.source = new LimitedSource(OUTPUT_OHM, model.limitMa() / 1000);
    this.body = List.of(new BodyDiode(out, in), new BodyDiode(gnd, in), new BodyDiode(gnd, out));
  }

  private double target(double vin) {
    return Math.min(model.voutV(), vin - model.dropoutV());
  }

  private double quiescentA(double vin) {
    return model.iqMa() / 1000 * Math.clamp(vin / WAKES_V, 0, 1);
  }

  @Override
  public void begin(Nodal nodal) {
    source.begin(target(nodal.volts(in, gnd)) - nodal.volts(out, gnd));
  }

  @Override
  public boolean stamp(Nodal nodal) {
    double vin = nodal.volts(in, gnd);
    double vout = nodal.volts(out, gnd);
    boolean following = vin - model.dropoutV() < model.voutV();
    double over = target(vin) - vout;
    boolean settled = source.settle(over);
    double amps = source.pieceAmps(over);
    nodal.add(in, out, amps, out, gnd, -source.slope(), vout);
    if (following) {
      nodal.add(in, out, 0, in, gnd, source.slope(), vin);
    }
    boolean ramp = vin > 0 && vin < WAKES_V;
    double siemens = ramp ? model.iqMa() / 1000 / WAKES_V : Physics.GMIN_S;
    nodal.add(in, gnd, quiescentA(vin), in, gnd, siemens, vin);
    body.forEach(diode -> diode.stamp(nodal));
    return settled;
  }

  @Override
  public void book(Nodal nodal) {
    nodal.book(in, out, amps(nodal));
    nodal.book(in, gnd, quiescentA(nodal.volts(in, gnd)));
    body.forEach(diode -> diode.book(nodal));
  }

  /** Gives the current out of the output. */
  @Override
  public double amps(Nodal nodal) {
    return source.amps(target(nodal.volts(in, gnd)) - nodal.volts(out, gnd));
  }

  int in() {
    return in;
  }

  int out() {
    return out;
  }

  /** Gives how much more it gives when its output is meant higher by a share, all else held. */
  double ampsOfShare(Nodal at, double share) {
    return inDropout(at) ? 0 : source.slope() * model.voutV() * share;
  }

  double watts(Nodal nodal) {
    double vin = nodal.volts(in, gnd);
    return (vin - nodal.volts(out, gnd)) * amps(nodal)
        + vin * quiescentA(vin)
        + body.stream().mapToDouble(diode -> diode.watts(nodal)).sum();
  }

  boolean inDropout(Nodal nodal) {
    return nodal.volts(in, gnd) - model.dropoutV() < model.voutV();
  }

  double thetaJaCPerW() {
    return model.thetaJaCPerW();
  }

  @Override
  public void deck(SpiceDeck deck, Nodal at) {
    double vin = at.volts(in, gnd);
    double target = target(vin);
    switch (source.pieceAt(target - at.volts(out, gnd))) {
      case LIMITED -> deck.current(in, out, amps(at));
      case BLOCKED -> {}
      case LINEAR -> {
        double siemens = 1 / OUTPUT_OHM;
        if (target < model.voutV()) {
          deck.resistor(in, out, OUTPUT_OHM);
          deck.current(in, out, -siemens * model.dropoutV());
        } else {
          deck.controlled(in, out, gnd, out, siemens);
          deck.current(in, out, siemens * target);
        }
      }
    }
    double iq = model.iqMa() / 1000;
    if (vin > 0 && vin < WAKES_V && iq > 0) {
      deck.resistor(in, gnd, WAKES_V / iq);
    } else {
      deck.current(in, gnd, quiescentA(vin));
    }
    body.forEach(diode -> diode.deck(deck));
  }
}
