package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.craft.WindingPlan;
import humble.core.kit.Winding;
import humble.core.units.Engineering;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Standing;
import java.util.Optional;

/** Counts the turns of a ring with one key, coil after coil. */
final class WindHand implements Hand {
  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private final Winding winding;
  private final WindingPlan plan;

  WindHand(OpenBuild open, Desk desk, Winding winding) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
    this.winding = winding;
    this.plan = WindingPlan.of(winding);
  }

  /** Tells whether a winding has all its turns. */
  static boolean isWound(OpenBuild open, Winding winding) {
    return WindingPlan.of(winding).coils().stream()
        .allMatch(coil -> open.build().wound(winding.id(), coil.id()) >= coil.turns());
  }

  private Optional<WindingPlan.Coil> now() {
    return plan.coils().stream().filter(coil -> wound(coil) < coil.turns()).findFirst();
  }

  private int wound(WindingPlan.Coil coil) {
    return open.build().wound(winding.id(), coil.id());
  }

  @Override
  public boolean over() {
    return now().isEmpty();
  }

  @Override
  public Card card() {
    WindingPlan.Coil coil = now().orElseThrow();
    Card.Maker card =
        new Card.Maker(
            words.say("fit.wind.kicker", winding.ref(), winding.core().colour()),
            words.say("fit.wind.title", wound(coil) + 1, coil.turns()));
    if (wound(coil) == 0) {
      card.how(words.say("fit.wind.cut", Math.round(coil.wireMm() / 10)));
    }
    card.how(words.say("fit.wind.pass"));
    card.how(words.say("fit.wind." + coil.sense()));
    for (WindingPlan.Coil each : plan.coils()) {
      card.row(
          wound(each) >= each.turns()
              ? Standing.DONE
              : each.equals(coil) ? Standing.NOW : Standing.TO_DO,
          words.say(
              "fit.wind.coil",
              each.id(),
              each.turns(),
              Engineering.reading(each.inductanceH(), "H")));
    }
    card.why(words.say(plan.fits() ? "fit.wind.fits" : "fit.wind.full", plan.layers()));
    card.hint(
        "5",
        words.say("fit.wind.five"),
        () -> {
          digit(5);
          desk.refresh();
        });
    card.hint(
        "0",
        words.say("fit.wind.away"),
        () -> {
          digit(0);
          desk.refresh();
        });
    card.hint(
        "−",
        words.say("fit.wind.back"),
        () -> {
          open.takeBack();
          desk.refresh();
        });
    return card.go(words.say("fit.wind.go"));
  }

  @Override
  public void enter(String typed) {
    wind(1);
  }

  private void wind(int turns) {
    now()
        .ifPresent(coil ->
            open.act(
                new BuildEvent.Wound(
                    winding.id(), coil.id(), Math.min(coil.turns(), wound(coil) + turns))));
  }

  @Override
  public void digit(int digit) {
    if (digit == 0) {
      open.act(
          plan.coils().stream()
              .map(coil -> new BuildEvent.Wound(winding.id(), coil.id(), coil.turns()))
              .toArray(BuildEvent[]::new));
    } else {
      wind(digit);
    }
  }

  @Override
  public Mat mat() {
    WindingPlan.Coil coil = now().orElse(plan.coils().getLast());
    return new WindMat(
        winding,
        plan,
        coil,
        wound(coil),
        words.say("fit.wind.mat"),
        words.say("fit.wind.sense." + coil.sense()));
  }
}
