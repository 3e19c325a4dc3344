package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.craft.Reversal;
import humble.core.kit.Harm;
import humble.core.kit.Line;
import humble.core.kit.Part;
import humble.core.kit.RefOrder;
import humble.core.route.Step;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import java.util.Locale;
import java.util.Optional;

/** Fits a part, or several alike, or puts one in: which way round, how, and what to look at. */
final class PartHand extends StepHand {
  private static final int TRY_DIGIT = 4;
  private static final int COLOURS_DIGIT = 3;

  private int focus;

  PartHand(Of of) {
    super(of);
  }

  private Part part() {
    return open.built().get(step.refs().getFirst());
  }

  @Override
  String title() {
    String refs = RefOrder.listed(step.refs());
    return say(
        step.act() == Step.Act.FIT ? "fit.title" : "fit.insert",
        refs,
        LineNames.single(seat.words(), part().line()));
  }

  @Override
  protected Optional<String> focused() {
    return Optional.of(step.refs().get(Math.min(focus, step.refs().size() - 1)));
  }

  @Override
  public Card card() {
    Part part = part();
    Harm harm = Reversal.of(open.built(), part);
    Card.Maker card = begun();
    PartLines lines = new PartLines(seat, open, step, part, said(focused().orElse(part.ref())));
    lines.how(card);
    fitsCase(card);
    boolean cautioned = caution(card);
    // What can burst is told at every one of its kind, whatever else the kit cautions of there.
    if (harm == Harm.DANGER ? !cautionsOfReversing() : !cautioned && harm.needsTwoMarks()) {
      card.caution(harm == Harm.DANGER, say("fit.harm." + harm.name().toLowerCase(Locale.ROOT)));
    }
    if (open.build().doubtfulLines().contains(part.line().id())) {
      card.verdict(false, say("fit.cues.batch"));
    }
    int open = harm.needsTwoMarks() ? marks(card, said(part.ref()), "") : 0;
    lines.why(card);
    why(card);
    tried(card, part.line());
    withTools(card);
    // Where more marks are looked at their digits come first.
    int digits = harm.needsTwoMarks() ? said(part.ref()).marks().size() : 0;
    if (digits < TRY_DIGIT) {
      TryFirstHand.of(of(), part.line())
          .ifPresent(hand -> card.key('4', say("fit.first.key"), () -> layOver(hand)));
    }
    boolean coloured = !part.line().particulars().colour().isEmpty();
    if (digits < COLOURS_DIGIT && coloured && ColoursHand.hasMap(this.open)) {
      card.key('3', say("fit.colours.key"), () -> layOver(new ColoursHand(of())));
    }
    if (step.refs().size() > 1) {
      card.key('+', say("fit.next-place"), () -> focus = (focus + 1) % step.refs().size());
    }
    return open > 0 ? card.notYet(say("fit.look-first", open)) : card.go(say(goes()), this::done);
  }

  /** What became of trying it on the bench. */
  private void tried(Card.Maker card, Line line) {
    TryFirstHand.result(open, line)
        .ifPresent(worked -> {
          if (worked) {
            card.why(say("fit.first.worked"));
          } else {
            card.verdict(false, say("fit.first.failed"));
          }
        });
  }

  private String goes() {
    if (step.act() == Step.Act.INSERT) {
      return "fit.inserted";
    }
    return ThroughHand.next(open, step).isPresent() ? "fit.coil.soldered" : "fit.go";
  }

  /** A coil is fitted when each of its wires is measured from end to end. */
  @Override
  protected void done() {
    if (ThroughHand.next(open, step).isPresent()) {
      open.act(new BuildEvent.MarkSeen(step.id(), ThroughHand.SOLDERED));
    } else {
      super.done();
    }
  }
}
