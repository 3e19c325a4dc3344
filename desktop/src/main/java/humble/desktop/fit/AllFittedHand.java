package humble.desktop.fit;

import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Nothing of the plan is left. */
final class AllFittedHand extends OnBoardHand {
  AllFittedHand(Seat seat, OpenBuild open, BoardInHand board) {
    super(seat, open, board);
  }

  @Override
  public Card card() {
    String where = next().name().toLowerCase(Locale.ROOT);
    Card.Maker card =
        seat.card(say("fit.kicker.plain"), say("fit.all-done")).how(say("fit.all-done." + where));
    StepHand.keys(card, seat);
    withMagnifier(withTurning(card));
    return card.go(say("fit.to-" + where), () -> seat.desk().go(next()));
  }

  /** What comes after fitting, as far as the kit has it. */
  private StageId next() {
    StageId next = Progress.current(open);
    return switch (next) {
      case POWER, LOAD, WAKE, CLOSE, BOOK -> next;
      case SHELF, UNPACK, SORT, PLAN, FIT -> afterFit();
    };
  }

  private StageId afterFit() {
    for (StageId stage : List.of(StageId.LOAD, StageId.WAKE)) {
      if (Progress.hasWork(open, stage) && Progress.share(open, stage) < 1) {
        return stage;
      }
    }
    return StageId.CLOSE;
  }

  @Override
  public Mat mat() {
    return board.mat(Optional.empty(), Optional.empty(), Optional.empty());
  }
}
