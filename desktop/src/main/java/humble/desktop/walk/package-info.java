/**
 * The whole walk by keypad, driven from outside as a person would: for pictures, figures and the
 * first start.
 */
@NullMarked
package humble.desktop.walk;

import org.jspecify.annotations.NullMarked;
