package humble.desktop.panel;

import humble.core.build.BuildEvent;
import humble.core.firmware.NumberBase;
import humble.core.kit.Toggled;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;

/** A program that is in as it was printed did not show what it should. */
final class OddHand extends PanelHand {
  OddHand(PanelBench bench, Toggled program) {
    super(bench, program);
  }

  @Override
  protected Card now() {
    int lights =
        open.build().toggled(program.id()).shown().map(BuildEvent.ProgramShown::lights).orElse(0);
    Card.Maker card = begun(say("panel.odd", program.title(), NumberBase.HEX.of(lights)));
    Toggled.Shows meaning = program.meaning(lights);
    if (meaning != null) {
      card.how(meaning.say());
    }
    card.how(say("panel.odd.how"));
    card.choice(
        1,
        Standing.TO_DO,
        say("mend.choice", 1, say("panel.odd.again")),
        () -> bench.again(program, true));
    card.choice(
        2,
        Standing.TO_DO,
        say("mend.choice", 2, say("panel.odd.anew")),
        () -> {
          bench.off();
          open.act(new BuildEvent.PanelOff(program.id()));
        });
    card.key('.', say("wake.later"), () -> bench.leave(program));
    return card.go(say("wake.mend"), () -> seat.desk().wrong());
  }

  @Override
  protected boolean flips() {
    return false;
  }

  @Override
  protected PanelMat.Look look() {
    return PanelMat.Look.PLAIN;
  }
}
