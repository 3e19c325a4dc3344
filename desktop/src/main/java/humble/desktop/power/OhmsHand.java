package humble.desktop.power;

import humble.core.build.BuildEvent;
import humble.core.circuit.Feed;
import humble.core.kit.Gate;
import humble.core.kit.Part;
import humble.core.mend.Observation;
import humble.core.power.OhmsBefore;
import humble.core.units.Engineering;
import humble.core.units.TypedReading;
import humble.desktop.draw.Mat;
import humble.desktop.mend.ObservationText;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.List;

/** Ohms across the supply before power comes to the board. */
final class OhmsHand extends ReadHand {
  private final Gate gate;
  private final OhmsAsked before;

  OhmsHand(GateCards cards, Gate gate, OhmsAsked before) {
    super(cards);
    this.gate = gate;
    this.before = before;
  }

  @Override
  TypedReading.Kind kind() {
    return TypedReading.Kind.OHMS;
  }

  @Override
  List<Double> expected() {
    return switch (before.means()) {
      case OhmsBefore.Ohms read -> List.of(read.ohms());
      case OhmsBefore.NoBeep beep -> List.of();
    };
  }

  private String expect() {
    String least = Engineering.reading(before.least(), "Ω");
    return switch (before.means()) {
      case OhmsBefore.Ohms read ->
          say(
              "power.ohms.expect",
              Double.isInfinite(read.ohms())
                  ? say("power.ohms.open")
                  : Engineering.reading(read.ohms(), "Ω"),
              least);
      case OhmsBefore.NoBeep beep -> say("power.ohms.no-beep", least);
    };
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(cards.kicker(gate), say("power.ohms.title", before.plus(), before.minus()));
    card.how(
        Feed.of(open.built(), before.state()).orElse(null) instanceof Feed.ByBatteries by
            ? say(
                "power.ohms.cell",
                String.join(", ", by.batteries().stream().map(Part::ref).toList()))
            : say(
                before.means() instanceof OhmsBefore.NoBeep
                    ? "power.ohms.listen"
                    : "power.ohms.how"));
    card.how(expect());
    cards.caution(card, gate);
    card.field(typed().text(), opens() ? "" : reading().unit(), Takes.SIGNED);
    boolean readable = opens() || readable(card);
    boolean low = !opens() && value().isPresent() && value().getAsDouble() < before.least();
    if (opens()) {
      card.verdict(true, say("power.ohms.open"));
    } else if (readable) {
      card.verdict(!low, say(low ? "power.ohms.low" : "power.inside"));
    }
    card.click("0 0", say("mend.reads-open"), () -> write("open"));
    cards.withKeys(card);
    cards.wayPast(card, gate);
    if (typed().isEmpty()) {
      return cards.empty(
          card,
          open.kit().state(before.state().id()),
          () -> cards.practised(before.state(), before.measure()).ifPresent(this::practised));
    }
    return readable
        ? card.go(
            say(low ? "power.ohms.mend" : "power.ohms.go"),
            () -> write(opens() ? "open" : reading().text()))
        : card.notYet(say("power.again"));
  }

  private void write(String value) {
    observed(before.measure() + "=" + value, false);
  }

  private void practised(Observation seen) {
    observed(ObservationText.of(seen), true);
  }

  /** Less than a tenth of what is expected: the reading is kept, and what bridges is looked for. */
  private void observed(String what, boolean practice) {
    open.act(new BuildEvent.Observed(before.state().id(), what, practice));
    typed().clear();
    if (!before.read(open)) {
      seat.desk().wrong();
    }
  }

  @Override
  public Mat mat() {
    String text =
        switch (before.means()) {
          case OhmsBefore.Ohms read ->
              Double.isInfinite(read.ohms())
                  ? say("power.ohms.open")
                  : Engineering.reading(read.ohms(), "Ω");
          case OhmsBefore.NoBeep beep -> say("power.ohms.mat.no-beep");
        };
    return cards.locks().beside(new LockMat.Beside.Plain(say("power.window-title"), text));
  }
}
