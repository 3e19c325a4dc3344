/**
 * The kit: parts list, places on the board, nets, rules and everything else its file says, as
 * immutable values; the built-in packages; and the check that finds every contradiction in it.
 */
@NullMarked
package humble.core.kit;

import org.jspecify.annotations.NullMarked;
