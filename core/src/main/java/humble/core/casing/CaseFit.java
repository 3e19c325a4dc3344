package humble.core.casing;

import humble.core.kit.Board;
import humble.core.kit.Choices;
import humble.core.kit.Enclosure;
import humble.core.kit.Enclosure.LayerKind;
import humble.core.kit.Kit;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.RefOrder;
import humble.core.kit.Side;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Whether a kit fits its case.
 *
 * @param screws length of every screw
 * @param clearances every part with some room given, natural order
 * @param cutouts every part with a hole in the case
 * @param facing every part against what comes nearest on a facing board
 * @param tails every part whose leads end before something, natural order
 * @param misfits everything that does not fit, in the order of its parts
 * @param unsaid what would have to be known to tell more
 */
public record CaseFit(
    List<ScrewFit> screws,
    List<Clearance> clearances,
    List<CutoutFit> cutouts,
    List<Facing> facing,
    List<Tails> tails,
    List<Misfit> misfits,
    List<Phrase> unsaid) {
  static final double CENTRE_MM = 0.5;
  static final double ROUNDING_MM = 1e-9;

  public CaseFit {
    screws = List.copyOf(screws);
    clearances = List.copyOf(clearances);
    cutouts = List.copyOf(cutouts);
    facing = List.copyOf(facing);
    tails = List.copyOf(tails);
    misfits = List.copyOf(misfits);
    unsaid = List.copyOf(unsaid);
  }

  /**
   * A part's height against the room over it, in millimetres.
   *
   * @param over what ends the room: a layer or a part; empty where the kit limits the place alone
   */
  public record Clearance(String ref, double roomMm, double needsMm, boolean ok, String over) {}

  /** A part's top and middle against its hole; offsets are part minus hole, in millimetres. */
  public record CutoutFit(
      String id,
      String ref,
      double topMm,
      double lowMm,
      double highMm,
      double dxMm,
      double dyMm,
      boolean ok) {}

  /** Computes the fit of a kit with its options as {@code choices} say. */
  public static CaseFit of(Kit kit, Map<String, String> choices) {
    return of(Parts.of(kit), choices);
  }

  /** Computes the fit of the parts of a kit with its options as {@code choices} say. */
  public static CaseFit of(Parts parts, Map<String, String> choices) {
    Kit kit = parts.kit();
    Set<String> out = Choices.leftOut(kit, choices);
    Stack stack = Stack.of(kit);
    Rooms rooms = new Rooms(parts, stack);
    Misfits misfits = new Misfits(parts, stack, rooms);
    List<ScrewFit> screws =
        kit.casing().stream()
            .flatMap(e -> e.screws().stream().map(screw -> ScrewFit.of(e, screw)))
            .toList();
    List<Clearance> clearances = new ArrayList<>();
    List<Tails> tails = new ArrayList<>();
    for (Place place : kit.places()) {
      Part part = parts.part(place.ref()).orElse(null);
      if (part == null || out.contains(place.ref())) {
        continue;
      }
      rooms.over(place).ifPresent(room -> clearances.add(clearance(parts, place, room, misfits)));
      Board board = kit.board(place.board()).orElse(null);
      if (board != null && Body.hasTails(parts, part)) {
        rooms
            .below(place)
            .map(room ->
                Tails.of(part, board.thicknessMm(), room.mm(), room.by(), misfits.title(room.by())))
            .ifPresent(each -> tails.add(misfits.see(each)));
      }
    }
    clearances.sort(Comparator.comparing(Clearance::ref, RefOrder.NATURAL));
    List<CutoutFit> cutouts =
        kit.casing().stream()
            .flatMap(e -> e.cutouts().stream())
            .filter(c -> !out.contains(c.ref()))
            .flatMap(c -> cutout(kit, parts, c, misfits).stream())
            .toList();
    FacingBoards boards = new FacingBoards(parts, stack, out);
    boards.nearest().forEach(misfits::see);
    tails.addAll(boards.cuts());
    tails.sort(Comparator.comparing(Tails::ref, RefOrder.NATURAL));
    List<Phrase> unsaid = new ArrayList<>(boards.unsaid());
    unsaid.addAll(against(kit, stack));
    return new CaseFit(screws, clearances, cutouts, boards.nearest(), tails, misfits.all(), unsaid);
  }

  private static Clearance clearance(Parts parts, Place place, Rooms.Room room, Misfits misfits) {
    double needs = parts.fittedHeightMm(place.ref());
    boolean ok = needs <= room.mm() + ROUNDING_MM;
    if (!ok) {
      misfits.high(place, room, needs);
    }
    return new Clearance(place.ref(), room.mm(), needs, ok, room.by());
  }

  private static Optional<CutoutFit> cutout(
      Kit kit, Parts parts, Enclosure.Cutout cutout, Misfits misfits) {
    Place place = kit.placeOf(cutout.ref()).orElse(null);
    if (place == null || parts.part(cutout.ref()).isEmpty()) {
      return Optional.empty();
    }
    double top = parts.fittedHeightMm(cutout.ref());
    double low = cutout.topMm() == null ? 0 : cutout.topMm().low();
    double high = cutout.topMm() == null ? top : cutout.topMm().high();
    double dx = place.at().xMm() - cutout.at().xMm();
    double dy = place.at().yMm() - cutout.at().yMm();
    double besideX = Math.max(0, Math.abs(dx) - cutout.playXMm());
    double besideY = Math.max(0, Math.abs(dy) - cutout.playYMm());
    boolean meets = Math.hypot(besideX, besideY) <= CENTRE_MM + ROUNDING_MM;
    boolean ok = top >= low - ROUNDING_MM && top <= high + ROUNDING_MM && meets;
    CutoutFit fit = new CutoutFit(cutout.id(), cutout.ref(), top, low, high, dx, dy, ok);
    misfits.see(
        cutout,
        fit,
        meets ? 0 : Math.copySign(besideX, dx),
        meets ? 0 : Math.copySign(besideY, dy));
    return Optional.of(fit);
  }

  /** Where a plate or a cell lies at a board and nothing is said to keep it off the joints. */
  private static List<Phrase> against(Kit kit, Stack stack) {
    List<Phrase> unsaid = new ArrayList<>();
    for (Stack.Gap gap : stack.gaps()) {
      boolean front = gap.front().kind() == LayerKind.BOARD;
      boolean back = gap.back().kind() == LayerKind.BOARD;
      Stack.Level board = front ? gap.front() : gap.back();
      Stack.Level other = front ? gap.back() : gap.front();
      boolean told =
          kit.casing().stream()
              .flatMap(casing -> casing.rooms().stream())
              .anyMatch(room ->
                  room.board().equals(board.id())
                      && (stack.face(board.id()) == room.side()) != front);
      if (front != back && other.kind() == LayerKind.CELL) {
        Side towards = front ? stack.face(board.id()).other() : stack.face(board.id());
        unsaid.add(
            Phrase.of(
                "case.unsaid.insulated." + towards.text(),
                board.layer().title(),
                other.layer().title()));
      }
      if (front != back && !gap.isSaid() && !told && other.kind() != LayerKind.FILM) {
        unsaid.add(Phrase.of("case.unsaid.apart", board.layer().title(), other.layer().title()));
      }
    }
    return unsaid;
  }

  /**
   * Tells whether everything fits: every clearance, every cut-out, every lead, facing boards, and a
   * length for every screw.
   */
  public boolean ok() {
    return misfits.isEmpty() && screws.stream().noneMatch(screw -> screw.chooseMm().isEmpty());
  }

  /** Gives what does not fit about a part. */
  public List<Misfit> of(String ref) {
    return misfits.stream()
        .filter(misfit -> misfit.ref().equals(ref) || misfit.against().equals(ref))
        .toList();
  }

  /** Gives the leads of a part, where they have to be cut shorter than they usually are. */
  public Optional<Tails> cut(String ref) {
    return tails.stream()
        .filter(each -> each.ref().equals(ref) && each.isCut())
        .min(Comparator.comparingDouble(Tails::cutToMm));
  }
}
