/**
 * Unpacking: is this the board the kit is made for, is everything in the bag, and is the bare board
 * as it should be.
 *
 * <p>The row of hands, in order: the number on the host board of a conversion; every cup, in the
 * order of the list or the one that was clicked; strips to snap, in the fewest cuts; every spot of
 * the bare board; then the sum of it.
 *
 * <ul>
 *   <li><b>Counting.</b> Enter takes the number that is needed; another is typed, up to 99,999.
 *       What is short names at once which other line may stand in for it, and what to look at
 *       before.
 *   <li><b>What is short</b> does not stop the build: the plan goes on without it, and says how far
 *       it gets and which steps wait.
 *   <li><b>A wrong host board</b> stops everything: nothing is counted before the right one is
 *       read.
 *   <li><b>Labels</b> for the cups are written beside the journal, never over a file that is there
 *       unless asked twice.
 * </ul>
 */
@NullMarked
package humble.desktop.unpack;

import org.jspecify.annotations.NullMarked;
