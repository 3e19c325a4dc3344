package humble.desktop.mend;

import humble.core.mend.Measure;
import humble.core.mend.Sight;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;

/** Asks how a light or a part that was pointed at looks. */
final class SymptomHand extends MendHand {
  private final Search now;
  private final String ref;
  private boolean over;

  SymptomHand(Of of, Search now, String ref) {
    super(of);
    this.now = now;
    this.ref = ref;
  }

  @Override
  public boolean over() {
    return over;
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("mend.kicker.symptom"), say("mend.symptom", ref)).how(how());
    List<Sight> sights = open.built().part(ref).map(Sight::worthAsking).orElse(List.of());
    for (int i = 0; i < sights.size(); i++) {
      Sight sight = sights.get(i);
      card.choice(
          i + 1,
          Standing.TO_DO,
          say("mend.choice", i + 1, say("mend.sight." + sight.text())),
          () -> seen(sight));
    }
    withSilentKeys(card).silent(Card.ESC, this::close);
    return card.go(say("mend.symptom.nothing"), this::close);
  }

  private String how() {
    ProbeWords probes = new ProbeWords(seat.words(), open.built(), now.state());
    Measure.Look look = new Measure.Look(ref);
    return probes.isClock(look) ? probes.how(look) : say("mend.symptom.how");
  }

  private void seen(Sight sight) {
    now.observe(sight.text() + ":" + ref, false);
    mending.next();
    close();
  }

  private void close() {
    over = true;
  }
}
