package humble.core.host;

import humble.core.kit.Board;
import humble.core.kit.LeadClass;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.kit.WireRun;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A spot of a lacquered board that work has bared: it is coated again, and nothing else is.
 *
 * @param what part, or pin, that was worked at
 * @param sides sides that are bare there
 * @param at middle of the spot, board coordinates from the top
 * @param radiusMm how far it reaches
 */
public record Bared(String what, Set<Side> sides, PointMm at, double radiusMm) {
  /** Lacquer burns off this far round a joint, in millimetres. */
  private static final double ROUND_MM = 3;

  /** A brush goes astray by up to this, in millimetres. */
  private static final double BRUSH_MM = 15;

  /** What no lacquer may reach: it is plugged, moved, or has to feel the air. */
  private static final Set<PartKind> KEPT_CLEAR =
      EnumSet.of(
          PartKind.CONNECTOR,
          PartKind.HEADER,
          PartKind.SOCKET,
          PartKind.SWITCH,
          PartKind.BUTTON,
          PartKind.POTENTIOMETER,
          PartKind.TRIMMER,
          PartKind.ENCODER,
          PartKind.JOYSTICK,
          PartKind.SENSOR,
          PartKind.LDR,
          PartKind.CARD,
          PartKind.DISPLAY,
          PartKind.SPEAKER,
          PartKind.BUZZER,
          PartKind.JUMPER,
          PartKind.FUSE,
          PartKind.BATTERY_HOLDER);

  public Bared {
    sides = Set.copyOf(sides);
  }

  /**
   * A part near a bared spot that must stay free of lacquer.
   *
   * @param ref the part
   * @param beside the spot it is nearest to
   * @param gapMm how far its nearest pad is from the edge of that spot, in millimetres
   */
  public record KeptClear(String ref, String beside, double gapMm) {}

  /**
   * Gives the spots of a board.
   *
   * @param handled parts that came off or were fitted
   * @param joined wires that were joined
   */
  public static List<Bared> of(
      Parts parts, Board board, Set<String> handled, Collection<WireRun> joined) {
    Map<String, Bared> spots = new LinkedHashMap<>();
    for (Part part : parts.all()) {
      if (handled.contains(part.ref()) && HostSurvey.isOn(part, board)) {
        spots.put(part.ref(), spot(part));
      }
    }
    for (WireRun wire : joined) {
      for (String end : List.of(wire.from(), wire.to())) {
        PinRef.parse(end)
            .flatMap(parts::canonical)
            .filter(pin -> HostSurvey.isOn(parts.get(pin.ref()), board))
            .filter(pin -> !spots.containsKey(pin.ref()))
            .ifPresent(pin ->
                parts
                    .padAt(pin)
                    .ifPresent(at ->
                        spots.putIfAbsent(
                            pin.toString(),
                            new Bared(pin.toString(), sides(parts.get(pin.ref())), at, ROUND_MM))));
      }
    }
    return List.copyOf(spots.values());
  }

  private static Bared spot(Part part) {
    double reach =
        part.pack().pins().stream()
            .mapToDouble(pin -> Math.hypot(pin.at().xMm(), pin.at().yMm()))
            .max()
            .orElse(0);
    return new Bared(part.ref(), sides(part), part.placed().orElseThrow().at(), reach + ROUND_MM);
  }

  /** Leads through holes are soldered on one side and heated on both. */
  private static Set<Side> sides(Part part) {
    return part.pack().lead() == LeadClass.SMD
        ? EnumSet.of(part.placed().map(Place::side).orElse(Side.TOP))
        : EnumSet.allOf(Side.class);
  }

  /** Gives what must stay free of lacquer near the spots of a board, the nearest first. */
  public static List<KeptClear> keptClear(Parts parts, Board board, List<Bared> spots) {
    List<KeptClear> clear = new ArrayList<>();
    for (Part part : parts.all()) {
      if (HostSurvey.isOn(part, board)
          && KEPT_CLEAR.contains(part.line().kind())
          && !part.line().particulars().comesOff()) {
        nearest(part, spots).filter(each -> each.gapMm() < BRUSH_MM).ifPresent(clear::add);
      }
    }
    clear.sort(java.util.Comparator.comparingDouble(KeptClear::gapMm));
    return clear;
  }

  private static java.util.Optional<KeptClear> nearest(Part part, List<Bared> spots) {
    Place place = part.placed().orElseThrow();
    return spots.stream()
        .filter(spot -> !spot.what().equals(part.ref()))
        .map(spot -> {
          double gap =
              part.pack().pins().stream()
                  .mapToDouble(pin -> place.onBoard(pin.at()).distanceMm(spot.at()))
                  .min()
                  .orElse(place.at().distanceMm(spot.at()));
          return new KeptClear(part.ref(), spot.what(), Math.max(0, gap - spot.radiusMm()));
        })
        .min(java.util.Comparator.comparingDouble(KeptClear::gapMm));
  }
}
