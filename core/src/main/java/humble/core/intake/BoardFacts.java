package humble.core.intake;

import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What the board files of a kit say, in their own coordinates.
 *
 * @param outline left, bottom, right and top of the profile, in millimetres; empty when there is
 *     none
 * @param pads pads by {@code REF.PIN}
 * @param nets pins by net, as {@code REF.PIN}
 */
public record BoardFacts(
    Optional<double[]> outline, Map<String, Pad> pads, Map<String, List<String>> nets) {
  /** Nothing is known. */
  public static final BoardFacts NONE = new BoardFacts(Optional.empty(), Map.of(), Map.of());

  public BoardFacts {
    pads = Map.copyOf(pads);
    nets = Map.copyOf(nets);
  }

  /**
   * One pad.
   *
   * @param at its middle, in millimetres
   * @param side side it can be reached from; empty for a hole through the board
   */
  public record Pad(PointMm at, Optional<Side> side) {}

  /** Gives a row for every part that the pads name: what it is, no file of a board says. */
  public List<PartRow> rows() {
    java.util.Set<String> refs = new java.util.TreeSet<>(humble.core.kit.RefOrder.NATURAL);
    for (String pin : pads.keySet()) {
      refs.add(pin.substring(0, pin.indexOf('.')));
    }
    return refs.stream()
        .map(ref -> new PartRow("board " + ref, Map.of(Column.REFS, ref, Column.PIECES, "1")))
        .toList();
  }

  /** Gives the lower left corner of the board, the origin when no profile says it. */
  PointMm origin() {
    return outline.map(box -> new PointMm(box[0], box[1])).orElse(new PointMm(0, 0));
  }
}
