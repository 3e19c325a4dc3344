/** What makes an instrument of a board that is awake: it is trimmed, calibrated and proved. */
@NullMarked
package humble.desktop.finish;

import org.jspecify.annotations.NullMarked;
