package humble.desktop.sort;

import humble.desktop.hand.HandStage;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Desk;

/** Reads bands and meter, and decides which pile a part belongs to. */
public final class SortStage extends HandStage {
  private final Piles piles;

  /** Makes the stage. */
  public SortStage(OpenBuild open, Desk desk) {
    super(desk);
    this.piles = new Piles(seat, open);
  }

  @Override
  protected Turn turn() {
    return piles
        .current()
        .map(line -> new Turn(line, () -> new PileHand(piles, line)))
        .orElseGet(() -> new Turn("sorted", () -> new SortedHand(piles)));
  }
}
