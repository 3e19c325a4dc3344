/** The log of what went wrong in the program itself: one file beside the journal, rolled over. */
@NullMarked
package humble.store.log;

import org.jspecify.annotations.NullMarked;
