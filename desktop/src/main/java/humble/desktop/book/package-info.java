/** The log. */
@NullMarked
package humble.desktop.book;

import org.jspecify.annotations.NullMarked;
