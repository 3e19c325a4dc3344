package humble.desktop.mend;

import humble.core.mend.Diagnosis;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.List;

/** One thing to do in a search: all show the board, and all can leave. */
abstract class MendHand extends Hand {
  protected final Mending mending;
  protected final OpenBuild open;
  protected final MendBoard board;

  /** What every hand of a search is made of. */
  record Of(Mending mending, MendBoard board) {}

  MendHand(Of of) {
    super(of.mending().seat());
    this.mending = of.mending();
    this.board = of.board();
    this.open = mending.open();
  }

  /** Gives the pads under the probes, red first. */
  List<ProbeWords.Probed> touched() {
    return List.of();
  }

  @Override
  public Mat mat() {
    return board.mat(touched());
  }

  /** Begins a card of a search that knows something. */
  protected final Card.Maker known(Search now, String title) {
    return seat.card(
        say("mend.kicker.known", now.state().title(), now.observations().size()), title);
  }

  /** Adds the key that leaves, and those that take back and name without a hint. */
  protected final Card.Maker leaving(Card.Maker card) {
    return withSilentKeys(card.key(Card.ESC, say("mend.leave"), mending::leave));
  }

  /** Adds the keys that no hint tells. */
  protected final Card.Maker withSilentKeys(Card.Maker card) {
    card.silent('T', () -> board.turn(touched())).silent('F', () -> board.flip(touched()));
    return card.silent('/', this::found).silent(Card.BACK, mending::takeBack);
  }

  /** The key that called for help says here that it is found. */
  protected final void found() {
    if (mending.search().flatMap(Search::known).isPresent()) {
      mending.naming(!mending.naming());
      typed().clear();
    }
  }

  protected final Naming naming() {
    return new Naming(seat.words(), open.built());
  }

  /** Adds the keys of the meter. */
  protected final void dialKeys(Card.Maker card) {
    card.key('D', say("mend.dial"), this::dial);
    card.key('F', say("mend.flip"), () -> board.flip(touched()));
  }

  private void dial() {
    mending.dial().turn(open.practiceOn());
    mending.search().ifPresent(now -> now.own(null));
    typed().clear();
  }

  /** Ends the search with what may be named by a digit. */
  protected final void itWas(Search now, Diagnosis.Known known, int digit) {
    List<String> choices = Naming.choices(now, known);
    if (digit <= choices.size()) {
      mending.over(mending.ending().itWas(now, choices.get(digit - 1)));
    }
  }
}
