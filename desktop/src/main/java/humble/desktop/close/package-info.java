/** The case. */
@NullMarked
package humble.desktop.close;

import org.jspecify.annotations.NullMarked;
