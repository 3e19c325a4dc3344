/**
 * A kit that is told at the bench: how a part lies on the holes that were clicked, what follows
 * from where the supply comes in, which pads are worth buzzing, and what the kit can do so far.
 * Knows nothing of files and windows; every answer is a list of edits of the kit.
 */
@NullMarked
package humble.core.own;

import org.jspecify.annotations.NullMarked;
