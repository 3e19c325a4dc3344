/** Readings to piles. */
@NullMarked
package humble.desktop.sort;

import org.jspecify.annotations.NullMarked;
