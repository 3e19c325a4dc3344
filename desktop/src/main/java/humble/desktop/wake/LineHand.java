package humble.desktop.wake;

import humble.bench.line.PortSeen;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import java.util.List;
import java.util.Optional;

/** Asks over which line the board is talked to; what is plugged in meanwhile appears. */
final class LineHand extends Hand {
  private static final int MOST = 8;

  private final WakeBench bench;
  private boolean typing;
  private boolean over;

  LineHand(WakeBench bench) {
    super(bench.seat());
    this.bench = bench;
    bench.line().look();
  }

  @Override
  public boolean over() {
    return over;
  }

  @Override
  public Card card() {
    return typing ? named() : listed();
  }

  private Card listed() {
    WakeLine line = bench.line();
    Card.Maker card =
        seat.card(say("wake.kicker.first"), say("wake.line")).how(say("wake.line.how"));
    String now = line.port().orElse("");
    List<PortSeen> ports = line.seen().stream().limit(MOST).toList();
    for (int i = 0; i < ports.size(); i++) {
      PortSeen port = ports.get(i);
      card.choice(
          i + 1,
          port.name().equals(now) ? Standing.NOW : Standing.TO_DO,
          say(
              "mend.choice",
              i + 1,
              say(port.fresh() ? "load.way.fresh" : "load.way.port", port.name(), port.says())),
          () -> take(port.name()));
    }
    card.choice(
        ports.size() + 1,
        now.isEmpty() ? Standing.NOW : Standing.TO_DO,
        say("mend.choice", ports.size() + 1, say("wake.line.none")),
        this::none);
    card.key('.', say("wake.line.other"), () -> typing = true);
    card.why(say(line.hasLooked() ? "wake.line.looked" : "load.looking"));
    line.look();
    card.key(Card.ESC, say("mend.leave"), () -> over = true);
    return card.go(say("load.ways.keep"), () -> over = true);
  }

  private Card named() {
    String text = typed().text().strip();
    Card.Maker card =
        seat.card(say("wake.kicker.first"), say("wake.line.name"))
            .how(say("wake.line.name.how"))
            .field(typed().text(), "", Takes.PATH)
            .key(Card.ESC, say("mend.leave"), () -> over = true)
            .silent(Card.BACK, () -> {});
    return text.isEmpty()
        ? card.notYet(say("wake.line.name.none"))
        : card.go(say("wake.line.take", text), () -> take(text));
  }

  private void take(String name) {
    bench.line().choose(name);
    over = true;
  }

  private void none() {
    bench.line().none();
    over = true;
  }

  @Override
  public Mat mat() {
    return bench.mat(Optional.empty());
  }
}
