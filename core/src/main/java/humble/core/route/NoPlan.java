package humble.core.route;

import humble.core.words.Phrase;
import java.util.List;

/** There is no order that keeps every hard fact: they run in a circle. */
public final class NoPlan extends Exception {
  private static final long serialVersionUID = 1L;

  private final transient List<Phrase> circle;

  NoPlan(List<Phrase> circle) {
    super("The hard facts of this kit run in a circle.");
    this.circle = List.copyOf(circle);
  }

  /** Gives the facts that stand against each other. */
  public List<Phrase> circle() {
    return circle;
  }
}
