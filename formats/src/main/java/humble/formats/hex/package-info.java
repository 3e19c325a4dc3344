/** Reads and writes Intel HEX, types 00 to 05. */
@NullMarked
package humble.formats.hex;

import org.jspecify.annotations.NullMarked;
