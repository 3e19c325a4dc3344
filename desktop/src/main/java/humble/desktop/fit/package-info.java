/** Fitting, part by part. */
@NullMarked
package humble.desktop.fit;

import org.jspecify.annotations.NullMarked;
