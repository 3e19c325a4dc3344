package humble.desktop.unpack;

import humble.core.build.BuildEvent;
import humble.core.kit.PinRef;
import humble.core.kit.Supply;
import humble.core.units.Band;
import humble.core.units.Engineering;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.List;
import java.util.stream.Collectors;

/**
 * Asks at the beginning whether a supply is at hand whose plug, polarity and volts fit the board.
 */
final class SupplyHand extends Hand {
  private static final int MOST_PINS = 4;

  private final Bag bag;
  private final OpenBuild open;

  SupplyHand(Bag bag) {
    super(bag.seat());
    this.bag = bag;
    this.open = bag.open();
  }

  /** Tells whether it is still to be asked. */
  static boolean isOpen(OpenBuild open) {
    return !open.kit().supplies().isEmpty()
        && !open.build().checked().containsKey(BuildEvent.Checked.SUPPLY);
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("unpack.supply.kicker"), say("unpack.supply.title"));
    for (Supply supply : open.kit().supplies()) {
      card.how(asked(supply));
      card.why(elsewhere(supply));
    }
    card.key('0', say("unpack.supply.none"), () -> answer(false));
    return card.go(say("unpack.supply.go"), () -> answer(true));
  }

  private String asked(Supply supply) {
    Band range = supply.rangeV();
    String volts =
        range == null
            ? Engineering.nominal(supply.volts(), "V")
            : say(
                "unpack.supply.range",
                Engineering.nominal(supply.volts(), "V"),
                Engineering.nominal(range.low(), ""),
                Engineering.nominal(range.high(), "V"));
    String plug =
        supply.polarity().isEmpty()
            ? say("unpack.supply.plug-unknown")
            : say("power.polarity." + known(supply.polarity()), supply.polarity());
    return say("unpack.supply.asked", volts, Math.round(supply.limitMa()), plug);
  }

  private String known(String polarity) {
    return seat.words().knows("power.polarity." + polarity) ? polarity : "other";
  }

  /** Without the plug it may be fed at any pin of the same two nets. */
  private String elsewhere(Supply supply) {
    return say("unpack.supply.else", pins(supply.plus()), pins(supply.minus()));
  }

  private String pins(String point) {
    String net = open.parts().net(point).orElse("");
    List<PinRef> pins = open.kit().nets().getOrDefault(net, List.of());
    return pins.isEmpty()
        ? point
        : pins.stream().limit(MOST_PINS).map(PinRef::toString).collect(Collectors.joining(", "));
  }

  private void answer(boolean fits) {
    open.act(new BuildEvent.Checked(BuildEvent.Checked.SUPPLY, fits));
  }

  @Override
  public Mat mat() {
    return bag.cups("");
  }
}
