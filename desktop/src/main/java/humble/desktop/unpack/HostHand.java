package humble.desktop.unpack;

import humble.core.build.BuildEvent;
import humble.core.kit.Host;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.List;

/** Asks for the number on the board that a conversion is made for. */
final class HostHand extends Hand {
  private final OpenBuild open;
  private int host;

  HostHand(Seat seat, OpenBuild open) {
    super(seat);
    this.open = open;
  }

  private List<Host> hosts() {
    return open.kit().hosts();
  }

  @Override
  public Card card() {
    Host asked = hosts().get(Math.min(host, hosts().size() - 1));
    Card.Maker card = seat.card(say("unpack.host.kicker"), say("unpack.host.title"));
    card.how(
        asked.where().isEmpty()
            ? say("unpack.host.how", asked.name())
            : say("unpack.host.where", asked.name(), asked.where()));
    if (open.build().host().isPresent()) {
      card.verdict(false, say("unpack.host.wrong"));
      card.how(say("unpack.host.stop"));
    }
    card.why(say("unpack.host.why"));
    if (hosts().size() > 1) {
      card.key('+', say("unpack.host.next"), () -> host = (host + 1) % hosts().size());
    }
    card.key('0', say("unpack.host.none"), () -> open.act(new BuildEvent.HostRead("", false)));
    return card.go(
        say("unpack.host.go", asked.mustShow()),
        () -> open.act(new BuildEvent.HostRead(asked.mustShow(), true)));
  }

  @Override
  public void pick(String spot) {
    if (spot.startsWith("host:")) {
      host = Integer.parseInt(spot.substring("host:".length()));
    }
  }

  @Override
  public Mat mat() {
    return new HostMat(say("unpack.host.mat"), hosts(), host);
  }
}
