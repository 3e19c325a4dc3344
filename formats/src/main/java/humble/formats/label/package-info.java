/** Labels to print and cut out. */
@NullMarked
package humble.formats.label;

import org.jspecify.annotations.NullMarked;
