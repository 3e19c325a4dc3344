package humble.desktop.hand;

import humble.desktop.draw.Mat;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.Typed;
import org.jspecify.annotations.Nullable;

/** A stage that is a row of hands. */
public abstract class HandStage implements Stage {
  protected final Seat seat;
  private @Nullable Turn turn;
  private @Nullable Hand inHand;
  private @Nullable Hand over;

  protected HandStage(Desk desk) {
    this.seat = new Seat(desk, new Typed());
  }

  /** Gives whose turn it is: the first of the row that is not over. */
  protected abstract Turn turn();

  /** Lays a hand over the row, until it is over. */
  protected final void layOver(Hand hand) {
    putAway();
    over = hand;
    seat.typed().clear();
  }

  private void putAway() {
    Hand was = over;
    over = null;
    if (was != null) {
      was.left();
      seat.typed().clear();
    }
  }

  /** Gives the hand that is in hand. */
  protected final Hand hand() {
    Hand above = over;
    if (above != null && !above.over()) {
      return above;
    }
    putAway();
    Turn next = turn();
    Turn was = turn;
    Hand now = inHand;
    if (now == null || was == null || !was.name().equals(next.name())) {
      if (now != null) {
        now.left();
        seat.typed().clear();
      }
      now = next.hand().get();
      inHand = now;
      turn = next;
    }
    return now;
  }

  /** Gives the card of the hand with the keys that hold in the whole stage. */
  @Override
  public final Card card() {
    Hand now = hand();
    Card card = withCommonKeys(now.card());
    return now.failed()
        .map(sentence -> card.withVerdict(new Card.Verdict(false, sentence)))
        .orElse(card);
  }

  /** Adds the keys that hold in the whole stage; those of the hand come first. */
  protected Card withCommonKeys(Card card) {
    return card.withKey(
        Card.Key.of(Card.BACK, seat.say("key.take-back"), () -> seat.desk().back()));
  }

  @Override
  public Mat mat() {
    return hand().mat();
  }

  @Override
  public final Typed typed() {
    return seat.typed();
  }

  @Override
  public void pick(String spot) {
    hand().pick(spot);
  }

  @Override
  public boolean pull(double dx, double dy) {
    return hand().pull(dx, dy);
  }

  @Override
  public void point(double x, double y) {
    hand().point(x, y);
  }

  @Override
  public boolean hover(double x, double y) {
    return hand().hover(x, y);
  }

  @Override
  public void wheel(boolean up) {
    hand().wheel(up);
  }

  @Override
  public void left() {
    putAway();
    Hand now = inHand;
    inHand = null;
    turn = null;
    if (now != null) {
      now.left();
    }
  }
}
