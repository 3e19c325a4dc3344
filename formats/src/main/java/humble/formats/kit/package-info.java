/**
 * Reads kit folders and archives: {@code kit.json} into a kit, with every problem and its JSON
 * pointer at once.
 */
@NullMarked
package humble.formats.kit;

import org.jspecify.annotations.NullMarked;
