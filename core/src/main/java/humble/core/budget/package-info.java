/**
 * What a reader may spend on the file of a stranger: bytes, things and time, and the hand that
 * calls it off. Counting is exact, so that the same file is refused at the same place every time;
 * only the time depends on the machine.
 */
@NullMarked
package humble.core.budget;

import org.jspecify.annotations.NullMarked;
