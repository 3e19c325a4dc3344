/**
 * Mutation fuzzing: inputs of the corpus are changed at random, but the same way for the same
 * number, and put through one reader. A reader may refuse an input; it may not throw, hang, or need
 * more than a small heap.
 */
@NullMarked
package humble.proofs.fuzz;

import org.jspecify.annotations.NullMarked;
