package humble.core.route;

import humble.core.kit.LeadClass;
import humble.core.kit.PartKind;
import humble.core.kit.Side;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Something to be put in order: a group of like parts, an insertion, a gate, a task or a choice.
 */
record Node(
    int index,
    Step.Act act,
    String id,
    List<String> refs,
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
    int block) {
  /** Stands for no block of the kit: after all of them. */
  static final int NO_BLOCK = Integer.MAX_VALUE;

  boolean isFit() {
    return act == Step.Act.FIT;
  }
}
