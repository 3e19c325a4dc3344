/** The guide: pages that people read beside the bench, and what is found in them. */
@NullMarked
package humble.formats.guide;

import org.jspecify.annotations.NullMarked;
