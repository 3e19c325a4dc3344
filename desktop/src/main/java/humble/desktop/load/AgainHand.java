package humble.desktop.load;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Firmware;
import humble.desktop.session.Errand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.io.IOException;
import java.util.Optional;

/** Power off and on again: does what was loaded begin by itself? */
final class AgainHand extends LoadHand {
  private final ImageOnBench image;
  private Errand<?> asking = Errand.over();

  AgainHand(LoadBench bench, ImageOnBench image) {
    super(bench, Optional.of(image));
    this.image = image;
  }

  @Override
  double sent() {
    return 1;
  }

  private boolean simulated() {
    BuildEvent.Loaded loaded = open.build().loaded().get(image.image().id());
    return loaded != null && loaded.practice();
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(say("load.kicker"), say("load.again", image.image().title()))
            .how(say("load.again.how"));
    if (asking.isRunning()) {
      return card.notYet(say("load.again.asking"));
    }
    card.choice(1, Standing.TO_DO, say("mend.choice", 1, say("load.again.yes")), () -> act(true));
    card.choice(2, Standing.TO_DO, say("mend.choice", 2, say("load.again.no")), () -> act(false));
    if (simulated()) {
      card.why(say("load.again.simulated"));
    }
    return card.go(
        say(simulated() ? "load.again.practice" : "load.again.go"),
        simulated() ? this::ask : () -> act(true));
  }

  /** The simulated chip is asked: it starts when its start vector is programmed. */
  private void ask() {
    Firmware.Target target = image.target();
    if (target == null) {
      act(false);
      return;
    }
    Build asOf = open.build();
    asking =
        own(
            open.works()
                .talk(
                    target.id(),
                    calledOff -> answered(target, asOf),
                    answer -> act(answer.equals("ok"))));
  }

  private String answered(Firmware.Target target, Build asOf) {
    try {
      return open.link(target, asOf).ask("start");
    } catch (IOException e) {
      return "err " + e.getMessage();
    }
  }

  private void act(boolean byItself) {
    open.act(new BuildEvent.Started(image.image().id(), byItself, simulated()));
  }
}
