/** Builds and kits. */
@NullMarked
package humble.desktop.shelf;

import org.jspecify.annotations.NullMarked;
