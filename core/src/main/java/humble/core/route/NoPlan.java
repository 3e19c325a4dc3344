package humble.core.route;

import humble.core.words.Phrase;
import java.util.List;

/** There is no such plan: the hard facts run in a circle, or the school has nothing to go by. */
public final class NoPlan extends Exception {
  private static final long serialVersionUID = 1L;

  private final transient List<Phrase> circle;

  NoPlan(List<Phrase> circle) {
    this("The hard facts of this kit run in a circle.", circle);
  }

  NoPlan(String why, List<Phrase> circle) {
    super(why);
    this.circle = List.copyOf(circle);
  }

  /** Gives the facts that stand against each other. */
  public List<Phrase> circle() {
    return circle;
  }
}
