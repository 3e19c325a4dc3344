package humble.core.kit;

import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What to look at on a bare board before anything is heated: a short list of places, found from the
 * board's own geometry.
 */
public final class LookOver {
  private static final int MOST_PER_KIND = 2;
  private static final int LONG_ROW = 8;

  /** Pads of about this width stand between the middles of two holes, in millimetres. */
  private static final double PAD_MM = 1.5;

  private LookOver() {}

  /**
   * One place to look at.
   *
   * @param id name within the board, kept in the log
   * @param side side to look at
   * @param at middle of the place, board coordinates from the top
   * @param radiusMm how far it reaches
   * @param what what should be seen there
   */
  public record Spot(String id, Side side, PointMm at, double radiusMm, Phrase what) {}

  /** Gives the places of a board, in the order in which an eye goes over it. */
  public static List<Spot> of(Parts parts, Board board) {
    if (board.host()) {
      // It is not bare: it is surveyed spot by spot.
      return List.of();
    }
    List<Spot> spots = new ArrayList<>();
    PointMm middle = new PointMm(board.widthMm() / 2, board.heightMm() / 2);
    double all = Math.hypot(board.widthMm(), board.heightMm()) / 2;
    if (!board.revision().isEmpty()) {
      spots.add(
          new Spot(
              "revision", Side.TOP, middle, all, Phrase.of("look.revision", board.revision())));
    }
    List<Part> here =
        parts.all().stream()
            .filter(part -> part.placed().map(p -> p.board().equals(board.id())).orElse(false))
            .toList();
    edgeContacts(here, spots);
    longRows(here, spots);
    closest(parts, here, spots);
    solderedBefore(here, spots);
    spots.add(new Spot("outline", Side.TOP, middle, all, Phrase.of("look.outline")));
    spots.add(new Spot("far-side", Side.BOTTOM, middle, all, Phrase.of("look.far-side")));
    return spots;
  }

  private static void edgeContacts(List<Part> here, List<Spot> spots) {
    here.stream()
        .filter(part -> part.pack().lead() == LeadClass.SMD)
        .sorted(Comparator.comparing(part -> part.line().kind() != PartKind.CONNECTOR))
        .limit(MOST_PER_KIND)
        .forEach(part ->
            spots.add(spot("edge:" + part.ref(), part, Phrase.of("look.edge", part.ref()))));
  }

  private static void longRows(List<Part> here, List<Spot> spots) {
    here.stream()
        .filter(part -> part.placed().map(p -> p.mount() != Mount.SOCKETED).orElse(false))
        .filter(
            part -> part.pack().lead() != LeadClass.SMD && part.pack().pins().size() >= LONG_ROW)
        .sorted(Comparator.comparingInt(part -> -part.pack().pins().size()))
        .limit(MOST_PER_KIND)
        .forEach(
            part -> spots.add(spot("row:" + part.ref(), part, Phrase.of("look.row", part.ref()))));
  }

  /** What was soldered before is looked over once: on one side, all of it together. */
  private static void solderedBefore(List<Part> here, List<Spot> spots) {
    for (Side side : Side.values()) {
      List<Part> there =
          here.stream()
              .filter(part -> part.line().isOnBoard())
              .filter(part -> part.placed().map(p -> p.side() == side).orElse(false))
              .sorted(Comparator.comparing(Part::ref, RefOrder.NATURAL))
              .toList();
      if (there.isEmpty()) {
        continue;
      }
      List<PointMm> at = there.stream().map(part -> part.placed().orElseThrow().at()).toList();
      PointMm middle =
          new PointMm(
              at.stream().mapToDouble(PointMm::xMm).average().orElse(0),
              at.stream().mapToDouble(PointMm::yMm).average().orElse(0));
      double reach = at.stream().mapToDouble(middle::distanceMm).max().orElse(0);
      spots.add(
          new Spot(
              "soldered:" + side.text(),
              side,
              middle,
              reach + 4,
              Phrase.of("look.soldered", RefOrder.listed(there.stream().map(Part::ref).toList()))));
    }
  }

  private static Spot spot(String id, Part part, Phrase what) {
    Place place = part.placed().orElseThrow();
    double reach =
        part.pack().pins().stream()
            .mapToDouble(pin -> Math.hypot(pin.at().xMm(), pin.at().yMm()))
            .max()
            .orElse(2);
    return new Spot(id, place.side(), place.at(), reach + 2, what);
  }

  /** One pad of a part, with the net it is on. */
  private record Pad(String ref, PointMm at, Optional<String> net, Side side) {}

  /** Pads of different parts and different nets that stand closest. */
  private static void closest(Parts parts, List<Part> here, List<Spot> spots) {
    List<Pad> pads = new ArrayList<>();
    for (Part part : here) {
      Place place = part.placed().orElseThrow();
      if (place.mount() != Mount.SOCKETED) {
        part.pack()
            .pins()
            .forEach(pin ->
                pads.add(
                    new Pad(
                        part.ref(),
                        place.onBoard(pin.at()),
                        parts.netOf(new PinRef(part.ref(), pin.number())),
                        place.side())));
      }
    }
    Pad one = null;
    Pad other = null;
    double least = Double.MAX_VALUE;
    for (int i = 0; i < pads.size(); i++) {
      for (int k = i + 1; k < pads.size(); k++) {
        Pad a = pads.get(i);
        Pad b = pads.get(k);
        if (Math.abs(a.at().xMm() - b.at().xMm()) >= least
            || Math.abs(a.at().yMm() - b.at().yMm()) >= least) {
          continue;
        }
        boolean sameNet = a.net().isPresent() && a.net().equals(b.net());
        double apart = a.at().distanceMm(b.at());
        if (!a.ref().equals(b.ref()) && !sameNet && apart < least && apart > PAD_MM / 2) {
          least = apart;
          one = a;
          other = b;
        }
      }
    }
    if (one != null && other != null) {
      PointMm middle =
          new PointMm(
              (one.at().xMm() + other.at().xMm()) / 2, (one.at().yMm() + other.at().yMm()) / 2);
      spots.add(
          new Spot(
              "close:" + one.ref() + "-" + other.ref(),
              one.side(),
              middle,
              Math.max(3, least),
              Phrase.of("look.close", one.ref(), other.ref(), least)));
    }
  }
}
