/** Files with settings in them, of every format that is read. */
@NullMarked
package humble.formats.settings;

import org.jspecify.annotations.NullMarked;
