package humble.core.host;

import humble.core.kit.Board;
import humble.core.kit.Mount;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.RefOrder;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A hole, or a pad, of a board that was there before, which has to be clear for what goes on it. An
 * empty place is looked at too: unused holes are mostly full of solder.
 *
 * @param pin pin that was there, or goes there
 * @param at where it is, board coordinates from the top
 * @param state how it was last seen, empty where nobody looked yet
 */
public record HoleToClear(PinRef pin, PointMm at, Optional<HoleState> state) {
  /**
   * Gives the holes of a board, part by part.
   *
   * @param leftOut parts that are not fitted
   * @param seen how holes were last seen, by {@code REF.PIN}
   */
  public static List<HoleToClear> of(
      Parts parts, Board board, Set<String> leftOut, Map<String, HoleState> seen) {
    List<HoleToClear> holes = new ArrayList<>();
    List<Part> here =
        parts.all().stream()
            .filter(part -> HostSurvey.isOn(part, board) && isCleared(part))
            .filter(part -> !leftOut.contains(part.ref()))
            .sorted(Comparator.comparing(Part::ref, RefOrder.NATURAL))
            .toList();
    for (Part part : here) {
      Place place = part.placed().orElseThrow();
      for (PackagePin pin : part.pack().pins()) {
        if (!place.leaveEmpty().contains(pin.number())) {
          PinRef ref = new PinRef(part.ref(), pin.number());
          holes.add(
              new HoleToClear(
                  ref, place.onBoard(pin.at()), Optional.ofNullable(seen.get(ref.toString()))));
        }
      }
    }
    return holes;
  }

  private static boolean isCleared(Part part) {
    boolean inSocket = part.placed().map(place -> place.mount() == Mount.SOCKETED).orElse(false);
    return !inSocket && (!part.line().isOnBoard() || part.line().particulars().comesOff());
  }

  /** Tells whether it still has to be cleared, or looked at. */
  public boolean isLeft() {
    return state.isEmpty() || state.get() == HoleState.FILLED;
  }

  /**
   * Says where a lead is joined whose pad has come off: to the nearest other pad of its net on that
   * board.
   */
  public Phrase detour(Parts parts) {
    Optional<String> net = parts.netOf(pin);
    if (net.isEmpty()) {
      return Phrase.of("host.detour.unknown", pin.toString());
    }
    String board = parts.part(pin.ref()).flatMap(Part::placed).map(Place::board).orElse("");
    return parts.kit().nets().getOrDefault(net.get(), List.of()).stream()
        .flatMap(other -> parts.canonical(other).stream())
        .filter(other -> !other.ref().equals(pin.ref()))
        .filter(other -> parts.get(other.ref()).placed().map(Place::board).orElse("").equals(board))
        .filter(other -> parts.padAt(other).isPresent())
        .min(Comparator.comparingDouble(other -> parts.padAt(other).orElseThrow().distanceMm(at)))
        .map(other ->
            Phrase.of(
                "host.detour",
                pin.toString(),
                other.toString(),
                Math.round(parts.padAt(other).orElseThrow().distanceMm(at)),
                net.get()))
        .orElseGet(() -> Phrase.of("host.detour.none", pin.toString(), net.get()));
  }
}
