/**
 * Which way round a part goes: pin 1 in the view in hand, landmarks, and what happens when it is
 * reversed.
 */
@NullMarked
package humble.core.orient;

import org.jspecify.annotations.NullMarked;
