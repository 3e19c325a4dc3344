/**
 * How a stage is made: a row of hands, of which the first that is not over is the one in hand.
 *
 * <ul>
 *   <li>A {@link humble.desktop.hand.Hand} is one thing to do. Its card declares every key once:
 *       what it does and, where it is told, in which words. Its mat is its picture. It is told when
 *       it is left, and what it asked of the background is then called off.
 *   <li>A {@link humble.desktop.hand.Turn} names whose turn it is. As long as the name is the same
 *       the hand is the same, with what it remembers; another name is another hand, with an empty
 *       field.
 *   <li>A {@link humble.desktop.hand.HandStage} asks for the turn before everything it shows, so
 *       that an act, or what comes in from the background, leads to the next hand by itself. A hand
 *       may be laid over the row by a key; it lies there until it is over.
 *   <li>What every stage repeats stands here: the typed text, taking back, a caution that says
 *       stop, work in the background that failed.
 * </ul>
 */
@NullMarked
package humble.desktop.hand;

import org.jspecify.annotations.NullMarked;
