package humble.desktop.unpack;

import humble.core.build.BuildEvent;
import humble.core.host.Found;
import humble.core.host.HostSurvey;
import humble.core.host.Replacement;
import humble.core.kit.Board;
import humble.core.kit.LookOver;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.words.Phrase;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Surveys the board of a host, spot by spot: nothing there, a part there, or burnt. */
final class SurveyHand extends Hand {
  private final OpenBuild open;
  private final List<HostSurvey.Spot> spots;
  private final int index;
  private Found found;

  SurveyHand(Seat seat, OpenBuild open, List<HostSurvey.Spot> spots, int index) {
    super(seat);
    this.open = open;
    this.spots = spots;
    this.index = index;
    this.found = spots.get(index).expected();
  }

  private HostSurvey.Spot spot() {
    return spots.get(index);
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(
            say("unpack.survey.kicker", index + 1, spots.size()),
            say("unpack.survey.title", spot().ref(), spot().board()));
    card.how(seat.say(spot().says()));
    for (Found each : Found.values()) {
      card.choice(
          each.ordinal() + 1,
          each == found ? Standing.NOW : Standing.TO_DO,
          say("fit.choice", each.ordinal() + 1, say("unpack.survey." + each.text())),
          () -> found = each);
    }
    List<Phrase> follows = HostSurvey.follows(open.parts(), spot(), found);
    if (!follows.isEmpty()) {
      card.verdict(false, seat.say(follows.getFirst()));
      follows.stream().skip(1).forEach(phrase -> card.how(seat.say(phrase)));
    }
    Replacement.of(open.parts(), spot().ref()).stream()
        .filter(point -> point.verdict() != Replacement.Verdict.FITS)
        .forEach(point -> card.why(seat.say(point.says())));
    card.why(say("unpack.survey.why"));
    return card.go(say("unpack.survey.go." + found.text()), this::write);
  }

  private void write() {
    open.act(new BuildEvent.Surveyed(spot().ref(), found.text()));
  }

  @Override
  public Mat mat() {
    Side side = spot().side();
    Board board = open.kit().board(spot().board()).orElseThrow();
    Map<String, Boolean> seen = new HashMap<>();
    for (HostSurvey.Spot spot : spots) {
      String was = open.build().surveyed().get(spot.ref());
      if (was != null) {
        seen.put(spot.board() + "/" + spot.ref(), was.equals(spot.expected().text()));
      }
    }
    List<HostSurvey.Spot> here =
        spots.stream().filter(spot -> spot.board().equals(board.id())).toList();
    return new LookMat(
        say("unpack.survey.mat"),
        say(side == Side.TOP ? "fit.side.top" : "fit.side.bottom"),
        open.parts(),
        new BoardView(board, side, 0),
        here.stream()
            .map(spot ->
                new LookOver.Spot(
                    spot.ref(), spot.side(), spot.at(), spot.radiusMm() + 2, spot.says()))
            .toList(),
        here.indexOf(spot()),
        seen);
  }
}
