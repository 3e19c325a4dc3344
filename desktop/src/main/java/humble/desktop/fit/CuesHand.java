package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.orient.Cue;
import humble.core.orient.CueBelief;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;

/** Weighs marks that contradict each other on a part with two leads, and says what settles it. */
final class CuesHand extends Hand {
  private static final List<Cue> OF_LIGHTS = List.of(Cue.LONG_LEAD, Cue.FLAT, Cue.CUP, Cue.LIGHTS);
  private static final List<Cue> OF_DIODES = List.of(Cue.STRIPE, Cue.TRIANGLE_TIP, Cue.LIGHTS);
  private static final List<Cue> OF_CANS = List.of(Cue.LONG_LEAD, Cue.STRIPE, Cue.PLUS, Cue.MINUS);

  private final OpenBuild open;
  private final Line line;
  private final List<Cue> cues;
  private final List<String> leads;

  /** Where each cue points: 0 not seen, 1 the left lead, 2 the right one. */
  private final int[] at;

  private boolean away;

  CuesHand(Seat seat, OpenBuild open, Line line) {
    super(seat);
    this.open = open;
    this.line = line;
    this.cues = cues(line.kind());
    this.at = new int[cues.size()];
    this.leads = List.of(say("fit.cues.left"), say("fit.cues.right"));
  }

  /** Tells whether the marks of such a part can be weighed here. */
  static boolean weighs(Line line) {
    return line.isOriented()
        && (line.kind().isDiode() || line.kind() == PartKind.CAPACITOR_POLARISED);
  }

  private static List<Cue> cues(PartKind kind) {
    return kind == PartKind.LED ? OF_LIGHTS : kind.isDiode() ? OF_DIODES : OF_CANS;
  }

  private List<CueBelief.Seen> seen() {
    List<CueBelief.Seen> seen = new ArrayList<>();
    for (int i = 0; i < at.length; i++) {
      if (at[i] > 0) {
        Cue cue = cues.get(i);
        seen.add(new CueBelief.Seen(cue, leads.get(at[i] - 1), cue.reliability()));
      }
    }
    return seen;
  }

  private CueBelief belief() {
    return CueBelief.of(line.kind(), leads, seen());
  }

  @Override
  public boolean over() {
    return away;
  }

  @Override
  public Card card() {
    CueBelief belief = belief();
    Card.Maker card = seat.card(say("fit.cues.kicker"), say("fit.cues.title"));
    card.how(say("fit.cues.how"));
    for (int i = 0; i < cues.size(); i++) {
      int cue = i;
      card.choice(
          i + 1,
          at[i] == 0 ? Standing.TO_DO : Standing.DONE,
          say(
              "fit.cues.row",
              i + 1,
              say("fit.cue." + cues.get(i).text()),
              at[i] == 0 ? say("fit.cues.unseen") : leads.get(at[i] - 1)),
          () -> at[cue] = (at[cue] + 1) % 3);
    }
    String lead = belief.lead();
    String pole = say(line.kind().isDiode() ? "pin.a" : "pin.+");
    if (!seen().isEmpty()) {
      card.verdict(
          !belief.conflict() && lead != null,
          belief.conflict()
              ? say("fit.cues.conflict")
              : lead == null
                  ? say("fit.cues.open")
                  : say("fit.cues.is", lead, pole, Math.round(belief.belief() * 100)));
    }
    belief.next().ifPresent(test -> card.how(seat.say(test)));
    card.key('0', say("fit.cues.away"), () -> away = true);
    return lead == null
        ? card.notYet(say("fit.cues.more"))
        : card.go(say("fit.cues.go", lead, pole), () -> weighed(belief, lead));
  }

  private void weighed(CueBelief belief, String lead) {
    open.act(new BuildEvent.MarksWeighed(line.id(), lead, belief.belief(), belief.conflict()));
    away = true;
  }

  @Override
  public Mat mat() {
    List<String> left = new ArrayList<>();
    List<String> right = new ArrayList<>();
    for (int i = 0; i < at.length; i++) {
      String name = say("fit.cue." + cues.get(i).text());
      if (at[i] == 1) {
        left.add(name);
      } else if (at[i] == 2) {
        right.add(name);
      }
    }
    String lead = belief().lead();
    String pole = say(line.kind().isDiode() ? "pin.a" : "pin.+");
    return new CuesMat(
        say("fit.cues.mat"), line, left, right, lead == null ? -1 : leads.indexOf(lead), pole);
  }
}
