/** Parts lists and placement lists as tables of text, of any dialect. */
@NullMarked
package humble.formats.table;

import org.jspecify.annotations.NullMarked;
