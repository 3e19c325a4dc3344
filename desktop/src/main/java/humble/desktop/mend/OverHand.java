package humble.desktop.mend;

import humble.core.build.BuildEvent;
import humble.core.circuit.Fault;
import humble.core.kit.Gate;
import humble.core.mend.TwoFaults;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/** What it was, and how it was found. */
final class OverHand extends MendHand {
  OverHand(Of of) {
    super(of);
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(say("mend.kicker.over"), say("mend.over"))
            .how(mending.over())
            .why(say("mend.over.why"));
    List<String> repair = repair();
    repair.forEach(card::how);
    withSilentKeys(card).silent(Card.ESC, mending::leave);
    if (repair.isEmpty()) {
      return card.go(say("mend.back"), mending::leave);
    }
    List<Gate> again = again();
    card.key('0', say("mend.not-mended"), mending::leave);
    return again.isEmpty()
        ? card.go(say("mend.repaired"), this::repaired)
        : card.go(say("mend.repaired.gate", again.getFirst().title()), this::repaired);
  }

  /** Gates that were passed or read with the fault on the board: they are asked again. */
  private List<Gate> again() {
    String state = open.build().mended().getLast().state();
    return open.kit().gates().stream()
        .filter(gate -> gate.state().equals(state))
        .filter(gate ->
            open.build().gateOpen(gate.id()) || open.build().gateReadings().containsKey(gate.id()))
        .toList();
  }

  private void repaired() {
    BuildEvent.Mended found = open.build().mended().getLast();
    List<Gate> again = again();
    open.act(
        new BuildEvent.Repaired(
            found.state(), found.fault(), again.stream().map(Gate::id).toList()));
    mending.leave();
    if (!again.isEmpty()) {
      seat.desk().go(StageId.POWER);
    }
  }

  /** What was found is mended before it is measured again; what practice hid is sound again. */
  private List<String> repair() {
    List<BuildEvent.Mended> all = open.build().mended();
    if (all.isEmpty() || all.getLast().practice()) {
      return List.of();
    }
    List<String> lines = new ArrayList<>();
    for (String each : all.getLast().fault().split(Pattern.quote(TwoFaults.SEPARATOR))) {
      Fault.parse(each)
          .filter(fault ->
              fault.refs().stream()
                  .allMatch(ref ->
                      open.built().part(ref).isPresent()
                          || open.kit().handwork().cable(ref).isPresent()))
          .ifPresent(fault -> lines.addAll(new RepairWords(open.built(), seat.words()).of(fault)));
    }
    return lines;
  }
}
