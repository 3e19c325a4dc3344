package humble.desktop.sort;

import humble.core.build.BuildEvent;
import humble.core.kit.Line;
import humble.core.marking.BandReading;
import humble.core.units.Engineering;
import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;
import java.util.List;
import java.util.Optional;

/** What bands that were typed amount to. */
record BandVerdict(Piles piles, BandEntry entry) {
  /** Says it, and gives what it decides; empty when it decides nothing. */
  Optional<BuildEvent> on(Card.Maker card) {
    Seat seat = piles.seat();
    if (!entry.unread().isEmpty()) {
      card.verdict(
          entry.unread().length() == 1,
          seat.say("sort.bands-unread", entry.unread(), "bk bn rd og ye gn bu vt gy wh gd sr"));
      return Optional.empty();
    }
    if (entry.readings().isEmpty()) {
      card.verdict(false, seat.say("sort.bands-none"));
      return Optional.empty();
    }
    for (BandReading reading : entry.readings()) {
      card.how(
          seat.say(
              reading.reversed() ? "sort.bands-other-end" : "sort.bands",
              Engineering.nominal(reading.ohms(), "Ω"),
              reading.tolerancePct()));
    }
    List<Line> lines = entry.lines(piles.open().kit());
    if (lines.size() != 1) {
      String value = Engineering.nominal(entry.readings().getFirst().ohms(), "Ω");
      card.verdict(
          false,
          lines.isEmpty() ? seat.say("sort.bands-no-line", value) : seat.say("sort.bands-two"));
      return Optional.empty();
    }
    Line line = lines.getFirst();
    if (piles.toMeasure(line)) {
      card.verdict(false, seat.say("sort.bands-like", piles.name(line.id())));
      return Optional.empty();
    }
    card.verdict(true, seat.say("sort.is", piles.name(line.id()), line.refs()));
    return Optional.of(new BuildEvent.BandsRead(line.id()));
  }
}
