/** What was tried while something is trimmed, as a file. */
@NullMarked
package humble.formats.trim;

import org.jspecify.annotations.NullMarked;
