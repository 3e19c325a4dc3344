/**
 * Trimming: which setting of one to four screws that pull at each other is tried next, from what
 * was tried so far.
 */
@NullMarked
package humble.core.trim;

import org.jspecify.annotations.NullMarked;
