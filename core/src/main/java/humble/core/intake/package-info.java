/**
 * Bringing in a kit from what people have: rows of a parts list or of a paper sheet become lines,
 * and everything that had to be guessed is said with its confidence and reason.
 */
@NullMarked
package humble.core.intake;

import org.jspecify.annotations.NullMarked;
