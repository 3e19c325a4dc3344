/** Board files: Gerber layers, drill files and netlists, in and out. */
@NullMarked
package humble.formats.board;

import org.jspecify.annotations.NullMarked;
