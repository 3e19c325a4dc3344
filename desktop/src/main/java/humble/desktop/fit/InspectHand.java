package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.craft.CloseCall;
import humble.core.craft.Inspection;
import humble.core.kit.LeadClass;
import humble.core.kit.PinRef;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Joint after joint under the magnifier, those that would hurt first; a key for each. */
final class InspectHand extends Hand {
  private static final List<Inspection.Seen> SEEN = List.of(Inspection.Seen.values());

  private final OpenBuild open;
  private final BoardView view;
  private final Faces faces;
  private final Inspection inspection;
  private boolean away;

  InspectHand(Seat seat, OpenBuild open, BoardView view, Faces faces) {
    super(seat);
    this.faces = faces;
    this.open = open;
    this.view = view;
    this.inspection = Inspection.of(open.built(), view.board().id(), open.build().fittedRefs());
  }

  /** Gives how many joints of a board have been looked at and are as they should be. */
  static long good(OpenBuild open, Inspection inspection) {
    Map<String, String> joints = open.build().joints();
    return inspection.joints().stream()
        .filter(joint -> "good".equals(joints.get(joint.pin().toString())))
        .count();
  }

  /** The joint of a lead through a hole is on the far side of its part. */
  private BoardView towards(Inspection.Joint joint) {
    Side side =
        open.built()
            .part(joint.pin().ref())
            .flatMap(part ->
                part.placed()
                    .map(place ->
                        part.pack().lead() == LeadClass.SMD
                            ? place.side()
                            : place.side() == Side.TOP ? Side.BOTTOM : Side.TOP))
            .orElse(Side.BOTTOM);
    return new BoardView(view.board(), side, view.turnDeg());
  }

  private Optional<Inspection.Joint> now() {
    Map<String, String> joints = open.build().joints();
    return inspection.joints().stream()
        .filter(joint -> !"good".equals(joints.get(joint.pin().toString())))
        .findFirst();
  }

  @Override
  public boolean over() {
    return away || now().isEmpty();
  }

  @Override
  public Card card() {
    Inspection.Joint joint = now().orElseThrow();
    int total = inspection.joints().size();
    Card.Maker card =
        seat.card(
            say("fit.inspect.kicker", good(open, inspection) + 1, total),
            say("fit.inspect.title", name(joint.pin())));
    joint
        .close()
        .ifPresentOrElse(
            call -> close(card, joint.pin(), call),
            () -> card.how(say(joint.soaksHeat() ? "fit.inspect.plane" : "fit.inspect.plain")));
    String seen = open.build().joints().get(joint.pin().toString());
    if (seen != null) {
      card.verdict(false, say("fit.inspect.do." + seen));
    }
    for (int i = 0; i < SEEN.size(); i++) {
      Inspection.Seen each = SEEN.get(i);
      card.choice(
          i + 1,
          each.text().equals(seen) ? Standing.NOW : Standing.TO_DO,
          say("fit.choice", i + 1, say("fit.inspect." + each.text())),
          () -> see(each));
    }
    card.key('0', say("fit.inspect.away"), () -> away = true);
    return card.go(say("fit.inspect.go"), () -> see(Inspection.Seen.GOOD));
  }

  private String name(PinRef pin) {
    String named =
        open.built().part(pin.ref()).map(part -> part.pinName(pin.pin())).orElse(pin.pin());
    return say("fit.inspect.joint", pin.ref(), named);
  }

  private void close(Card.Maker card, PinRef here, CloseCall call) {
    PinRef other = call.a().equals(here) ? call.b() : call.a();
    boolean mineIsA = call.a().equals(here);
    card.how(
        say(
            "fit.inspect.close",
            String.format(Locale.ROOT, "%.1f", Math.max(0, call.gapMm())),
            name(other),
            mineIsA ? call.netA() : call.netB(),
            mineIsA ? call.netB() : call.netA()));
    if (call.hurt() != CloseCall.Hurt.SIGNAL) {
      card.caution(
          call.hurt() == CloseCall.Hurt.SUPPLY,
          say("fit.inspect.hurt." + call.hurt().name().toLowerCase(Locale.ROOT)));
    }
  }

  private void see(Inspection.Seen seen) {
    now()
        .ifPresent(
            joint -> open.act(new BuildEvent.JointSeen(joint.pin().toString(), seen.text())));
  }

  @Override
  public Mat mat() {
    BoardView seen = now().map(this::towards).orElse(view);
    return new InspectMat(
        open.built(),
        seen,
        open.onBoard(),
        now(),
        inspection,
        open.build().joints(),
        faces,
        say(seen.side() == Side.TOP ? "fit.side.top" : "fit.side.bottom"));
  }
}
