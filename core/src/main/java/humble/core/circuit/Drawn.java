package humble.core.circuit;

/** Something whose value differs from board to board by one σ. */
sealed interface Drawn {
  /** Gives the node that one σ more pushes a current into. */
  int into();

  /** Gives the node that the current is taken out of. */
  int outOf();

  /** Gives that current, in amperes, at an operating point. */
  double amps(Nodal at);

  /** A resistance. */
  record OfResistance(Resistance device, double sigma) implements Drawn {
    @Override
    public int into() {
      return device.a();
    }

    @Override
    public int outOf() {
      return device.b();
    }

    @Override
    public double amps(Nodal at) {
      return device.amps(at) * sigma;
    }
  }

  /** A junction's forward voltage; {@code sigmaV} in volts. */
  record OfJunction(Junction device, double sigmaV) implements Drawn {
    @Override
    public int into() {
      return device.anode();
    }

    @Override
    public int outOf() {
      return device.cathode();
    }

    @Override
    public double amps(Nodal at) {
      return device.slopeS(at) * sigmaV;
    }
  }

  /** What a chip draws. */
  record OfChip(ChipLoad device, double sigma) implements Drawn {
    @Override
    public int into() {
      return device.plus();
    }

    @Override
    public int outOf() {
      return device.minus();
    }

    @Override
    public double amps(Nodal at) {
      return -device.amps(at) * sigma;
    }
  }

  /** What feeds the board stands anywhere in its range; {@code sigmaV} in volts. */
  record OfSupply(BenchSupply device, double sigmaV) implements Drawn {
    @Override
    public int into() {
      return device.plus();
    }

    @Override
    public int outOf() {
      return device.minus();
    }

    @Override
    public double amps(Nodal at) {
      return device.slope(at) * sigmaV;
    }
  }

  /** A battery is fresh or worn; {@code sigmaV} in volts. */
  record OfBattery(HeldNode device, double sigmaV) implements Drawn {
    @Override
    public int into() {
      return device.plus();
    }

    @Override
    public int outOf() {
      return device.minus();
    }

    @Override
    public double amps(Nodal at) {
      return sigmaV / device.ohms();
    }
  }

  /** A regulator's output. */
  record OfRegulator(SeriesRegulator device, double sigma) implements Drawn {
    @Override
    public int into() {
      return device.out();
    }

    @Override
    public int outOf() {
      return device.in();
    }

    @Override
    public double amps(Nodal at) {
      return device.ampsOfShare(at, sigma);
    }
  }
}
