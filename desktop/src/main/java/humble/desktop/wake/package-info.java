/** Peripherals. */
@NullMarked
package humble.desktop.wake;

import org.jspecify.annotations.NullMarked;
