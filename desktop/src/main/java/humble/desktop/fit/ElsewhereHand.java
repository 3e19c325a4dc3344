package humble.desktop.fit;

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

  @Override
  public Card card() {
    String where = place.name().toLowerCase(Locale.ROOT);
    Card.Maker card = begun().how(say("fit.elsewhere." + where));
    why(card);
    return withTools(card).go(say("fit.to." + where), () -> seat.desk().go(place));
  }
}
