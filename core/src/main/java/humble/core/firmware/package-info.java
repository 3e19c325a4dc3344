/** Program images as sparse bytes, and whether they fit the target. */
@NullMarked
package humble.core.firmware;

import org.jspecify.annotations.NullMarked;
