package humble.desktop.fit;

import humble.core.craft.Hints;
import humble.core.craft.Hold;
import humble.core.craft.Iron;
import humble.core.craft.Reversal;
import humble.core.craft.StandOff;
import humble.core.host.Replacement;
import humble.core.kit.LeadForm;
import humble.core.kit.Mount;
import humble.core.kit.Part;
import humble.core.kit.Place;
import humble.core.route.Step;
import humble.core.words.Phrase;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.List;
import java.util.Optional;

/**
 * How a part is fitted, in lines: what is needed with the iron in hand stands above, the rest with
 * the reasons. Where two marks are asked for the card is full, and more of it stands there.
 */
final class PartLines {
  private final Seat seat;
  private final OpenBuild open;
  private final Part part;
  private final PartWords said;
  private final boolean fits;
  private final boolean full;
  private final boolean keptOut;
  private final Place place;
  private final StandOff stand;
  private final List<Phrase> hints;
  private final Iron iron;
  private final boolean changesIron;

  PartLines(Seat seat, OpenBuild open, Step step, Part part, PartWords said) {
    this.seat = seat;
    this.open = open;
    this.part = part;
    this.said = said;
    this.fits = step.act() == Step.Act.FIT;
    this.full = Reversal.of(open.built(), part).needsTwoMarks();
    this.keptOut = open.build().module(part.ref()).map(read -> read.row().isEmpty()).orElse(false);
    this.place = part.placed().orElseGet(() -> Place.unknown(part.ref()));
    this.stand = StandOff.of(part, open.reckoned().map(r -> r.watts().get(part.ref())).orElse(0.0));
    this.iron = Iron.of(open.built(), part);
    this.changesIron = fits && changesIron(open, step, iron);
    this.hints = fits ? Hints.of(open.built(), said.ref()) : List.of();
  }

  /** Adds what is to be done. */
  void how(Card.Maker card) {
    if (part.placed().isEmpty()) {
      card.how(seat.say("fit.unplaced", part.ref()));
    }
    // What is wired pin by pin sits in no row: neither a way round nor a height can be told.
    if (!keptOut) {
      said.orientation().forEach(card::how);
    }
    if (!standsUsual() && !keptOut && !formed()) {
      card.how(stands());
    }
    form().ifPresent(shape -> card.how(seat.say(shape.how())));
    tack().filter(line -> !full).ifPresent(card::how);
    if (place.rowHoles() > 0) {
      card.how(seat.say("fit.row", place.rowFrom(), place.rowHoles()));
    }
    if (!place.leaveEmpty().isEmpty()) {
      card.how(seat.say("fit.empty", place.leaveEmpty()));
    }
    coilEnds(card);
    rowsToCompare(card);
    if (fits && changesIron) {
      card.how(seat.say(iron.how()));
    }
    hints.stream().limit(shownHints()).forEach(hint -> card.how(seat.say(hint)));
  }

  /** Adds why so, and what there was no room for. */
  void why(Card.Maker card) {
    if (fits && !formed()) {
      card.why(seat.say(stand.because()));
      card.why(seat.say(stand.otherSchool()));
    }
    if (standsUsual() && !formed()) {
      card.why(stands());
    }
    if (full && place.mount() != Mount.SOCKETED) {
      card.why(seat.say(Hold.of(part).how()));
    }
    tack().filter(line -> full).ifPresent(card::why);
    Replacement.of(open.built(), said.ref()).forEach(point -> card.why(seat.say(point.says())));
    hints.stream().skip(shownHints()).forEach(hint -> card.why(seat.say(hint)));
    if (fits && !changesIron) {
      card.why(seat.say(iron.how()));
    }
  }

  /** How the leads are formed for holes that are not where the leads are. */
  private Optional<LeadForm> form() {
    return open.kit()
        .packageNamed(part.line().packageId())
        .flatMap(pack -> LeadForm.of(pack, place));
  }

  /** Its holes decide how it stands: neither flush nor raised. */
  private boolean formed() {
    return form().filter(shape -> shape.way() != LeadForm.Way.WIDER).isPresent();
  }

  /** Tip and solder are told where they change: at the first part, and after another kind. */
  private static boolean changesIron(OpenBuild open, Step step, Iron iron) {
    return open.plan()
        .flatMap(plan ->
            plan.steps().stream()
                .filter(before -> before.act() == Step.Act.FIT && before.n() < step.n())
                .reduce((a, b) -> b))
        .flatMap(before -> before.refs().stream().findFirst().flatMap(open.built()::part))
        .map(before -> Iron.of(open.built(), before) != iron)
        .orElse(true);
  }

  /** The ends of a coil go to holes of their own, and those must be open. */
  private void coilEnds(Card.Maker card) {
    open.kit().handwork().windingOf(said.ref()).stream()
        .flatMap(winding -> winding.coils().stream())
        .filter(coil -> !coil.ends().isEmpty())
        .forEach(coil ->
            card.how(
                seat.say(
                    "fit.coil.ends", coil.id(), coil.ends().getFirst(), coil.ends().getLast())));
  }

  private int shownHints() {
    return full ? 0 : 1;
  }

  private Optional<String> tack() {
    return fits ? said.tack() : Optional.empty();
  }

  private String row() {
    return open.build()
        .module(part.ref())
        .filter(read -> !read.row().isEmpty())
        .map(read -> seat.say("fit.module.into", read.row()) + " ")
        .orElse("");
  }

  private boolean standsUsual() {
    return full && !stand.raised() && row().isEmpty();
  }

  private String stands() {
    return place.mount() == Mount.SOCKETED
        ? seat.say(part.pack().isDualInLine() ? "fit.mount.squared" : "fit.mount.socketed")
        : row() + seat.say(stand.how()) + (full ? "" : " " + seat.say(Hold.of(part).how()));
  }

  /** A module that was kept out, or whose labels are too many to type, is compared by eye. */
  private void rowsToCompare(Card.Maker card) {
    open.kit()
        .handwork()
        .rowsOf(part.ref())
        .filter(rows -> !ModuleHand.isRead(open, rows))
        .ifPresent(rows -> {
          card.verdict(false, seat.say(keptOut ? "fit.module.wire" : "fit.module.compare"));
          rows.rows()
              .forEach(row -> card.how(seat.say("fit.module.labels", row.id(), row.labels())));
        });
  }
}
