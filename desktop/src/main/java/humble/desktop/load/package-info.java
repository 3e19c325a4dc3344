/**
 * Programs: read, checked against the chip they are for, sent, read back.
 *
 * <ul>
 *   <li><b>Before anything is sent</b> the file is read whole ({@code humble.formats.image}), its
 *       hash compared with the kit's, and the image held against the memory of its target: outside
 *       it, in the boot area, empty. One fault of these, and nothing can be sent.
 *   <li><b>Sending</b> runs on the thread of its link and belongs to whoever started it: Esc or
 *       leaving the stage calls it off, and what comes back afterwards counts for nobody. It is
 *       written down as loaded only when every byte read back is the one sent.
 *   <li><b>By hand.</b> Without the practice bench the person loads with their own tool and says
 *       so; the journal keeps that it was not read back here.
 *   <li><b>Limits.</b> One image after the other, in the order of the kit; one simulated link.
 * </ul>
 */
@NullMarked
package humble.desktop.load;

import org.jspecify.annotations.NullMarked;
