package humble.desktop.panel;

import humble.core.build.BuildEvent;
import humble.core.firmware.ToggleSheet;
import humble.core.firmware.ToggleWork;
import humble.core.kit.Panel;
import humble.core.kit.Toggled;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;

/** Before a program: how long it is, what is normal; and whether the power was off since. */
final class BeginHand extends PanelHand {
  BeginHand(PanelBench bench, Toggled program) {
    super(bench, program);
  }

  @Override
  protected Card now() {
    Card.Maker card = begun(program.title());
    String trouble = bench.trouble(program);
    if (!trouble.isEmpty()) {
      card.verdict(false, trouble);
      card.key('.', say("wake.later"), () -> bench.leave(program));
      return card.notYet(say("panel.unreadable"));
    }
    ToggleSheet sheet = bench.sheet(program);
    ToggleWork work = bench.work(program);
    card.how(say("panel.begin", sheet.rows().size(), program.file(), hex(sheet.rows().getFirst())));
    card.how(
        hasReset() ? say("panel.begin.reset", named(Panel.Key.RESET)) : say("panel.begin.power"));
    program.normal().forEach(each -> card.how(say("panel.normal", each)));
    if (work.rowsPut() == 0) {
      beside(card);
      return begins(card, say("panel.begin.go"));
    }
    if (simulated() && !bench.practice().isOn()) {
      card.how(say("panel.begin.off"));
      return card.go(say("panel.begin.anew"), this::anew);
    }
    card.how(say("panel.begin.on", work.rowsPut(), sheet.rows().size()));
    card.choice(1, Standing.TO_DO, say("mend.choice", 1, say("panel.was-off")), this::anew);
    card.key('.', say("wake.later"), () -> bench.leave(program));
    return begins(card, say("panel.was-on"));
  }

  private void anew() {
    bench.off();
    open.act(new BuildEvent.PanelOff(program.id()));
  }

  private boolean hasReset() {
    return bench.panel().keys().containsKey(Panel.Key.RESET);
  }

  /** What still runs would take no other key. */
  private Card begins(Card.Maker card, String go) {
    if (!simulated() || !hasReset()) {
      return card.go(go, () -> bench.begin(program));
    }
    return bench.practice().isBusy()
        ? card.notYet(say("panel.asking"))
        : card.go(
            say("panel.press", say("panel.key.reset")),
            () -> press(Panel.Key.RESET, lights -> bench.begin(program)));
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
