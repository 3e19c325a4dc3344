/** The open build: kit, journal, what was reckoned from them, and the practice bench. */
@NullMarked
package humble.desktop.session;

import org.jspecify.annotations.NullMarked;
