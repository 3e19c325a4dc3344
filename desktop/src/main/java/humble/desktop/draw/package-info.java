/**
 * The pen: lines, texts and shapes in the colours of the theme; the pictures of parts and boards
 * that every mat shares.
 */
@NullMarked
package humble.desktop.draw;

import org.jspecify.annotations.NullMarked;
