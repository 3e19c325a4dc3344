/**
 * Bringing in a kit: lines typed, pasted or read from a file, a quick review, a kit on the shelf.
 */
@NullMarked
package humble.desktop.intake;

import org.jspecify.annotations.NullMarked;
