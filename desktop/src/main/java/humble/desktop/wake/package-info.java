/**
 * Waking: one peripheral after the other, from power outwards.
 *
 * <p>A {@link humble.desktop.wake.Waking} is how the peripherals of one kind are woken. It is one
 * file, named in one list: a hand with its card and keys, its picture below the tree, what it asks
 * of the board and what it deduces. What it sees goes into the journal as facts by name ({@code
 * dark}, {@code turn-deg}), all kinds alike; a later fact takes the place of an earlier one.
 *
 * <ul>
 *   <li><b>The line.</b> Every request runs on the thread of its link, begins with {@code start}
 *       and stops at the first answer that is not {@code ok}, which the card then tells. The window
 *       goes on meanwhile; Esc or leaving calls it off.
 *   <li><b>Order.</b> A peripheral wakes when what it names in {@code after} is awake, or a gate of
 *       that name is open, and the programs are in.
 *   <li><b>Lights.</b> Each is lit at its own turn; of those that stay dark the suspects come from
 *       {@code humble.core.wake}: one row for all that a scan cannot tell apart, the beliefs
 *       together at most 1.
 *   <li><b>A display</b> shows a boat with one sail; the picture that looks the same, one of eight,
 *       gives the setting.
 *   <li><b>Limits.</b> Parallel lines, encoders, cards and what an author describes are tried by
 *       eye and hand. Without the practice bench the board is not asked: the person says that it
 *       runs.
 * </ul>
 *
 * <p>What the practice bench answers is simulated, and the card says so.
 */
@NullMarked
package humble.desktop.wake;

import org.jspecify.annotations.NullMarked;
