package humble.desktop.close;

import humble.core.build.BuildEvent;
import humble.core.casing.CaseFit;
import humble.core.casing.Misfit;
import humble.core.kit.Enclosure;
import humble.core.own.Edit;
import humble.core.own.Follows;
import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Something does not fit: how much is missing, and what is done about it. */
final class MisfitHand extends CloseHand {
  private static final int MOST = 8;

  private final Misfit misfit;
  private String trouble = "";

  MisfitHand(Seat seat, CloseCards cards, Misfit misfit) {
    super(seat, cards);
    this.misfit = misfit;
    cards.lookAt(misfit.ref());
  }

  /** Gives what does not fit and is not decided. */
  static List<Misfit> undecided(CloseCards cards) {
    CaseFit fit = cards.fit();
    return fit.misfits().stream().filter(each -> !isDecided(cards, each)).toList();
  }

  /** A change that was to cure it and did not decides nothing. */
  private static boolean isDecided(CloseCards cards, Misfit misfit) {
    BuildEvent.Answered answer = cards.open().build().answered().get(question(misfit));
    return answer != null && answer.changes().isEmpty();
  }

  private static String question(Misfit misfit) {
    return "case:" + misfit.kind().text() + ":" + misfit.ref() + ":" + misfit.against();
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(
            say("close.misfit.kicker", undecided(cards).size()),
            say(
                "close.misfit." + misfit.kind().text(),
                misfit.ref(),
                misfit.against(),
                CloseCards.mm(Math.ceil(misfit.missingMm() * 10 - 1e-6) / 10)));
    card.verdict(false, seat.say(misfit.said()));
    if (!trouble.isEmpty()) {
      card.verdict(false, trouble);
    }
    card.how(say(misfit.cures().isEmpty() ? "close.misfit.none" : "close.misfit.how"));
    List<Misfit.Cure> cures = cures();
    for (int i = 0; i < Math.min(MOST, cures.size()); i++) {
      Misfit.Cure cure = cures.get(i);
      card.choice(
          i + 1,
          Standing.TO_DO,
          seat.say("fit.choice", String.valueOf(i + 1), seat.say(cure.how())),
          () -> decide(seat.say(cure.how()), cure.change().flatMap(this::edit)));
    }
    card.key(
        '.', say("close.misfit.leave"), () -> decide(say("close.misfit.left"), Optional.empty()));
    withKeys(card);
    return card.notYet(say("close.misfit.choose"));
  }

  /** What would have to be unsoldered comes last. */
  private List<Misfit.Cure> cures() {
    return misfit.cures().stream().sorted(Comparator.comparing(this::isUndone)).toList();
  }

  private boolean isUndone(Misfit.Cure cure) {
    return cure.change()
        .filter(change ->
            change instanceof Misfit.Change.Sits sits
                && cards.open().build().fittedRefs().contains(sits.place().ref()))
        .isPresent();
  }

  private Optional<Edit> edit(Misfit.Change change) {
    Optional<Enclosure> casing = cards.casing();
    return switch (change) {
      case Misfit.Change.Sits sits -> Optional.of(new Edit.PutPlace(sits.place()));
      case Misfit.Change.Thick thick ->
          casing.map(now -> new Edit.PutCase(now.with(thick.layer(), thick.mm())));
      case Misfit.Change.Hole hole -> casing.map(now -> new Edit.PutCase(now.with(hole.cutout())));
    };
  }

  /** Writes down what is done; the kit on the bench is so from then on, and is reckoned anew. */
  private void decide(String said, Optional<Edit> edit) {
    List<String> against =
        cards
            .session()
            .tell(question(misfit), said, new Follows(edit.stream().toList(), List.of()));
    trouble = against.isEmpty() ? "" : against.getFirst();
    if (against.isEmpty()) {
      seat.desk().go(StageId.CLOSE);
    }
  }
}
