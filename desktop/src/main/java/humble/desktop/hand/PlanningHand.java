package humble.desktop.hand;

import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.function.Supplier;

/** The plan is being worked out; where that failed, it is said, and can be tried once more. */
public final class PlanningHand extends Hand {
  private final OpenBuild open;
  private final String kicker;
  private final Supplier<Mat> picture;

  private PlanningHand(Seat seat, OpenBuild open, String kicker, Supplier<Mat> picture) {
    super(seat);
    this.open = open;
    this.kicker = kicker;
    this.picture = picture;
  }

  /** Gives its turn. */
  public static Turn turn(Seat seat, OpenBuild open, String kicker, Supplier<Mat> picture) {
    return new Turn(
        open.notPlanned().isEmpty() ? "planning" : "not planned",
        () -> new PlanningHand(seat, open, kicker, picture));
  }

  @Override
  public Card card() {
    String failed = open.notPlanned();
    if (failed.isEmpty() && open.reckoned().isPresent()) {
      return seat.card(kicker, say("plan.none")).notYet(say("plan.none.go"));
    }
    return failed.isEmpty()
        ? seat.card(kicker, say("plan.planning")).notYet(say("plan.wait"))
        : seat.card(kicker, say("plan.not-planned"))
            .verdict(false, failed)
            .go(say("plan.again"), open::planAgain);
  }

  @Override
  public Mat mat() {
    return picture.get();
  }
}
