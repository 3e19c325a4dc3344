package humble.core.host;

import humble.core.kit.Board;
import humble.core.kit.Line;
import humble.core.kit.Mount;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.RefOrder;
import humble.core.kit.Side;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * The survey of the boards that a conversion goes into, spot by spot: every place something goes
 * to, and every part that the kit knows to be there.
 */
public final class HostSurvey {
  /** An eye goes over a board in rows of about this height, in millimetres. */
  private static final double ROW_MM = 12;

  private HostSurvey() {}

  /**
   * One place.
   *
   * @param ref part that is there, or goes there
   * @param board board of the host
   * @param side side of that board
   * @param at middle of the place, board coordinates from the top
   * @param radiusMm how far its pads reach
   * @param expected what should be found
   * @param says what should be seen, in a sentence
   */
  public record Spot(
      String ref,
      String board,
      Side side,
      PointMm at,
      double radiusMm,
      Found expected,
      Phrase says) {}

  /** Gives the spots of all boards that were there before, side by side, row by row. */
  public static List<Spot> of(Parts parts) {
    List<Spot> spots = new ArrayList<>();
    for (Board board : parts.kit().boards()) {
      if (board.host()) {
        List<Spot> here = new ArrayList<>();
        parts.all().stream()
            .filter(part -> isOn(part, board) && !isInSocket(part))
            .forEach(part -> here.add(spot(part)));
        here.sort(
            Comparator.comparing(Spot::side)
                .thenComparing(s -> -Math.round(s.at().yMm() / ROW_MM))
                .thenComparing(s -> s.at().xMm())
                .thenComparing(Spot::ref, RefOrder.NATURAL));
        spots.addAll(here);
      }
    }
    return spots;
  }

  static boolean isOn(Part part, Board board) {
    return part.placed().map(place -> place.board().equals(board.id())).orElse(false);
  }

  private static boolean isInSocket(Part part) {
    return part.placed().map(place -> place.mount() == Mount.SOCKETED).orElse(false);
  }

  private static Spot spot(Part part) {
    Place place = part.placed().orElseThrow();
    Line line = part.line();
    Found expected = Found.EMPTY;
    String key = "host.spot.empty";
    if (line.particulars().comesOff()) {
      expected = Found.THERE;
      key = "host.spot.off";
    } else if (line.isOnBoard()) {
      expected = Found.THERE;
      key = "host.spot.there";
    } else if (line.particulars().aged() != null) {
      expected = Found.THERE;
      key = "host.spot.aged";
    }
    double reach =
        part.pack().pins().stream()
            .mapToDouble(pin -> Math.hypot(pin.at().xMm(), pin.at().yMm()))
            .max()
            .orElse(2);
    return new Spot(
        part.ref(),
        place.board(),
        place.side(),
        place.at(),
        reach,
        expected,
        Phrase.of(key, part.ref(), value(line)));
  }

  private static String value(Line line) {
    humble.core.kit.Aged aged = line.particulars().aged();
    String value = aged == null || aged.value().isEmpty() ? line.value() : aged.value();
    String printed = value.isEmpty() ? line.marking() : value;
    return printed.isEmpty() ? line.kind().text() : printed;
  }

  /** Gives what follows from what was found, where it is not what was expected; else nothing. */
  public static List<Phrase> follows(Parts parts, Spot spot, Found found) {
    Part part = parts.get(spot.ref());
    if (found == Found.BURNT) {
      return burnt(parts, part);
    }
    if (found == spot.expected()) {
      return List.of();
    }
    if (found == Found.THERE) {
      return List.of(Phrase.of("host.found.taken", spot.ref(), part.pack().pins().size()));
    }
    return List.of(
        part.line().isOnBoard() && !part.line().particulars().comesOff()
            ? Phrase.of("host.found.missing", spot.ref(), nets(parts, part))
            : Phrase.of("host.found.off", spot.ref()));
  }

  private static List<Phrase> burnt(Parts parts, Part part) {
    List<Phrase> follows = new ArrayList<>();
    String nets = nets(parts, part);
    follows.add(
        nets.isEmpty()
            ? Phrase.of("host.found.burnt", part.ref())
            : Phrase.of("host.found.burnt-on", part.ref(), nets));
    if (!part.line().isOnBoard()) {
      follows.add(Phrase.of("host.found.pads", part.ref()));
    }
    return follows;
  }

  private static String nets(Parts parts, Part part) {
    Set<String> nets = new TreeSet<>();
    part.pack()
        .pins()
        .forEach(pin ->
            parts.netOf(new humble.core.kit.PinRef(part.ref(), pin.number())).ifPresent(nets::add));
    return String.join(", ", nets);
  }

  /** Gives the parts of hosts that were looked for and are not there. */
  public static Set<String> missing(Parts parts, Map<String, Found> found) {
    Set<String> missing = new TreeSet<>(RefOrder.NATURAL);
    found.forEach((ref, what) -> {
      boolean ofHost = parts.part(ref).map(part -> part.line().isOnBoard()).orElse(false);
      if (ofHost && what == Found.EMPTY) {
        missing.add(ref);
      }
    });
    return missing;
  }
}
