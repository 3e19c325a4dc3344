package humble.core.circuit;

/**
 * One element of a circuit during a solve; it remembers what limiting needs between two Newton
 * steps.
 */
sealed interface Device
    permits Avalanche,
        BenchSupply,
        Bipolar,
        ChipLoad,
        HeldNode,
        Junction,
        Resistance,
        ReverseLeak,
        SeriesRegulator,
        SquareLaw {
  /**
   * Adds the device to the equations, linearised about their voltages. Gives false while it still
   * limits its step.
   */
  boolean stamp(Nodal nodal);

  /** Takes the voltages of {@code nodal} as those the last step ended with. */
  default void begin(Nodal nodal) {}

  /**
   * Books the device's exact currents at the voltages of {@code nodal}, independent of any
   * linearisation.
   */
  void book(Nodal nodal);

  /**
   * Gives the current the device is reported with, in amperes, at the voltages of {@code nodal}.
   */
  double amps(Nodal nodal);

  /** Writes the device into a SPICE deck, as the piece in force at the voltages of {@code at}. */
  void deck(SpiceDeck deck, Nodal at);
}
