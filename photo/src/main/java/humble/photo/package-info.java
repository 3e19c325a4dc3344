/**
 * What a photo of a board tells: where its edges are, how it is straightened, where its holes lie,
 * and how the two sides belong together.
 */
@NullMarked
package humble.photo;

import org.jspecify.annotations.NullMarked;
