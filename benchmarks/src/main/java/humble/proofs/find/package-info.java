/** Faults found on boards that a SPICE simulates by a circuit written for that alone. */
@NullMarked
package humble.proofs.find;

import org.jspecify.annotations.NullMarked;
