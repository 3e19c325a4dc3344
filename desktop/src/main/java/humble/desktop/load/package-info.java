/**
 * Programs: read, checked against the chip they are for, sent, read back.
 *
 * <ul>
 *   <li><b>Before anything is sent</b> the file is read whole ({@code humble.formats.image}), its
 *       hash compared with the kit's, and the image held against the memory of its target and the
 *       clock of the board. One fault of these, and nothing can be sent. Without a hash the card
 *       says that the file cannot prove itself.
 *   <li><b>Ways.</b> {@link humble.desktop.load.LoadWay}: the practice bench, a serial port, the
 *       drive of a board, a loader of the maker's own. Which are there is looked for on a thread of
 *       its own, and what was plugged in just now comes first.
 *   <li><b>Sending</b> runs on the thread of its link and belongs to the hand that started it: Esc
 *       or leaving the stage calls it off, and what comes back afterwards counts for nobody. What
 *       speaks for it stands in the journal: read back, every block confirmed, taken by the board,
 *       or the maker's word.
 *   <li><b>Afterwards</b> power goes off and on, and whether the program starts by itself is asked.
 *   <li><b>When.</b> An image that goes in before its chip is fitted, or before its socket, is a
 *       step of the plan; the others follow when the board is awake, in the order of the kit.
 *   <li><b>Limits.</b> A command of the maker's own is for the command line.
 * </ul>
 */
@NullMarked
package humble.desktop.load;

import org.jspecify.annotations.NullMarked;
