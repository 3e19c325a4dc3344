package humble.desktop.panel;

import humble.core.build.BuildEvent;
import humble.core.firmware.NumberBase;
import humble.core.firmware.SheetLines;
import humble.core.firmware.ToggleSheet;
import humble.core.firmware.ToggleWork;
import humble.core.kit.Panel;
import humble.core.kit.Toggled;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A row is read back from the lights. The lights that stand otherwise are told by their digit, from
 * the left; what that makes is said at once, with the switch.
 */
final class ReadBackHand extends PanelHand {
  private final ToggleWork.Step.Read read;
  private int lights;
  private boolean pressed;

  ReadBackHand(PanelBench bench, Toggled program, ToggleWork.Step.Read read) {
    super(bench, program);
    this.read = read;
    this.lights = read.row().value();
    this.pressed = read.key().isEmpty();
    if (pressed) {
      lights().ifPresent(shown -> lights = shown.data());
    }
  }

  @Override
  protected Card now() {
    ToggleSheet.Row row = read.row();
    Card.Maker card = begun(say("panel.read", hex(row), NumberBase.HEX.of(row.value())));
    if (!row.mnemonic().isEmpty()) {
      card.how(row.mnemonic().replaceAll("\\s+", " "));
    }
    card.how(read.key().map(key -> say("panel.read.how", named(key))).orElseGet(this::shownNow));
    if (!waits()) {
      card.how(say("panel.read.mark"));
    }
    ToggleWork work = bench.work(program);
    card.why(say("panel.count.read", work.rowsRead(), work.sheet().rows().size()));
    beside(card);
    boolean waits = waits();
    for (int place = 1; place <= Panel.BITS && !waits; place++) {
      int bit = layout.lightAt(place);
      card.silent((char) ('0' + place), () -> lights ^= 1 << bit);
    }
    if (lights != row.value() && !waits) {
      card.verdict(false, difference(row));
      lines().forEach(line -> card.row(Standing.DEVIATED, line));
      if (!lines().isEmpty()) {
        card.key('/', say("wake.mend"), () -> seat.desk().wrong());
      }
    }
    if (waits) {
      Panel.Key key = read.key().orElseThrow();
      return bench.practice().isBusy()
          ? card.notYet(say("panel.asking"))
          : card.go(
              say("panel.press", say("panel.key." + key.text())),
              () -> press(key, shown -> took(shown.data())));
    }
    return lights == row.value()
        ? card.go(say("panel.read.same"), this::done)
        : card.go(say("panel.read.other", NumberBase.HEX.of(lights)), this::done);
  }

  private String shownNow() {
    return say("panel.read.now");
  }

  private void took(int data) {
    pressed = true;
    lights = data;
  }

  private String difference(ToggleSheet.Row row) {
    ToggleSheet.Differs differs = new ToggleSheet.Differs(row, lights);
    List<String> refs =
        differs.switches().stream()
            .map(bit ->
                say(row.isUp(bit) ? "panel.differs.up" : "panel.differs.down", refOf(bit), bit))
            .toList();
    return say(
        "panel.differs",
        hex(row),
        NumberBase.HEX.of(lights),
        NumberBase.HEX.of(row.value()),
        String.join(", ", refs));
  }

  private String refOf(int bit) {
    return bit < bench.panel().switches().size() ? bench.panel().switches().get(bit) : "";
  }

  /** What this row and those before it have in common. */
  private List<String> lines() {
    ToggleWork work = bench.work(program);
    Map<Long, Integer> all = new HashMap<>(work.read());
    all.put(read.row().address(), lights);
    return SheetLines.of(work.put(), all).stream()
        .map(wrong ->
            switch (wrong) {
              case SheetLines.Wrong.Stuck s ->
                  say(s.high() ? "panel.line.high" : "panel.line.low", name(s.bit()), s.rows());
              case SheetLines.Wrong.Joined j ->
                  say("panel.line.joined", name(j.bit()), name(j.other()), j.rows());
            })
        .toList();
  }

  private String name(int bit) {
    List<String> names = bench.panel().dataLines();
    return bit < names.size() ? names.get(bit) : Integer.toString(bit);
  }

  private void done() {
    bench.at(read.row().address());
    open.act(new BuildEvent.RowRead(program.id(), read.row().address(), lights));
  }

  @Override
  protected boolean flips() {
    return false;
  }

  /** The simulated lights show nothing of the row before its key is pressed. */
  private boolean waits() {
    return simulated() && !pressed;
  }

  private Panel.@Nullable Key key() {
    return pressed ? null : read.key().orElse(null);
  }

  @Override
  protected PanelMat.Look look() {
    return new PanelMat.Look(
        waits() ? PanelMat.NONE : read.row().value(),
        false,
        key(),
        waits() ? PanelMat.NONE : lights,
        (int) read.row().address());
  }
}
