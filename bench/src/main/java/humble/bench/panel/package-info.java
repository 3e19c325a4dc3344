/** The front panel of an old machine, and the small processor behind it. */
@NullMarked
package humble.bench.panel;

import org.jspecify.annotations.NullMarked;
