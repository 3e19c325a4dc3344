package humble.desktop.own;

import humble.core.own.Buzzing;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Asks for the pairs that a continuity meter has to tell, and says when it has enough. */
final class BuzzHand extends Hand {
  private final OwnBench bench;
  private boolean over;

  BuzzHand(OwnBench bench) {
    super(bench.seat());
    this.bench = bench;
  }

  @Override
  public boolean over() {
    return over;
  }

  private Buzzing buzzing() {
    Map<String, String> said = new LinkedHashMap<>();
    bench.open().build().answered().forEach((question, a) -> said.put(question, a.said()));
    return new Buzzing(bench.kit(), said);
  }

  @Override
  public Card card() {
    Buzzing buzzing = buzzing();
    List<Buzzing.Pair> open = buzzing.open();
    Card.Maker card =
        open.isEmpty()
            ? seat.card(say("own.buzz.kicker.done"), say("own.buzz.enough"))
            : seat.card(
                say("own.buzz.kicker", open.size()),
                say(
                    "own.buzz.title",
                    open.getFirst().a().toString(),
                    open.getFirst().b().toString()));
    bench.trouble(card);
    buzzing
        .shorts()
        .forEach(pair ->
            card.caution(true, say("own.buzz.short", pair.a().toString(), pair.b().toString())));
    card.key('.', say("own.join.leave"), () -> over = true);
    card.key(Card.BACK, say("key.take-back"), bench::takeBack);
    if (open.isEmpty()) {
      card.how(say(buzzing.shorts().isEmpty() ? "own.buzz.enough.how" : "own.buzz.short.how"));
      return card.go(say("own.join.leave"), () -> over = true);
    }
    Buzzing.Pair pair = open.getFirst();
    card.how(say("own.buzz.how"));
    card.how(
        say(
            "own.buzz.should." + pair.should().name().toLowerCase(java.util.Locale.ROOT),
            pair.net()));
    card.choice(1, Standing.TO_DO, say("own.buzz.beeps"), () -> said(buzzing, pair, true));
    card.choice(2, Standing.TO_DO, say("own.buzz.silent"), () -> said(buzzing, pair, false));
    card.why(say("own.buzz.why"));
    return card.notYet(say("own.choice.go"));
  }

  private void said(Buzzing buzzing, Buzzing.Pair pair, boolean beeps) {
    bench.tell(pair.id(), beeps ? Buzzing.JOINED : Buzzing.OPEN, buzzing.buzzed(pair, beeps));
  }

  @Override
  public Mat mat() {
    buzzing().open().stream().findFirst().ifPresent(pair -> bench.lookAt(pair.b().ref()));
    List<OwnMat.Tag> tags =
        buzzing().open().stream()
            .limit(1)
            .flatMap(pair ->
                List.of(pair.a(), pair.b()).stream()
                    .flatMap(pin ->
                        bench.parts().padAt(pin).stream()
                            .map(at -> new OwnMat.Tag(at, pin.toString()))))
            .toList();
    return bench.mat(
        say("own.buzz.mat"),
        tags.stream().map(OwnMat.Tag::at).toList(),
        tags,
        Set.of(),
        OwnMat.Answers.NOTHING);
  }
}
