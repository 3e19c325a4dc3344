/** Practice: short drills, drawn by the same code as the bench. */
@NullMarked
package humble.desktop.practice;

import org.jspecify.annotations.NullMarked;
