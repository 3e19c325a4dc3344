/**
 * First power: gate after gate, then the current of every stage.
 *
 * <p>The row of hands, in order: what comes before the gate is fitted; a caution that says stop is
 * acknowledged; ohms are read across the supply, in every state anew and again after something was
 * mended; the gate is read; when no gate is left, the supply's current in every state that the
 * board is in. A way past a gate asks for a reason and stands in the log and in the report.
 *
 * <ul>
 *   <li><b>What is expected</b> comes from {@code humble.core.power}, reckoned in the background
 *       for the board <em>as it is built</em>: choices, rows of modules, what is fitted and what is
 *       lacking. Gates that are still to come are reckoned for the board as planned. Another choice
 *       is another board, and nothing reckoned before is said of it.
 *   <li><b>A gate opens</b> for a reading in its window (95 of 100 boards), even where the meter's
 *       own error reaches over its end; a reading at the edge says so. Ohms below a tenth of what
 *       is expected stop it: what bridges is looked for. A current is let pass within 0.3 mA or 5 %
 *       of what is expected.
 *   <li><b>Where nothing can be expected</b>, the circuit having no operating point, the card says
 *       that, and where reckoning failed it says that and offers to try again: neither is a pass.
 *   <li><b>Limits.</b> Only voltages against a supply are gates here; current, resistance and
 *       continuity pass the check of a kit and cannot be judged yet. Nothing here calls a board
 *       safe.
 * </ul>
 */
@NullMarked
package humble.desktop.power;

import org.jspecify.annotations.NullMarked;
