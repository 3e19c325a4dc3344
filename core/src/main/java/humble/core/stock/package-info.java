/**
 * What is in the bag: counts against the list, what is short, and which pile a reading belongs to.
 */
@NullMarked
package humble.core.stock;

import org.jspecify.annotations.NullMarked;
