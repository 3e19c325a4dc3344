/** Simulated instruments with screws that pull at each other. */
@NullMarked
package humble.bench.trim;

import org.jspecify.annotations.NullMarked;
