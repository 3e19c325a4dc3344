/** The order of work. */
@NullMarked
package humble.desktop.plan;

import org.jspecify.annotations.NullMarked;
