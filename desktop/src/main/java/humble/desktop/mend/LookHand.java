package humble.desktop.mend;

import humble.core.mend.Measure;
import humble.core.mend.Sight;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;

/** Asks how a light looks. */
final class LookHand extends AskHand<Measure.Look> {
  private final List<Sight> sights;

  LookHand(Of of, Search now, Measure.Look look) {
    super(of, now, look);
    this.sights =
        probes().isClock(look)
            ? List.of(Sight.RUNNING, Sight.STILL)
            : List.of(Sight.LIT, Sight.DIM, Sight.DARK);
  }

  @Override
  public Card card() {
    Card.Maker card = begun();
    for (int i = 0; i < sights.size(); i++) {
      Sight sight = sights.get(i);
      card.choice(
          i + 1,
          Standing.TO_DO,
          say("mend.choice", i + 1, say("mend.sight." + sight.text())),
          () -> observed(sight.text() + ":" + measure.ref()));
    }
    soFar(card, "−");
    leaving(card);
    return mending.practised().isPresent()
        ? card.go(say("mend.practice-look"), this::practised)
        : card.notYet(say(sights.size() == 2 ? "mend.choose.two" : "mend.choose"));
  }
}
