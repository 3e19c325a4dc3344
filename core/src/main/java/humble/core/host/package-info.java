/** The board that a conversion goes into: what is on it, what comes off, what is coated again. */
@NullMarked
package humble.core.host;

import org.jspecify.annotations.NullMarked;
