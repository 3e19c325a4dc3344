/** What all formats share: writing a file whole or not at all. */
@NullMarked
package humble.formats;

import org.jspecify.annotations.NullMarked;
