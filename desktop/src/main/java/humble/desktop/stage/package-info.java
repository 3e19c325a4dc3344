/** What a stage shows and takes: the card, the mat, the keys. No nodes. */
@NullMarked
package humble.desktop.stage;

import org.jspecify.annotations.NullMarked;
