package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.craft.WindingPlan;
import humble.core.kit.Winding;
import humble.core.units.Engineering;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.Optional;

/** Counts the turns of a ring with one key, coil after coil. */
final class WindHand extends Hand {
  private static final int MOST_AT_ONCE = 9;
  private static final int TOLD_AT_ONCE = 5;

  private final OpenBuild open;
  private final Winding winding;
  private final WindingPlan plan;

  WindHand(Seat seat, OpenBuild open, Winding winding) {
    super(seat);
    this.open = open;
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
  public Card card() {
    WindingPlan.Coil coil = now().orElseThrow();
    Card.Maker card =
        seat.card(
            say("fit.wind.kicker", winding.ref(), winding.core().colour()),
            say("fit.wind.title", wound(coil) + 1, coil.turns()));
    if (wound(coil) == 0) {
      card.how(say("fit.wind.cut", Math.round(coil.wireMm() / 10)));
    }
    card.how(say("fit.wind.pass"));
    card.how(say("fit.wind." + coil.sense()));
    for (WindingPlan.Coil each : plan.coils()) {
      card.row(
          wound(each) >= each.turns()
              ? Standing.DONE
              : each.equals(coil) ? Standing.NOW : Standing.TO_DO,
          say(
              "fit.wind.coil",
              each.id(),
              each.turns(),
              Engineering.reading(each.inductanceH(), "H")));
    }
    card.why(say(plan.fits() ? "fit.wind.fits" : "fit.wind.full", plan.layers()));
    for (int turns = 1; turns <= MOST_AT_ONCE; turns++) {
      int more = turns;
      if (turns == TOLD_AT_ONCE) {
        card.key('5', say("fit.wind.five"), () -> wind(more));
      } else {
        card.silent((char) ('0' + turns), () -> wind(more));
      }
    }
    card.key('0', say("fit.wind.away"), this::allWound);
    card.key(Card.BACK, say("fit.wind.back"), open::takeBack);
    return card.go(say("fit.wind.go"), () -> wind(1));
  }

  private void wind(int turns) {
    now()
        .ifPresent(coil ->
            open.act(
                new BuildEvent.Wound(
                    winding.id(), coil.id(), Math.min(coil.turns(), wound(coil) + turns))));
  }

  private void allWound() {
    open.act(
        plan.coils().stream()
            .map(coil -> new BuildEvent.Wound(winding.id(), coil.id(), coil.turns()))
            .toArray(BuildEvent[]::new));
  }

  @Override
  public Mat mat() {
    WindingPlan.Coil coil = now().orElse(plan.coils().getLast());
    return new WindMat(
        winding,
        plan,
        coil,
        wound(coil),
        say("fit.wind.mat"),
        say("fit.wind.sense." + coil.sense()));
  }
}
