/**
 * What the one window does, without a node: which stage is open, what was typed, what every key
 * means, and what is told when an act could not be written or the program itself failed. The window
 * shows it; a walk without a window drives the very same.
 */
@NullMarked
package humble.desktop.keys;

import org.jspecify.annotations.NullMarked;
