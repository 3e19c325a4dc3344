package humble.core.route;

import humble.core.kit.LeadClass;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.kit.Side;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Something to be put in order: a group of like parts, an insertion, a gate, a task or a choice.
 *
 * @param index place in the list of all
 * @param act what is done
 * @param id name of the step
 * @param refs parts handled
 * @param line line whose parts are handled, where they have no designators
 * @param board board it is done on, empty when it does not matter
 * @param face number of the side of the board
 * @param side side, null when it does not matter
 * @param kind kind of the parts
 * @param lead lead class of the parts
 * @param heightMm height over the board
 * @param droppedIn whether it is dropped in from above, as what lies flat is
 * @param fragile whether heat, static or shock harms it
 * @param joints joints soldered
 * @param minutes expected time at the bench
 * @param unattended minutes it is then left alone
 * @param block number of its block
 */
record Node(
    int index,
    Step.Act act,
    String id,
    List<String> refs,
    @Nullable Line line,
    String board,
    int face,
    @Nullable Side side,
    @Nullable PartKind kind,
    @Nullable LeadClass lead,
    double heightMm,
    boolean droppedIn,
    boolean fragile,
    int joints,
    double minutes,
    double unattended,
    int block) {
  /** Stands for no block of the kit: after all of them. */
  static final int NO_BLOCK = Integer.MAX_VALUE;

  /** Gives what a person calls it, for a sentence: its first part, else its line. */
  String name() {
    return !refs.isEmpty() ? refs.getFirst() : line != null ? line.id() : id;
  }

  boolean isFit() {
    return act == Step.Act.FIT;
  }

  /** Tells whether it is a cell that is put into its holder. */
  boolean isCell() {
    return act == Step.Act.INSERT && kind == PartKind.BATTERY;
  }
}
