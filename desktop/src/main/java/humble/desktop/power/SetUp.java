package humble.desktop.power;

import humble.core.circuit.Feed;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.Supply;
import humble.core.units.Band;
import humble.core.units.Engineering;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * How a board is set up in a state before it is powered: what feeds it, switches, knobs, sockets.
 */
record SetUp(Seat seat, OpenBuild open, BoardState state) {
  private static final int MOST_NAMED = 4;

  private Parts parts() {
    return open.built();
  }

  /** Says what feeds the board and how it is set, which switches are on, and what is not in yet. */
  void say(Card.Maker card, Feed feed, @Nullable Double limitMa) {
    String fed = fed(feed, limitMa);
    card.how(board().map(board -> fed + " " + board).orElse(fed));
  }

  /** Says which switches are on, where knobs stand, and what is not in yet. */
  Optional<String> board() {
    return Stream.of(switches(), absent())
        .flatMap(Optional::stream)
        .reduce((first, then) -> first + " " + then);
  }

  private String fed(Feed feed, @Nullable Double limitMa) {
    return switch (feed) {
      case Feed.BySupply by -> supply(by.supply(), limitMa);
      case Feed.ByBatteries by ->
          String.join(
              " ",
              by.batteries().stream()
                  .map(part -> battery(part, (Model.Battery) part.model()))
                  .toList());
    };
  }

  private String supply(Supply supply, @Nullable Double limitMa) {
    List<String> said = new ArrayList<>();
    String volts = Engineering.nominal(supply.volts(), "V");
    said.add(
        isPlain() || limitMa == null
            ? seat.say("power.supply.plain", volts)
            : seat.say("power.supply", volts, Math.round(limitMa)));
    Band range = supply.rangeV();
    if (range != null) {
      said.add(
          seat.say(
              "power.supply.range",
              Engineering.nominal(range.low(), ""),
              Engineering.nominal(range.high(), "V")));
    }
    polarity(supply).ifPresent(said::add);
    return String.join(" ", said);
  }

  private Optional<String> polarity(Supply supply) {
    if (supply.polarity().isEmpty()) {
      return Optional.empty();
    }
    String key = "power.polarity." + supply.polarity();
    return Optional.of(
        seat.words().knows(key)
            ? seat.say(key)
            : seat.say("power.polarity.other", supply.polarity()));
  }

  private String battery(Part part, Model.Battery cell) {
    return seat.say(
        "power.battery",
        part.ref(),
        Engineering.nominal(cell.vocV(), "V"),
        Engineering.reading(cell.vocRangeV().low(), "V"),
        Engineering.reading(cell.vocRangeV().high(), "V"));
  }

  /** Tells whether nothing at the bench limits the current. */
  boolean isPlain() {
    return open.build().fedBy().filter("plain"::equals).isPresent();
  }

  private Optional<String> switches() {
    List<String> said = new ArrayList<>();
    List<String> on = closed(PartKind.SWITCH);
    List<String> plugged = closed(PartKind.JUMPER);
    List<String> held = closed(PartKind.BUTTON);
    List<String> off =
        parts().all().stream()
            .filter(part -> part.line().kind() == PartKind.SWITCH && isHere(part))
            .filter(part -> part.model() instanceof Model.Switch)
            .map(Part::ref)
            .filter(ref -> !state.closed().contains(ref))
            .toList();
    add(said, "power.on-off.on", on);
    add(said, "power.on-off.off", off);
    add(said, "power.on-off.plugged", plugged);
    add(said, "power.on-off.held", held);
    state.set().entrySet().stream()
        .sorted(java.util.Map.Entry.comparingByKey(humble.core.kit.RefOrder.NATURAL))
        .forEach(knob ->
            said.add(
                seat.say("power.on-off.knob", knob.getKey(), Math.round(100 * knob.getValue()))));
    return said.isEmpty() ? Optional.empty() : Optional.of(String.join(" ", said));
  }

  private void add(List<String> said, String key, List<String> refs) {
    if (!refs.isEmpty()) {
      said.add(seat.say(key, named(refs)));
    }
  }

  private List<String> closed(PartKind kind) {
    return state.closed().stream()
        .filter(ref ->
            parts()
                .part(ref)
                .filter(part -> part.line().kind() == kind && isHere(part))
                .isPresent())
        .sorted(humble.core.kit.RefOrder.NATURAL)
        .toList();
  }

  private boolean isHere(Part part) {
    return parts().isOn(part.ref(), state);
  }

  private Optional<String> absent() {
    List<String> absent =
        state.absent().stream()
            .filter(ref -> parts().part(ref).isPresent() && !open.leftOut().contains(ref))
            .sorted(humble.core.kit.RefOrder.NATURAL)
            .toList();
    return absent.isEmpty()
        ? Optional.empty()
        : Optional.of(seat.say("power.absent", named(absent)));
  }

  private String named(List<String> refs) {
    String first = String.join(", ", refs.subList(0, Math.min(MOST_NAMED, refs.size())));
    return refs.size() <= MOST_NAMED
        ? first
        : seat.say("power.and-more", first, refs.size() - MOST_NAMED);
  }

  /** Says what to look at before anything is suspected, where nothing reaches the probes. */
  void atNothing(Card.Maker card, Feed feed) {
    switch (feed) {
      case Feed.BySupply by -> {
        card.row(Standing.TO_DO, seat.say("power.zero.supply"));
        card.row(Standing.TO_DO, seat.say("power.zero.plug", by.supply().plus()));
      }
      case Feed.ByBatteries by ->
          card.row(Standing.TO_DO, seat.say("power.zero.cell", by.chain().getFirst().ref()));
    }
    List<String> on = closed(PartKind.SWITCH);
    List<String> plugged = closed(PartKind.JUMPER);
    if (!on.isEmpty() || !plugged.isEmpty()) {
      List<String> both = new ArrayList<>(on);
      both.addAll(plugged);
      card.row(Standing.TO_DO, seat.say("power.zero.switch", named(both)));
    }
    card.row(Standing.TO_DO, seat.say("power.zero.probes"));
  }
}
