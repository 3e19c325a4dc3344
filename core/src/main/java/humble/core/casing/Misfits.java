package humble.core.casing;

import humble.core.kit.Board;
import humble.core.kit.Enclosure;
import humble.core.kit.LeadClass;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.RefOrder;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Gathers what does not fit, says it and what would cure it. */
final class Misfits {
  /** The shorter lead of a light, new, below its base; it may have been cut. */
  private static final double LIGHT_LEAD_MM = 24;

  /** What two bends take of a lead. */
  private static final double BEND_MM = 3;

  private final Parts parts;
  private final Stack stack;
  private final Rooms rooms;
  private final Cures cures;
  private final List<Misfit> all = new ArrayList<>();

  Misfits(Parts parts, Stack stack, Rooms rooms) {
    this.parts = parts;
    this.stack = stack;
    this.rooms = rooms;
    this.cures = new Cures(parts, rooms);
  }

  List<Misfit> all() {
    all.sort(Comparator.comparing(Misfit::ref, RefOrder.NATURAL));
    return all;
  }

  /** Gives what a layer is called. */
  String title(String layer) {
    return stack
        .level(layer)
        .map(level -> level.layer().title().isBlank() ? level.id() : level.layer().title())
        .orElse(layer);
  }

  /** Takes a part that is higher than the room over it. */
  void high(Place place, Rooms.Room room, double needsMm) {
    double missing = needsMm - room.mm();
    List<Misfit.Cure> ways = new ArrayList<>(cures.lower(place.ref(), missing));
    ways.addAll(cures.moreRoom(place, room, missing));
    Misfit.Kind kind =
        switch (room.ends()) {
          case LAYER -> Misfit.Kind.ROOM;
          case PART -> Misfit.Kind.COVER;
          case PLACE -> Misfit.Kind.PLACE;
        };
    String by = room.ends() == Rooms.Ends.LAYER ? title(room.by()) : room.by();
    all.add(
        new Misfit(
            kind,
            place.ref(),
            room.by(),
            missing,
            Phrase.of("case.misfit." + kind.text(), place.ref(), missing, by, needsMm, room.mm()),
            ways));
  }

  /** Takes the leads of a part, and gives them back. */
  Tails see(Tails tails) {
    if (!tails.ok()) {
      List<Misfit.Cure> ways = new ArrayList<>();
      double missing = tails.cutToMm() - tails.roomMm() + Tails.FREE_MM;
      parts
          .part(tails.ref())
          .flatMap(part -> part.placed())
          .flatMap(place -> rooms.beside(place.board(), place.side().other()))
          .flatMap(Cures::keeper)
          .ifPresent(keeper -> ways.add(Cures.spacer(keeper, missing)));
      ways.add(Misfit.Cure.of("film", title(tails.over())));
      all.add(
          new Misfit(
              Misfit.Kind.TAILS,
              tails.ref(),
              tails.over(),
              missing,
              Phrase.of(
                  "case.misfit.tails",
                  tails.ref(),
                  missing,
                  title(tails.over()),
                  tails.cutToMm(),
                  tails.roomMm()),
              ways));
    }
    return tails;
  }

  /** Takes two parts of facing boards. */
  void see(Facing facing) {
    if (facing.ok()) {
      return;
    }
    double missing = facing.needsMm() - facing.roomMm();
    List<Misfit.Cure> ways = new ArrayList<>();
    if (!facing.tails()) {
      ways.addAll(cures.lower(facing.ref(), missing));
    }
    if (!facing.otherTails()) {
      ways.addAll(cures.lower(facing.other(), missing));
    }
    parts
        .part(facing.ref())
        .flatMap(part -> part.placed())
        .flatMap(place ->
            rooms.beside(place.board(), facing.tails() ? place.side().other() : place.side()))
        .flatMap(Cures::keeper)
        .ifPresent(keeper -> ways.add(Cures.spacer(keeper, missing)));
    String which =
        facing.tails()
            ? (facing.otherTails() ? "both" : "first")
            : facing.otherTails() ? "other" : "none";
    all.add(
        new Misfit(
            Misfit.Kind.FACING,
            facing.ref(),
            facing.other(),
            missing,
            Phrase.of(
                "case.misfit.facing." + which,
                facing.ref(),
                missing,
                facing.other(),
                facing.needsMm(),
                facing.roomMm()),
            ways));
  }

