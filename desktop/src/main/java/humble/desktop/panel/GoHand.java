package humble.desktop.panel;

import humble.core.firmware.NumberBase;
import humble.core.firmware.ToggleSheet;
import humble.core.kit.Panel;
import humble.core.kit.Toggled;
import humble.desktop.stage.Card;

/** The panel is brought to an address. */
final class GoHand extends PanelHand {
  private final ToggleSheet.Row row;
  private boolean pressed;

  GoHand(PanelBench bench, Toggled program, ToggleSheet.Row row) {
    super(bench, program);
    this.row = row;
  }

  @Override
  protected Card now() {
    int address = (int) row.address() & 0xff;
    Card.Maker card = begun(say("panel.go", hex(row)));
    card.how(bases(address));
    card.how(say("panel.go.how", named(Panel.Key.EXAMINE)));
    beside(card);
    if (!simulated()) {
      return card.go(say("panel.go.done", hex(row)), () -> bench.at(address));
    }
    int shown = lights().map(each -> each.address()).orElse(-1);
    if (pressed && shown != address) {
      card.verdict(false, say("panel.go.other", NumberBase.HEX.of(Math.max(0, shown)), hex(row)));
      card.key(Card.ESC, say("panel.go.still"), () -> bench.at(address));
    }
    return practised(card, address, Panel.Key.EXAMINE, this::examined);
  }

  private void examined() {
    pressed = true;
    lights().ifPresent(each -> bench.at(each.address()));
  }

  @Override
  protected PanelMat.Look look() {
    return new PanelMat.Look(
        (int) row.address(), true, Panel.Key.EXAMINE, PanelMat.NONE, PanelMat.NONE);
  }
}
