package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.craft.CloseCall;
import humble.core.craft.Inspection;
import humble.core.kit.LeadClass;
import humble.core.kit.PinRef;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.words.Words;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Joint after joint under the magnifier, those that would hurt first; a key for each. */
final class InspectHand implements Hand {
  private static final List<Inspection.Seen> SEEN = List.of(Inspection.Seen.values());

  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private final BoardView view;
  private final Faces faces;
  private final Inspection inspection;
  private boolean away;

  InspectHand(OpenBuild open, Desk desk, BoardView view, Faces faces) {
    this.faces = faces;
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
    this.view = view;
    this.inspection =
        Inspection.of(open.fittedParts(), view.board().id(), open.build().fittedRefs());
  }

  /** Gives how many joints of a board have been looked at and are as they should be. */
  static long good(OpenBuild open, Inspection inspection) {
    Map<String, String> joints = open.build().joints();
    return inspection.joints().stream()
        .filter(joint -> "good".equals(joints.get(joint.pin().toString())))
        .count();
  }

  Inspection inspection() {
    return inspection;
  }

  /** The joint of a lead through a hole is on the far side of its part. */
  private BoardView towards(Inspection.Joint joint) {
    Side side =
        open.fittedParts()
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
        new Card.Maker(
            words.say("fit.inspect.kicker", good(open, inspection) + 1, total),
            words.say("fit.inspect.title", name(joint.pin())));
    joint
        .close()
        .ifPresentOrElse(
            call -> close(card, joint.pin(), call),
            () ->
                card.how(words.say(joint.soaksHeat() ? "fit.inspect.plane" : "fit.inspect.plain")));
    String seen = open.build().joints().get(joint.pin().toString());
    if (seen != null) {
      card.verdict(false, words.say("fit.inspect.do." + seen));
    }
    for (int i = 0; i < SEEN.size(); i++) {
      Inspection.Seen each = SEEN.get(i);
      card.row(
          each.text().equals(seen) ? Standing.NOW : Standing.TO_DO,
          words.say("fit.choice", i + 1, words.say("fit.inspect." + each.text())));
    }
    card.hint(
        "0",
        words.say("fit.inspect.away"),
        () -> {
          digit(0);
          desk.refresh();
        });
    return card.go(words.say("fit.inspect.go"));
  }

  private String name(PinRef pin) {
    String named =
        open.fittedParts().part(pin.ref()).map(part -> part.pinName(pin.pin())).orElse(pin.pin());
    return words.say("fit.inspect.joint", pin.ref(), named);
  }

  private void close(Card.Maker card, PinRef here, CloseCall call) {
    PinRef other = call.a().equals(here) ? call.b() : call.a();
    boolean mineIsA = call.a().equals(here);
    card.how(
        words.say(
            "fit.inspect.close",
            String.format(Locale.ROOT, "%.1f", Math.max(0, call.gapMm())),
            name(other),
            mineIsA ? call.netA() : call.netB(),
            mineIsA ? call.netB() : call.netA()));
    if (call.hurt() != CloseCall.Hurt.SIGNAL) {
      card.caution(
          call.hurt() == CloseCall.Hurt.SUPPLY,
          words.say("fit.inspect.hurt." + call.hurt().name().toLowerCase(Locale.ROOT)));
    }
  }

  @Override
  public void enter(String typed) {
    see(Inspection.Seen.GOOD);
  }

  @Override
  public void digit(int digit) {
    if (digit == 0) {
      away = true;
    } else if (digit <= SEEN.size()) {
      see(SEEN.get(digit - 1));
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
        open.fittedParts(),
        seen,
        open.build().fittedRefs(),
        now(),
        inspection,
        open.build().joints(),
        faces,
        words.say(seen.side() == Side.TOP ? "fit.side.top" : "fit.side.bottom"));
  }
}
