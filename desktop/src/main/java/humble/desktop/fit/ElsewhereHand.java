package humble.desktop.fit;

import humble.core.route.Step;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.util.Locale;

/** What comes next is done in a stage of its own: a gate, a program, a test, the case. */
final class ElsewhereHand extends StepHand {
  private final StageId place;

  ElsewhereHand(Of of) {
    super(of);
    this.place = Progress.place(open.kit(), step);
  }

  @Override
  String title() {
    return open.kit()
        .gate(step.id())
        .map(gate -> gate.title())
        .or(() -> open.kit().task(step.id()).map(task -> task.title()))
        .orElse(step.id());
  }

  /** Tells whether anything goes on the board or into a socket after this step. */
  private boolean partsFollow() {
    return open.plan().stream()
        .flatMap(plan -> plan.steps().stream())
        .anyMatch(later ->
            later.n() > step.n()
                && (later.act() == Step.Act.FIT || later.act() == Step.Act.INSERT));
  }

  @Override
  public Card card() {
    String where = place.name().toLowerCase(Locale.ROOT);
    boolean last = place == StageId.POWER && !partsFollow();
    Card.Maker card = begun().how(say("fit.elsewhere." + where + (last ? ".last" : "")));
    why(card);
    return withTools(card).go(say("fit.to." + where), () -> seat.desk().go(place));
  }
}
