/** Sentences of the core as keys and arguments, put into words by a resource bundle. */
@NullMarked
package humble.core.words;

import org.jspecify.annotations.NullMarked;
