/** Which pads of a board are joined by its copper, found from the shapes alone. */
@NullMarked
package humble.core.copper;

import org.jspecify.annotations.NullMarked;
