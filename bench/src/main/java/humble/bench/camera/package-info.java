/** Photos of bare boards, computed: a camera that is simulated, for trying what reads photos. */
@NullMarked
package humble.bench.camera;

import org.jspecify.annotations.NullMarked;
