package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.kit.KitOption;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;

/** Takes one choice of an option; the plan follows it. */
final class ChooseHand extends StepHand {
  private int choice;

  ChooseHand(Of of) {
    super(of);
  }

  private KitOption option() {
    return open.kit().options().stream()
        .filter(option -> option.id().equals(step.id()))
        .findFirst()
        .orElseThrow();
  }

  @Override
  String title() {
    return option().question();
  }

  @Override
  public Card card() {
    KitOption option = option();
    List<KitOption.Choice> choices = option.choices();
    Card.Maker card = begun();
    for (int i = 0; i < choices.size(); i++) {
      int number = i;
      card.row(
          i == choice ? Standing.NOW : Standing.TO_DO,
          say("fit.choice", i + 1, choices.get(i).label()));
      if (i < 9) {
        card.key((char) ('1' + i), choices.get(i).id(), () -> choice = number);
      }
    }
    card.why(seat.say(step.because().getFirst()));
    StepHand.keys(card, seat);
    KitOption.Choice taken = choices.get(choice);
    return card.go(
        say("fit.take", taken.label()),
        () -> open.act(new BuildEvent.Chose(option.id(), taken.id())));
  }
}
