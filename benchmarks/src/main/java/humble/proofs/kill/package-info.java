/**
 * Windows that are killed: a child process acts as a maker does, through the window's own keys, and
 * says every act that the window has shown as done; it is killed at a random moment or at a system
 * call, or its disk fills up; whatever it said must be in the journal.
 */
@NullMarked
package humble.proofs.kill;

import org.jspecify.annotations.NullMarked;
