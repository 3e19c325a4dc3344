/** Starts the window. */
@NullMarked
package humble.desktop;

import org.jspecify.annotations.NullMarked;
