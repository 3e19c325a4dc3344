/**
 * Links to the world — serial lines, meters, supplies — and their simulated stand-ins, which answer
 * from the circuit and say that they are simulated.
 */
@NullMarked
package humble.bench;

import org.jspecify.annotations.NullMarked;
