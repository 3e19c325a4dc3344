/**
 * How a part gets onto its board, and how its joints are looked at.
 *
 * <ol>
 *   <li>{@link humble.core.craft.Hold} says what keeps it in place while the board is over.
 *   <li>{@link humble.core.craft.StandOff} says how far off the board it sits, and what the other
 *       school says.
 *   <li>{@link humble.core.craft.JointOrder} says which joint first, when to look, and how to hop.
 *   <li>{@link humble.core.craft.Hints} says what is odd about these joints.
 *   <li>{@link humble.core.craft.CloseCall} finds the pads between which a bridge would hurt.
 *   <li>{@link humble.core.craft.Inspection} lists the joints to look at, those first.
 *   <li>{@link humble.core.craft.WindingPlan}, {@link humble.core.craft.WireTable} and {@link
 *       humble.core.craft.ModuleFit} are the same for coils, wires and modules.
 * </ol>
 */
@NullMarked
package humble.core.craft;

import org.jspecify.annotations.NullMarked;
