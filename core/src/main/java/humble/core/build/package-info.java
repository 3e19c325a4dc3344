/** A build as a pure fold over its events. */
@NullMarked
package humble.core.build;

import org.jspecify.annotations.NullMarked;
