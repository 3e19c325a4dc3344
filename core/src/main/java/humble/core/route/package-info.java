/** The order of fitting: groups, hard facts, the schools and the reason of every step. */
@NullMarked
package humble.core.route;

import org.jspecify.annotations.NullMarked;
