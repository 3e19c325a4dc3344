/** The one window: top line, mat, card and trace, and the keys. */
@NullMarked
package humble.desktop.window;

import org.jspecify.annotations.NullMarked;
