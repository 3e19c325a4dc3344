/** A build that comes along from another bench, as one file. */
@NullMarked
package humble.desktop.along;

import org.jspecify.annotations.NullMarked;
