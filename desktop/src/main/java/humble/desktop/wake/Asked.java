package humble.desktop.wake;

import java.util.OptionalDouble;
import java.util.function.Supplier;

/**
 * One reading that a test asks for.
 *
 * @param words what to set or do, and what to read
 * @param label what the reading is called once it is there
 * @param unit its unit, or empty
 * @param signed whether it may be below zero
 * @param practice what the simulated board reads; empty where it does not have such a thing
 */
record Asked(
    String words, String label, String unit, boolean signed, Supplier<OptionalDouble> practice) {}
