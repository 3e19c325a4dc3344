/** Geometry of pictures, from the kit's data: what parts look like from above. */
@NullMarked
package humble.core.picture;

import org.jspecify.annotations.NullMarked;
