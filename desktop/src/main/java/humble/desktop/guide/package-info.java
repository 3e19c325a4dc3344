/** The guide in the window: its pages, what is found in them, and the first walk. */
@NullMarked
package humble.desktop.guide;

import org.jspecify.annotations.NullMarked;
