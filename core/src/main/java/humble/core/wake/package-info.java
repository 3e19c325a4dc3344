/** Waking the board: what dark lights mean, and the setting that turns a display upright. */
@NullMarked
package humble.core.wake;

import org.jspecify.annotations.NullMarked;
