package humble.desktop.mend;

import humble.core.kit.BoardState;
import humble.core.mend.Diagnosis;
import humble.core.mend.Suspect;
import humble.desktop.stage.Card;
import java.util.List;

/** All that is left shows in nothing here: another state may show it. */
final class AsDesignedHand extends MendHand {
  private final Search now;
  private final Diagnosis.Known known;

  AsDesignedHand(Of of, Search now, Diagnosis.Known known) {
    super(of);
    this.now = now;
    this.known = known;
  }

  /** Tells whether that is so. */
  static boolean isSo(Search now, Diagnosis.Known known) {
    return now.own().isEmpty()
        && known.next().isEmpty()
        && known.explained()
        && !known.suspects().isEmpty()
        && !known.suspects().getFirst().shows();
  }

  /** How many faults show in nothing here. */
  private long hidden() {
    return known.suspects().getFirst().group().stream()
        .filter(name -> !name.equals(Suspect.NO_FAULT))
        .count();
  }

  @Override
  public Card card() {
    StateChoice choice = mending.states();
    List<BoardState> states = choice.all();
    Card.Maker card =
        known(now, say("mend.as-designed"))
            .how(say("mend.as-designed.how", hidden()))
            .how(
                say(
                    "mend.as-designed.belief",
                    Math.round(100 * known.suspects().getFirst().belief())));
    int other = choice.after(now.state());
    choice.rows(card, other, states.indexOf(now.state()), state -> mending.begin(state, 0));
    card.key('/', say("mend.found"), this::found);
    leaving(card);
    return states.size() > 1
        ? card.go(
            say("mend.begin.go", states.get(other).title()),
            () -> mending.begin(states.get(other), 0))
        : card.go(say("mend.back"), mending::leave);
  }
}
