/** Quantities as makers write and read them, and tolerance bands. */
@NullMarked
package humble.core.units;

import org.jspecify.annotations.NullMarked;
