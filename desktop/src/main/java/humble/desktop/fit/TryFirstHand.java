package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.craft.BenchTrial;
import humble.core.kit.Line;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import java.util.Optional;

/** Tries lights, switches and modules on the bench, before they are soldered: whoever wants to. */
final class TryFirstHand extends StepHand {
  private static final String WORKS = "works";
  private static final String FAILS = "fails";

  private final Line line;
  private final BenchTrial kind;
  private boolean over;

  private TryFirstHand(Of of, Line line, BenchTrial kind) {
    super(of);
    this.line = line;
    this.kind = kind;
  }

  /** Gives the hand for a line that can be tried and does not work yet: a spare is tried too. */
  static Optional<TryFirstHand> of(Of of, Line line) {
    return result(of.open(), line).orElse(false)
        ? Optional.empty()
        : BenchTrial.of(line).map(kind -> new TryFirstHand(of, line, kind));
  }

  /** Tells whether a line was tried, and whether it worked; empty when it was not. */
  static Optional<Boolean> result(OpenBuild open, Line line) {
    return open.build()
        .tried(line.id())
        .filter(t -> t.equals(WORKS) || t.equals(FAILS))
        .map(WORKS::equals);
  }

  @Override
  public boolean over() {
    return over;
  }

  @Override
  String title() {
    return say("fit.first.title", LineNames.single(seat.words(), line));
  }

  @Override
  public Card card() {
    Card.Maker card = begun().how(say("fit.first." + kind.text()));
    if (step.refs().size() > 1) {
      card.how(say("fit.first.each", step.refs().size()));
    }
    card.choice(1, Standing.NOW, say("fit.choice", 1, say("fit.first.works")), () -> end(WORKS));
    card.choice(2, Standing.TO_DO, say("fit.choice", 2, say("fit.first.fails")), () -> end(FAILS));
    open.built()
        .part(step.refs().getFirst())
        .ifPresent(part -> card.why(say("fit.first.why", part.pack().pins().size())));
    card.key(Card.ESC, say("mend.leave"), () -> over = true);
    return card.go(say("fit.first.go"), () -> end(WORKS));
  }

  private void end(String how) {
    over = true;
    open.act(new BuildEvent.Tried(line.id(), how));
  }
}
