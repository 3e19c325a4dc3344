package humble.desktop.book;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;

/** Which build of this bench does this one rest on? */
final class RestsOnHand extends Hand {
  private static final int MOST = 9;

  private final OpenBuild open;
  private final List<Build> others;
  private final Mat picture;
  private int from;
  private boolean over;

  RestsOnHand(Seat seat, Session session, OpenBuild open, Mat picture) {
    super(seat);
    this.open = open;
    this.others = session.others(open.build().id());
    this.picture = picture;
  }

  @Override
  public boolean over() {
    return over;
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("book.rests.kicker"), say("book.rests.title"));
    card.how(say(others.isEmpty() ? "book.rests.nothing" : "book.rests.how"));
    for (int i = 0; i < Math.min(MOST, others.size() - from); i++) {
      Build other = others.get(from + i);
      String name = other.began().map(BuildEvent.Began::name).orElse(other.id());
      boolean now = open.build().restsOn().filter(e -> e.build().equals(other.id())).isPresent();
      card.choice(
          i + 1,
          now ? Standing.DONE : Standing.TO_DO,
          say("book.rests.row", i + 1, name, other.id(), other.isClosed() ? 1 : 0),
          () -> rest(other.id(), name));
    }
    if (others.size() > MOST) {
      card.key(
          '+', say("book.rests.more"), () -> from = from + MOST < others.size() ? from + MOST : 0);
    }
    if (open.build().restsOn().isPresent()) {
      card.key('0', say("book.rests.none"), () -> rest("", ""));
    }
    card.silent(Card.ESC, () -> over = true);
    return card.go(say("book.rests.leave"), () -> over = true);
  }

  private void rest(String build, String name) {
    open.act(new BuildEvent.RestsOn(build, name));
    over = true;
  }

  @Override
  public Mat mat() {
    return picture;
  }
}
