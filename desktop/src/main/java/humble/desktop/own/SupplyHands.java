package humble.desktop.own;

import humble.core.own.Skeleton;
import humble.desktop.hand.Hand;

/** Gives the hand that asks a question about the supply of a board. */
final class SupplyHands {
  private SupplyHands() {}

  static Hand of(OwnBench bench, Skeleton.Ask ask, Runnable more) {
    return switch (ask.what()) {
      case IN, CHIP, MAKES -> new PadsHand(bench, ask, more);
      case VOLTS -> new VoltsHand(bench, ask, more);
      case PLUG, RAIL, SWITCH -> new ChoiceHand(bench, ask, more);
      case GROUND -> new GroundHand(bench, ask, more);
    };
  }
}
