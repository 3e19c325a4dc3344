package humble.desktop.panel;

import humble.core.build.BuildEvent;
import humble.core.firmware.NumberBase;
import humble.core.firmware.ToggleSheet;
import humble.core.firmware.ToggleWork;
import humble.core.kit.Toggled;
import humble.desktop.stage.Card;

/** A byte is set on the switches and put in. */
final class PutHand extends PanelHand {
  private final ToggleWork.Step.Put put;

  PutHand(PanelBench bench, Toggled program, ToggleWork.Step.Put put) {
    super(bench, program);
    this.put = put;
  }

  @Override
  protected Card now() {
    ToggleSheet.Row row = put.row();
    Card.Maker card = begun(say("panel.put", hex(row), NumberBase.HEX.of(row.value())));
    if (!row.mnemonic().isEmpty()) {
      card.how(row.mnemonic().replaceAll("\\s+", " "));
    }
    card.how(bases(row.value()));
    card.how(say("panel.put.how", named(put.key())));
    put.again()
        .ifPresent(read -> card.why(say("panel.put.again", hex(row), NumberBase.HEX.of(read))));
    ToggleWork work = bench.work(program);
    card.why(say("panel.count", work.rowsPut(), work.sheet().rows().size()));
    beside(card);
    return simulated()
        ? practised(card, row.value(), put.key(), this::done)
        : card.go(say("panel.put.done"), this::done);
  }

  private void done() {
    bench.at(put.row().address());
    open.act(new BuildEvent.RowPut(program.id(), put.row().address(), put.row().value()));
  }

  @Override
  protected PanelMat.Look look() {
    return new PanelMat.Look(
        put.row().value(), true, put.key(), PanelMat.NONE, (int) put.row().address());
  }
}
