package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.orient.Cue;
import humble.core.orient.CueBelief;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;

/** Weighs marks that contradict each other on a part with two leads, and says what settles it. */
final class CuesHand implements Hand {
  private static final List<Cue> OF_LIGHTS = List.of(Cue.LONG_LEAD, Cue.FLAT, Cue.CUP, Cue.LIGHTS);
  private static final List<Cue> OF_DIODES = List.of(Cue.STRIPE, Cue.TRIANGLE_TIP, Cue.LIGHTS);
  private static final List<Cue> OF_CANS = List.of(Cue.LONG_LEAD, Cue.STRIPE, Cue.PLUS, Cue.MINUS);

  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private final Line line;
  private final List<Cue> cues;
  private final List<String> leads;

  /** Where each cue points: 0 not seen, 1 the left lead, 2 the right one. */
  private final int[] at;

  private boolean away;

  CuesHand(OpenBuild open, Desk desk, Line line) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
    this.line = line;
    this.cues = cues(line.kind());
    this.at = new int[cues.size()];
    this.leads = List.of(words.say("fit.cues.left"), words.say("fit.cues.right"));
  }

  /** Tells whether the marks of such a part can be weighed here. */
  static boolean weighs(Line line) {
    return line.kind().isDiode() || line.kind() == PartKind.CAPACITOR_POLARISED;
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
    Card.Maker card = new Card.Maker(words.say("fit.cues.kicker"), words.say("fit.cues.title"));
    card.how(words.say("fit.cues.how"));
    for (int i = 0; i < cues.size(); i++) {
      card.row(
          at[i] == 0 ? Standing.TO_DO : Standing.DONE,
          words.say(
              "fit.cues.row",
              i + 1,
              words.say("fit.cue." + cues.get(i).text()),
              at[i] == 0 ? words.say("fit.cues.unseen") : leads.get(at[i] - 1)));
    }
    String lead = belief.lead();
    String pole = words.say(line.kind().isDiode() ? "pin.a" : "pin.+");
    if (!seen().isEmpty()) {
      card.verdict(
          !belief.conflict() && lead != null,
          belief.conflict()
              ? words.say("fit.cues.conflict")
              : lead == null
                  ? words.say("fit.cues.open")
                  : words.say("fit.cues.is", lead, pole, Math.round(belief.belief() * 100)));
    }
    belief.next().ifPresent(test -> card.how(desk.coreWords().say(test)));
    card.hint(
        "0",
        words.say("fit.cues.away"),
        () -> {
          digit(0);
          desk.refresh();
        });
    return lead == null
        ? card.notYet(words.say("fit.cues.more"))
        : card.go(words.say("fit.cues.go", lead, pole));
  }

  @Override
  public void enter(String typed) {
    CueBelief belief = belief();
    String lead = belief.lead();
    if (lead != null) {
      open.act(new BuildEvent.MarksWeighed(line.id(), lead, belief.belief(), belief.conflict()));
      away = true;
    }
  }

  @Override
  public void digit(int digit) {
    if (digit == 0) {
      away = true;
    } else if (digit <= at.length) {
      at[digit - 1] = (at[digit - 1] + 1) % 3;
    }
  }

  @Override
  public Mat mat() {
    List<String> left = new ArrayList<>();
    List<String> right = new ArrayList<>();
    for (int i = 0; i < at.length; i++) {
      String name = words.say("fit.cue." + cues.get(i).text());
      if (at[i] == 1) {
        left.add(name);
      } else if (at[i] == 2) {
        right.add(name);
      }
    }
    String lead = belief().lead();
    String pole = words.say(line.kind().isDiode() ? "pin.a" : "pin.+");
    return new CuesMat(
        words.say("fit.cues.mat"),
        line,
        left,
        right,
        lead == null ? -1 : leads.indexOf(lead),
        pole);
  }
}
