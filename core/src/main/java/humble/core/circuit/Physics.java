package humble.core.circuit;

/** Constants that every device shares. */
final class Physics {
  /** Thermal voltage k·T/q at 300.15 K, in volts. */
  static final double THERMAL_V = 1.380649e-23 * 300.15 / 1.602176634e-19;

  /** Resistance of a closed contact or a bridge, in ohms. */
  static final double CLOSED_OHM = 1e-3;

  /** Conductance across every junction, in siemens. */
  static final double GMIN_S = 1e-12;

  private Physics() {}
}
