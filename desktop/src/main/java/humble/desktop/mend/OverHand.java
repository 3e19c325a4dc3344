package humble.desktop.mend;

import humble.core.build.BuildEvent;
import humble.core.circuit.Fault;
import humble.core.mend.TwoFaults;
import humble.desktop.stage.Card;
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
    repair().forEach(card::how);
    return withSilentKeys(card)
        .silent(Card.ESC, mending::leave)
        .go(say(repair().isEmpty() ? "mend.back" : "mend.repaired"), mending::leave);
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
          .filter(
              fault -> fault.refs().stream().allMatch(ref -> open.built().part(ref).isPresent()))
          .ifPresent(fault -> lines.addAll(new RepairWords(open.built(), seat.words()).of(fault)));
    }
    return lines;
  }
}
