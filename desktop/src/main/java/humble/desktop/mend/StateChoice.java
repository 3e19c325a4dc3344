package humble.desktop.mend;

import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.core.words.Words;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/** The states that a board may stand in, chosen by a digit. */
record StateChoice(OpenBuild open, Words words) {
  private static final int MOST_CHOICES = 9;

  /** Gives the states that digits reach. */
  List<BoardState> all() {
    return open.kit().states().stream().limit(MOST_CHOICES).toList();
  }

  /**
   * Gives the number of the likeliest: the one a fault was hidden for, else the fullest whose parts
   * are all on the board, else the first.
   */
  int usual(Optional<BuildEvent.FaultHidden> hidden) {
    int usual = 0;
    for (int i = 0; i < all().size(); i++) {
      String id = all().get(i).id();
      if (hidden.map(h -> h.state().equals(id)).orElse(allThere(all().get(i)))) {
        usual = i;
      }
    }
    return usual;
  }

  private boolean allThere(BoardState state) {
    Set<String> gone = open.planned().gone(state);
    return open.parts().all().stream()
        .filter(part -> part.placed().isPresent() && !gone.contains(part.ref()))
        .allMatch(part -> open.onBoard().contains(part.ref()));
  }

  /** Gives the number of the state after one, all round. */
  int after(BoardState state) {
    return (all().indexOf(state) + 1) % all().size();
  }

  /** Adds a row for each, the one that Enter takes and the one that is done marked. */
  void rows(Card.Maker card, int now, int done, Consumer<BoardState> choose) {
    for (int i = 0; i < all().size(); i++) {
      BoardState state = all().get(i);
      card.choice(
          i + 1,
          i == done ? Standing.DONE : i == now ? Standing.NOW : Standing.TO_DO,
          words.say("mend.choice", i + 1, state.title()),
          () -> choose.accept(state));
    }
  }
}
