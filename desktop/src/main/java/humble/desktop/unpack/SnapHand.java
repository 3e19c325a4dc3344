package humble.desktop.unpack;

import humble.core.build.BuildEvent;
import humble.core.stock.Snapping;
import humble.core.stock.Strips;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;

/** Snaps strips into the headers of the kit. */
final class SnapHand extends Hand {
  private final OpenBuild open;
  private final Strips strips;

  SnapHand(Seat seat, OpenBuild open, Strips strips) {
    super(seat);
    this.open = open;
    this.strips = strips;
  }

  @Override
  public Card card() {
    Snapping way = strips.snapping().orElseThrow();
    Card.Maker card =
        seat.card(
            say("unpack.snap.kicker"),
            say(
                strips.receptacle() ? "unpack.snap.cut" : "unpack.snap.title",
                way.snaps(),
                way.strips().size()));
    card.how(say(strips.receptacle() ? "unpack.snap.how-cut" : "unpack.snap.how"));
    for (List<Integer> strip : way.strips()) {
      card.row(
          Standing.TO_DO,
          say(
              "unpack.snap.row",
              strips.stripLength(),
              String.join(" + ", strip.stream().map(String::valueOf).toList())));
    }
    card.why(say("unpack.snap.why"));
    return card.go(
        say("unpack.snap.go"),
        () -> open.act(new BuildEvent.Snapped(strips.pieces().getFirst().line())));
  }

  @Override
  public Mat mat() {
    return new StripMat(say("unpack.snap.mat"), strips, say("unpack.snap.left"));
  }
}
