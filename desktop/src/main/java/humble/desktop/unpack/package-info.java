/** Counting. */
@NullMarked
package humble.desktop.unpack;

import org.jspecify.annotations.NullMarked;
