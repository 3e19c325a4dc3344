package humble.core.kit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * What cannot be on a board: a part beside it, two parts on one spot, a chip flush over its socket,
 * pads that overlap. Parts of which only one is ever fitted may share their place.
 */
final class BoardSense {
  /** Middles closer than this are one spot. */
  private static final double SPOT_MM = 0.1;

  /** Pads whose middles are closer than this are one piece of copper. */
  private static final double TOUCHING_MM = 0.5;

  /** An edge contact reaches over the edge by up to this. */
  private static final double OVER_EDGE_MM = 1;

  /** No square millimetre holds more pads; what a flood puts there is told by these. */
  private static final int MOST_IN_A_CELL = 16;

  private final Kit kit;
  private final Parts parts;
  private final List<Finding> findings = new ArrayList<>();

  /** Pairs of parts of which one thing is told: one is enough. */
  private final Set<Set<String>> told = new HashSet<>();

  /** A pad of a part of the list of places. */
  private record Pad(int place, Part part, String pin, PointMm at) {}

  private BoardSense(Parts parts) {
    this.parts = parts;
    this.kit = parts.kit();
  }

  static List<Finding> of(Parts parts) {
    BoardSense sense = new BoardSense(parts);
    sense.spots();
    sense.pads();
    return sense.findings;
  }

  private void spots() {
    Map<String, Integer> taken = new HashMap<>();
    for (int i = 0; i < kit.places().size(); i++) {
      Place place = kit.places().get(i);
      Integer before = taken.putIfAbsent(spot(place, place.at()), i);
      if (before != null) {
        oneSpot(i, place, kit.places().get(before));
      }
    }
  }

  private static String spot(Place place, PointMm at) {
    return place.board()
        + "/"
        + place.side()
        + "/"
        + Math.round(at.xMm() / SPOT_MM)
        + "/"
        + Math.round(at.yMm() / SPOT_MM);
  }

  private void oneSpot(int i, Place place, Place other) {
    Part a = parts.part(place.ref()).orElse(null);
    Part b = parts.part(other.ref()).orElse(null);
    if (a == null
        || b == null
        || a.ref().equals(b.ref())
        || mayShare(a, b)
        || isAbove(a, b)
        || isAbove(b, a)) {
      return;
    }
    told.add(Set.of(a.ref(), b.ref()));
    String at = "kit.json#/places/" + i;
    Optional<Part> socket =
        List.of(a, b).stream().filter(part -> part.line().kind() == PartKind.SOCKET).findFirst();
    if (socket.isPresent()) {
      Part chip = socket.get().ref().equals(a.ref()) ? b : a;
      findings.add(
          Finding.error(
              at,
              chip.ref()
                  + " sits on the spot of the socket "
                  + socket.get().ref()
                  + " and is not said to be in it: its mount is 'socketed'."));
    } else {
      findings.add(Finding.error(at, a.ref() + " and " + b.ref() + " sit on one spot."));
    }
  }

  /** Tells whether two parts may be at one place: one holds or covers the other, or only one is. */
  private boolean mayShare(Part a, Part b) {
    return parts.socketOf(a.ref()).filter(b.ref()::equals).isPresent()
        || parts.socketOf(b.ref()).filter(a.ref()::equals).isPresent()
        || touches(a, b)
        || touches(b, a)
        || isPluggedOn(a, b)
        || isPluggedOn(b, a)
        || either(a.ref(), b.ref());
  }

  /** A module or a display stands over the header that it is plugged onto. */
  private static boolean isPluggedOn(Part a, Part b) {
    PartKind above = a.line().kind();
    PartKind below = b.line().kind();
    return (above == PartKind.MODULE || above == PartKind.DISPLAY || above == PartKind.CARD)
        && (below == PartKind.HEADER || below == PartKind.CONNECTOR);
  }

  private static boolean touches(Part a, Part b) {
    Place place = a.place();
    return place != null && b.ref().equals(place.jig());
  }

  /** What covers another part, or stands higher than it, may have its middle there; no pads. */
  private static boolean isAbove(Part a, Part b) {
    Place above = a.place();
    Place below = b.place();
    return above != null
        && below != null
        && (a.ref().equals(below.under()) || above.standoffMm() >= b.pack().heightMm());
  }

