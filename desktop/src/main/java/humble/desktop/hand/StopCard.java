package humble.desktop.hand;

import humble.core.build.BuildEvent;
import humble.core.craft.Stop;
import humble.core.words.Words;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import humble.desktop.stage.Typed;

/** The card of a caution that says stop: it is acknowledged with a reason, chosen or written. */
public final class StopCard {
  private static final int REASONS = 3;

  private StopCard() {}

  /** Ends a card with what is stopped for, and the reasons for which one may go on. */
  public static Card of(Card.Maker card, Stop stop, OpenBuild open, Typed typed, Words words) {
    card.how(words.say("caution.stop.how")).caution(true, stop.caution().text());
    // What the practice bench shows is nobody's reason.
    String own = typed.isPractice() ? "" : typed.text().strip();
    card.field(typed.isPractice() ? "" : typed.text(), "", Takes.WORDS);
    for (int i = 1; i <= REASONS; i++) {
      String reason = words.say("caution.stop.reason." + i);
      card.choice(
          i,
          Standing.TO_DO,
          words.say("caution.stop.choice", i, reason),
          () -> acknowledge(stop, reason, open, typed));
    }
    return own.isEmpty()
        ? card.notYet(words.say("caution.stop.go"))
        : card.go(words.say("caution.stop.go"), () -> acknowledge(stop, own, open, typed));
  }

  private static void acknowledge(Stop stop, String reason, OpenBuild open, Typed typed) {
    typed.clear();
    open.act(new BuildEvent.Acknowledged(stop.key(), reason));
  }
}
