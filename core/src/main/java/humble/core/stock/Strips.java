package humble.core.stock;

import humble.core.kit.Choices;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartPackage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * The header strips of a kit: which lengths are snapped from which supplied strips.
 *
 * @param receptacle whether they are receptacles, of which every cut destroys a position
 * @param stripLength positions of a supplied strip
 * @param supplied strips in the bag
 * @param pieces what is snapped: ref and length, in the order of the parts list
 * @param snapping the best way; empty when a piece is longer than a strip
 */
public record Strips(
    boolean receptacle,
    int stripLength,
    int supplied,
    List<Piece> pieces,
    Optional<Snapping> snapping) {
  public Strips {
    pieces = List.copyOf(pieces);
  }

  /** One piece to be snapped. */
  public record Piece(String line, String ref, int length) {}

  /** Gives the strips of a kit, those that can be cut from the same ones together. */
  public static List<Strips> of(Kit kit, Set<String> leftOut) {
    Map<String, List<Line>> alike = new LinkedHashMap<>();
    for (Line line : kit.bagged()) {
      if (line.stripOf() > 0) {
        String kind = line.packageId().replaceAll("[0-9]+$", "");
        alike.computeIfAbsent(kind + " " + line.stripOf(), k -> new ArrayList<>()).add(line);
      }
    }
    return alike.values().stream().map(lines -> of(kit, lines, leftOut)).toList();
  }

  private static Strips of(Kit kit, List<Line> lines, Set<String> leftOut) {
    List<Piece> pieces = new ArrayList<>();
    int supplied = 0;
    for (Line line : lines) {
      boolean twoRows = line.packageId().startsWith("header-2x");
      int pins =
          kit.packageNamed(line.packageId()).map(PartPackage::pins).map(List::size).orElse(1);
      int length = Math.max(1, twoRows ? pins / 2 : pins);
      line.refs().stream()
          .filter(ref -> !leftOut.contains(ref))
          .forEach(ref -> pieces.add(new Piece(line.id(), ref, length)));
      supplied += line.supplied();
    }
    boolean receptacle = lines.getFirst().packageId().startsWith("receptacle");
    int strip = lines.getFirst().stripOf();
    return new Strips(
        receptacle,
        strip,
        supplied,
        pieces,
        Snapping.of(pieces.stream().map(Piece::length).toList(), strip, receptacle ? 1 : 0));
  }

  /** Gives what stands against the strips of a kit: too few of them, or one too short. */
  public static List<Finding> findings(Kit kit) {
    List<Finding> findings = new ArrayList<>();
    List<String> ids = kit.lines().stream().map(Line::id).toList();
    for (Strips strips : of(kit, Choices.leftOut(kit, Map.of()))) {
      if (strips.pieces().isEmpty()) {
        continue;
      }
      String at = "kit.json#/lines/" + ids.indexOf(strips.pieces().getFirst().line());
      if (strips.snapping().isEmpty()) {
        findings.add(
            Finding.error(
                at + "/strip_of",
                "A strip of "
                    + strips.stripLength()
                    + " is shorter than a piece snapped from it."));
      } else if (strips.needed() > strips.supplied()) {
        findings.add(
            Finding.warning(
                at + "/supplied",
                strips.supplied()
                    + " strips are supplied but "
                    + strips.needed()
                    + " are needed."));
      }
    }
    return findings;
  }

  /** Gives the number of strips needed; more than any bag holds when a piece is too long. */
  public int needed() {
    return snapping.map(way -> way.strips().size()).orElse(Integer.MAX_VALUE);
  }

  /**
   * Gives the refs that no strip is left for.
   *
   * @param counted strips by the first line of each kind of strip; nothing is missing where none
   *     was counted
   */
  Set<String> withoutStrip(Map<String, Integer> counted) {
    Integer count = pieces.isEmpty() ? null : counted.get(pieces.getFirst().line());
    if (count == null || snapping.isEmpty()) {
      return Set.of();
    }
    List<Integer> there = new ArrayList<>();
    List<List<Integer>> strips = snapping.get().strips();
    strips.subList(0, Math.min(count, strips.size())).forEach(there::addAll);
    Set<String> missing = new TreeSet<>();
    for (Piece piece : pieces) {
      if (!there.remove(Integer.valueOf(piece.length()))) {
        missing.add(piece.ref());
      }
    }
    return missing;
  }

  /** Tells whether anything has to be snapped at all. */
  public boolean isSnapped() {
    return snapping.map(way -> way.snaps() > 0).orElse(true);
  }
}
