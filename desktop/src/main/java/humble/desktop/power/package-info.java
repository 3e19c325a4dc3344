/** Gates. */
@NullMarked
package humble.desktop.power;

import org.jspecify.annotations.NullMarked;