  /**
   * Takes a part at its cut-out.
   *
   * @param besideX how far it is hidden to the right, below 0 to the left; 0 where it is not
   * @param besideY the same upwards
   */
  void see(Enclosure.Cutout cutout, CaseFit.CutoutFit fit, double besideX, double besideY) {
    String in = title(cutout.in());
    double below = fit.lowMm() - fit.topMm();
    double above = fit.topMm() - fit.highMm();
    if (below > CaseFit.ROUNDING_MM) {
      List<Misfit.Cure> ways = new ArrayList<>();
      parts
          .get(fit.ref())
          .placed()
          .ifPresent(place -> ways.add(Cures.standing("raise", place, below)));
      keeper(fit.ref())
          .filter(keeper -> keeper.layer().thicknessMm().low() > below)
          .ifPresent(keeper -> ways.add(Cures.thinner(keeper, below)));
      all.add(
          new Misfit(
              Misfit.Kind.LOW,
              fit.ref(),
              fit.id(),
              below,
              Phrase.of("case.misfit.low", fit.ref(), below, in, fit.topMm(), fit.lowMm()),
              ways));
    }
    if (above > CaseFit.ROUNDING_MM) {
      List<Misfit.Cure> ways = new ArrayList<>(cures.lower(fit.ref(), above));
      keeper(fit.ref()).ifPresent(keeper -> ways.add(Cures.spacer(keeper, above)));
      all.add(
          new Misfit(
              Misfit.Kind.HIGH,
              fit.ref(),
              fit.id(),
              above,
              Phrase.of("case.misfit.high", fit.ref(), above, in, fit.topMm(), fit.highMm()),
              ways));
    }
    if (besideX != 0 || besideY != 0) {
      all.add(
          new Misfit(
              Misfit.Kind.BESIDE,
              fit.ref(),
              fit.id(),
              Math.hypot(besideX, besideY),
              Phrase.of(
                  "case.misfit.beside",
                  fit.ref(),
                  in,
                  Math.abs(besideX),
                  besideX < 0 ? -1 : besideX > 0 ? 1 : 0,
                  Math.abs(besideY),
                  besideY < 0 ? -1 : besideY > 0 ? 1 : 0),
              ways(cutout, fit, besideX, besideY)));
    }
  }

  /** A light is bent into its hole, as long as its leads reach; anything else wants a wider one. */
  private List<Misfit.Cure> ways(
      Enclosure.Cutout cutout, CaseFit.CutoutFit fit, double besideX, double besideY) {
    List<Misfit.Cure> ways = new ArrayList<>();
    parts
        .part(fit.ref())
        .filter(part -> part.line().kind() == PartKind.LED && part.pack().lead() == LeadClass.THIN)
        .ifPresent(part -> {
          double aside = Math.hypot(fit.dxMm(), fit.dyMm());
          double board =
              part.placed()
                  .flatMap(place -> parts.kit().board(place.board()))
                  .map(Board::thicknessMm)
                  .orElse(0.0);
          double base = Math.max(0, fit.topMm() - part.pack().heightMm());
          double needs = Math.hypot(aside, base) + BEND_MM + board + Tails.CUT_MM;
          ways.add(
              Misfit.Cure.of(
                  needs <= LIGHT_LEAD_MM ? "bend" : "bend-short", aside, needs, LIGHT_LEAD_MM));
        });
    ways.add(Cures.enlarge(cutout, besideX, besideY));
    return ways;
  }

  private Optional<Stack.Level> keeper(String ref) {
    return parts
        .get(ref)
        .placed()
        .flatMap(place -> rooms.beside(place.board(), place.side()))
        .flatMap(Cures::keeper);
  }
}
