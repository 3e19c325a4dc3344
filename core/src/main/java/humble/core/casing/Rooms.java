package humble.core.casing;

import humble.core.kit.Board;
import humble.core.kit.Enclosure;
import humble.core.kit.Enclosure.LayerKind;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** How much room there is over either side of the boards of a kit, and what ends it. */
final class Rooms {
  private final Parts parts;
  private final Stack stack;
  private final List<Enclosure.Room> told;
  private final List<Stack.Gap> gaps;
  private final Set<String> cut;
  private final Map<String, List<Room>> sides = new HashMap<>();

  Rooms(Parts parts, Stack stack) {
    this.parts = parts;
    this.stack = stack;
    this.told = parts.kit().casing().map(Enclosure::rooms).orElse(List.of());
    this.gaps = stack.gaps();
    this.cut =
        parts.kit().casing().stream()
            .flatMap(casing -> casing.cutouts().stream())
            .map(Enclosure.Cutout::ref)
            .collect(Collectors.toSet());
  }

  /** What ends a room. */
  enum Ends {
    LAYER,
    PART,
    PLACE
  }

  /**
   * Some room.
   *
   * @param mm how much at least, in millimetres
   * @param by what ends it: a layer, or the part that covers it; empty for a limit of the place
   */
  record Room(double mm, Ends ends, String by) {}

  private static Optional<Room> least(List<Room> rooms) {
    return rooms.stream().min(Comparator.comparingDouble(Room::mm));
  }

  /** Gives the room over a part that stands at a place; empty where nothing is known to end it. */
  Optional<Room> over(Place place) {
    List<Room> rooms = new ArrayList<>();
    if (!cut.contains(place.ref())) {
      rooms.addAll(besides(place.board(), place.side(), place.ref()));
    }
    Double most = place.maxHeightMm();
    if (most != null) {
      rooms.add(new Room(most, Ends.PLACE, ""));
    }
    place
        .covered()
        .filter(cover -> isBeside(place, cover))
        .map(cover -> new Room(parts.undersideMm(cover), Ends.PART, cover))
        // A cover of which nobody says how far off it stands ends nothing that is known.
        .filter(room -> room.mm() > 0)
        .ifPresent(rooms::add);
    return least(rooms);
  }

  private boolean isBeside(Place place, String cover) {
    return parts
        .part(cover)
        .flatMap(part -> part.placed())
        .filter(other -> other.board().equals(place.board()) && other.side() == place.side())
        .isPresent();
  }

  /** Gives the room below a board where the leads of a part come out. */
  Optional<Room> below(Place place) {
    return least(besides(place.board(), place.side().other(), place.ref()));
  }

  /** What the kit tells, else what follows from the stack where a plate or a cell lies there. */
  private List<Room> besides(String board, Side side, String ref) {
    List<Enclosure.Room> here =
        told.stream().filter(room -> room.board().equals(board) && room.side() == side).toList();
    if (!here.isEmpty()) {
      return here.stream()
          .filter(room -> !room.but().contains(ref))
          .map(room -> new Room(room.heightMm().low(), Ends.LAYER, room.under()))
          .toList();
    }
    return beside(board, side).filter(Stack.Gap::isSaid).flatMap(gap -> closed(gap, board)).stream()
        .toList();
  }

  private Optional<Room> closed(Stack.Gap gap, String board) {
    Stack.Level other = gap.front().id().equals(board) ? gap.back() : gap.front();
    return other.kind() == LayerKind.BOARD
        ? Optional.empty()
        : Optional.of(new Room(gap.apartMm().low(), Ends.LAYER, other.id()));
  }

  /** Gives the gap at a side of a board. */
  Optional<Stack.Gap> beside(String board, Side side) {
    boolean front = stack.face(board) == side;
    return gaps.stream()
        .filter(gap -> (front ? gap.back() : gap.front()).id().equals(board))
        .findFirst();
  }

  /** Gives the gap that a layer ends over a part. */
  Optional<Stack.Gap> gapOver(Place place, String layer) {
    Optional<Board> board = parts.kit().board(place.board());
    return board
        .flatMap(b -> beside(b.id(), place.side()))
        .filter(gap -> gap.front().id().equals(layer) || gap.back().id().equals(layer));
  }
}
