package humble.desktop.load;

import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Optional;

/** Asks by which way the chip is reached; what is plugged in meanwhile appears. */
final class WaysHand extends LoadHand {
  private static final int MOST = 9;

  private final ImageOnBench image;
  private final Runnable command;
  private boolean over;

  /**
   * Makes it.
   *
   * @param command asks for the maker's own command
   */
  WaysHand(LoadBench bench, ImageOnBench image, Runnable command) {
    super(bench, Optional.of(image));
    this.image = image;
    this.command = command;
    look();
  }

  private void look() {
    if (image.target() != null) {
      bench.look(image.target());
    }
  }

  @Override
  public boolean over() {
    return over;
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("load.kicker"), say("load.ways")).how(say("load.ways.how"));
    List<LoadWay> ways = bench.choices().stream().limit(MOST).toList();
    LoadWay now = bench.way();
    for (int i = 0; i < ways.size(); i++) {
      LoadWay way = ways.get(i);
      card.choice(
          i + 1,
          way.equals(now) ? Standing.NOW : Standing.TO_DO,
          say("mend.choice", i + 1, named(way)),
          () -> take(way));
    }
    card.key('.', say("load.command.key"), command);
    card.why(say(bench.hasLooked() ? "load.looked" : "load.looking"));
    look();
    card.key(Card.ESC, say("mend.leave"), this::close);
    return card.go(say("load.ways.keep"), this::close);
  }

  private void take(LoadWay way) {
    bench.choose(way);
    close();
  }

  private void close() {
    over = true;
  }

  @Override
  public void left() {
    bench.leftWays();
    super.left();
  }
}