  /** Tells whether an option never fits both. */
  private boolean either(String a, String b) {
    return kit.options().stream()
        .anyMatch(option ->
            option.choices().stream()
                .noneMatch(choice -> fits(option, choice, a) && fits(option, choice, b)));
  }

  private static boolean fits(KitOption option, KitOption.Choice choice, String ref) {
    boolean chosen = option.choices().stream().anyMatch(each -> each.fit().contains(ref));
    return choice.fit().contains(ref) || !chosen && !choice.omit().contains(ref);
  }

  private void pads() {
    Map<String, List<Pad>> cells = new HashMap<>();
    for (int i = 0; i < kit.places().size(); i++) {
      Place place = kit.places().get(i);
      Part part = parts.part(place.ref()).orElse(null);
      Board board = kit.board(place.board()).orElse(null);
      if (part == null || board == null || part.pack().pins().isEmpty()) {
        continue;
      }
      List<Pad> pads = new ArrayList<>();
      for (PackagePin pin : part.pack().pins()) {
        pads.add(new Pad(i, part, pin.number(), place.onBoard(pin.at())));
      }
      offBoard(i, part, board, pads);
      pads.forEach(pad -> overlap(pad, place, cells));
    }
  }

  private void offBoard(int i, Part part, Board board, List<Pad> pads) {
    long off = pads.stream().filter(pad -> !isOn(board, pad.at())).count();
    if (off == pads.size()) {
      findings.add(
          Finding.error(
              "kit.json#/places/" + i, part.ref() + " sits beside board '" + board.id() + "'."));
    } else if (off > 0) {
      findings.add(
          Finding.warning(
              "kit.json#/places/" + i,
              off + " pads of " + part.ref() + " lie beside board '" + board.id() + "'."));
    }
  }

  private static boolean isOn(Board board, PointMm at) {
    double left = 0;
    double low = 0;
    double right = board.widthMm();
    double high = board.heightMm();
    for (PointMm corner : board.outline()) {
      left = Math.min(left, corner.xMm());
      low = Math.min(low, corner.yMm());
      right = Math.max(right, corner.xMm());
      high = Math.max(high, corner.yMm());
    }
    return at.xMm() >= left - OVER_EDGE_MM
        && at.xMm() <= right + OVER_EDGE_MM
        && at.yMm() >= low - OVER_EDGE_MM
        && at.yMm() <= high + OVER_EDGE_MM;
  }

  /** Holes go through; flat pads touch only those of their own side. */
  private void overlap(Pad pad, Place place, Map<String, List<Pad>> cells) {
    int x = (int) Math.floor(pad.at().xMm());
    int y = (int) Math.floor(pad.at().yMm());
    for (int dx = -1; dx <= 1; dx++) {
      for (int dy = -1; dy <= 1; dy++) {
        for (Pad other : cells.getOrDefault(cell(place.board(), x + dx, y + dy), List.of())) {
          if (other.at().distanceMm(pad.at()) < TOUCHING_MM) {
            touching(pad, other);
          }
        }
      }
    }
    List<Pad> here = cells.computeIfAbsent(cell(place.board(), x, y), key -> new ArrayList<>());
    if (here.size() < MOST_IN_A_CELL) {
      here.add(pad);
    }
  }

  private static String cell(String board, int x, int y) {
    return board + "/" + x + "/" + y;
  }

  private void touching(Pad a, Pad b) {
    Place placeA = kit.places().get(a.place());
    Place placeB = kit.places().get(b.place());
    boolean flat =
        a.part().pack().lead() == LeadClass.SMD && b.part().pack().lead() == LeadClass.SMD;
    if (a.part().ref().equals(b.part().ref())
        || flat && placeA.side() != placeB.side()
        || mayShare(a.part(), b.part())
        || !told.add(Set.of(a.part().ref(), b.part().ref()))) {
      return;
    }
    Optional<String> netA = parts.netOf(new PinRef(a.part().ref(), a.pin()));
    Optional<String> netB = parts.netOf(new PinRef(b.part().ref(), b.pin()));
    if (netA.isPresent() && Objects.equals(netA, netB)) {
      return;
    }
    String at = "kit.json#/places/" + a.place();
    String text =
        "Pad "
            + a.part().ref()
            + "."
            + a.pin()
            + " lies on pad "
            + b.part().ref()
            + "."
            + b.pin()
            + ".";
    findings.add(
        netA.isPresent() && netB.isPresent() ? Finding.error(at, text) : Finding.warning(at, text));
  }
}
