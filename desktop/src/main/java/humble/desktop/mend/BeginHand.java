package humble.desktop.mend;

import humble.bench.HiddenFault;
import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.desktop.stage.Card;
import java.util.List;

/** Asks how the board stands; on the practice bench a fault can be hidden first. */
final class BeginHand extends MendHand {
  private int level;

  BeginHand(Of of) {
    super(of);
  }

  @Override
  public Card card() {
    StateChoice choice = mending.states();
    List<BoardState> states = choice.all();
    Card.Maker card =
        seat.card(say("mend.kicker.begin"), say("mend.begin")).how(say("mend.begin.how"));
    if (states.isEmpty()) {
      return leaving(card.verdict(false, say("mend.no-states")))
          .go(say("mend.back"), mending::leave);
    }
    int usual = choice.usual(mending.ending().hidden());
    choice.rows(card, usual, -1, this::start);
    BuildEvent.FaultHidden hidden = mending.ending().hidden().orElse(null);
    if (hidden != null) {
      card.why(say("mend.hidden." + hidden.level()));
      card.key('+', say("mend.give-up"), () -> mending.over(mending.ending().giveUp(hidden)));
    } else if (open.practiceOn()) {
      card.why(say("mend.level." + level));
      card.key('+', say("mend.hide"), () -> level = (level + 1) % (HiddenFault.LEVELS + 1));
    }
    return leaving(card)
        .go(say("mend.begin.go", states.get(usual).title()), () -> start(states.get(usual)));
  }

  private void start(BoardState state) {
    boolean hides = open.practiceOn() && mending.ending().hidden().isEmpty();
    mending.begin(state, hides ? level : 0);
  }
}
