/**
 * A kit that is told at the bench: one question at a time, on the picture of its board, and under
 * it what the kit can do so far.
 */
@NullMarked
package humble.desktop.own;

import org.jspecify.annotations.NullMarked;
