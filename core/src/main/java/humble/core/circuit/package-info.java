/**
 * Direct-current analysis of a kit in one of its states: nodal analysis with Newton iteration,
 * faults as edits of the circuit.
 */
@NullMarked
package humble.core.circuit;

import org.jspecify.annotations.NullMarked;
