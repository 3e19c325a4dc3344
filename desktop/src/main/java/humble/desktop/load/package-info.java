/** Programs. */
@NullMarked
package humble.desktop.load;

import org.jspecify.annotations.NullMarked;
