package humble.desktop.mend;

import humble.core.kit.Parts;
import humble.core.mend.Diagnosis;
import humble.core.mend.TwoFaults;
import humble.core.words.Words;
import humble.desktop.stage.Card;
import humble.desktop.stage.FaultWords;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;

/** What it may have been, to be named by a digit. */
record Naming(Words words, Parts parts) {
  private static final int MOST_CHOICES = 9;
  private static final int MOST_PAIRS = 3;
  private static final double WORTH_NAMING = 0.02;

  /** Gives what may be named: two at once where only two explain it, then the leading groups. */
  static List<String> choices(Search now, Diagnosis.Known known) {
    List<String> choices = new ArrayList<>();
    now.pairs().stream().limit(MOST_PAIRS).map(TwoFaults.Pair::text).forEach(choices::add);
    for (Diagnosis.Named named : known.suspects()) {
      boolean leads = choices.isEmpty() || named.belief() > WORTH_NAMING;
      for (String each : leads ? named.group() : List.<String>of()) {
        if (choices.size() < MOST_CHOICES) {
          choices.add(each);
        }
      }
    }
    return choices;
  }

  /** Begins the card that asks what it was. */
  Card.Maker card(Search now, Diagnosis.Known known) {
    boolean sure =
        !known.suspects().isEmpty() && known.suspects().getFirst().belief() >= Diagnosis.SURE;
    Card.Maker card =
        new Card.Maker(
            words.say("mend.kicker.known", now.state().title(), now.observations().size()),
            words.say(sure ? "mend.sure" : "mend.named"));
    card.how(
        words.say(
            sure ? "mend.sure.how" : known.next().isEmpty() ? "mend.rest.how" : "mend.named.how"));
    List<String> choices = choices(now, known);
    for (int i = 0; i < choices.size(); i++) {
      card.row(
          i == 0 ? Standing.NOW : Standing.TO_DO,
          words.say("mend.choice", i + 1, FaultWords.say(words, parts, choices.get(i))));
    }
    tries(card, known);
    if (!known.explained()) {
      unexplained(card, now);
    }
    return card;
  }

  private void tries(Card.Maker card, Diagnosis.Known known) {
    if (!known.suspects().isEmpty()) {
      known
          .suspects()
          .getFirst()
          .suspect()
          .kitFault()
          .filter(fault -> !fault.tryThis().isEmpty())
          .ifPresent(fault -> card.why(words.say("mend.try", fault.tryThis())));
    }
  }

  /** Says that no single fault explains what was read, and which two would. */
  void unexplained(Card.Maker card, Search now) {
    card.verdict(false, words.say("mend.unexplained"));
    now.pairs().stream()
        .limit(2)
        .forEach(pair ->
            card.why(
                words.say(
                    "mend.two",
                    FaultWords.say(words, parts, pair.text()),
                    Math.round(100 * pair.belief()))));
  }
}
