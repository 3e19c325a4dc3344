/** What became of a build: evenings, hours, what went right the first time, what waits. */
@NullMarked
package humble.core.book;

import org.jspecify.annotations.NullMarked;
