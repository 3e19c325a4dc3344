package humble.desktop.unpack;

import humble.core.build.BuildEvent;
import humble.core.craft.OthersDanger;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;

/**
 * What the finished thing does to others: asked once, where the kit's author says nothing of it.
 */
final class DangersHand extends Hand {
  private final OpenBuild open;
  private final Supplier<Mat> picture;
  private final Set<OthersDanger> said = EnumSet.noneOf(OthersDanger.class);

  DangersHand(Seat seat, OpenBuild open, Supplier<Mat> picture) {
    super(seat);
    this.open = open;
    this.picture = picture;
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("unpack.dangers.kicker"), say("unpack.dangers.title"));
    card.how(say("unpack.dangers.how"));
    for (OthersDanger danger : OthersDanger.values()) {
      int number = danger.ordinal() + 1;
      card.choice(
          number,
          said.contains(danger) ? Standing.DONE : Standing.TO_DO,
          say("unpack.dangers.row", number, say("unpack.danger." + danger.text())),
          () -> turn(danger));
    }
    card.why(say("unpack.dangers.why"));
    return card.go(
        said.isEmpty() ? say("unpack.dangers.none") : say("unpack.dangers.go", said.size()),
        this::tell);
  }

  private void turn(OthersDanger danger) {
    if (!said.remove(danger)) {
      said.add(danger);
    }
  }

  private void tell() {
    List<String> names = new ArrayList<>();
    said.forEach(danger -> names.add(danger.text()));
    open.act(new BuildEvent.SaysDangers(names));
    // The kit has other cautions now.
    seat.desk().go(StageId.UNPACK);
  }

  @Override
  public Mat mat() {
    return picture.get();
  }
}
