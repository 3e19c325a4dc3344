/** The front panel of an old machine: programs toggled in, read back and run. */
@NullMarked
package humble.desktop.panel;

import org.jspecify.annotations.NullMarked;
