package humble.desktop.sort;

import humble.core.kit.Line;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.OptionalDouble;

/** Every pile is known. */
final class SortedHand extends Hand {
  private final Piles piles;

  SortedHand(Piles piles) {
    super(piles.seat());
    this.piles = piles;
  }

  @Override
  public Card card() {
    List<Line> all = piles.inOrder();
    Card.Maker card = seat.card(say("sort.kicker", all.size(), all.size()), say("sort.done"));
    for (Line each : all) {
      card.row(Standing.DONE, say("sort.row", LineNames.brief(seat.words(), each), each.refs()));
    }
    return card.go(say("sort.plan"), () -> seat.desk().go(StageId.PLAN));
  }

  @Override
  public Mat mat() {
    return new Ruler(piles).mat(List.of(), OptionalDouble.empty(), List.of(), false);
  }
}
