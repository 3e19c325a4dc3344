/** Screws and clearances of the case. */
@NullMarked
package humble.core.casing;

import org.jspecify.annotations.NullMarked;
