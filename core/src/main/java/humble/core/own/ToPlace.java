package humble.core.own;

import humble.core.kit.Home;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The parts of a kit that have no place yet, in the order of the list: what is asked for, and what
 * cannot be.
 *
 * @param asks parts whose holes can be clicked
 * @param without parts that the list gives a package of which nothing is known
 * @param byCount lines without designators
 * @param unlisted places of parts that no line lists
 */
public record ToPlace(
    List<Ask> asks, List<String> without, List<String> byCount, List<String> unlisted) {
  public ToPlace {
    asks = List.copyOf(asks);
    without = List.copyOf(without);
    byCount = List.copyOf(byCount);
    unlisted = List.copyOf(unlisted);
  }

  /**
   * One part whose place is asked for.
   *
   * @param ref the part
   * @param line its line
   * @param pack its package
   * @param alike how many parts of its line still have no place, this one included
   */
  public record Ask(String ref, Line line, PartPackage pack, int alike) {}

  /**
   * Gives what has no place.
   *
   * @param notHere parts that somebody said sit on no board
   */
  public static ToPlace of(Kit kit, Set<String> notHere) {
    Map<String, SocketPairs.Pair> pairs = SocketPairs.of(kit);
    List<Ask> asks = new ArrayList<>();
    List<String> without = new ArrayList<>();
    List<String> byCount = new ArrayList<>();
    for (Line line : kit.lines()) {
      if (line.isByCount()) {
        byCount.add(line.id());
      }
      if (!hasPlaces(line)) {
        continue;
      }
      List<String> open =
          line.refs().stream()
              .filter(ref -> kit.placeOf(ref).isEmpty() && !notHere.contains(ref))
              .filter(ref -> !waitsForSocket(kit, pairs.get(ref), notHere))
              .toList();
      PartPackage pack = kit.packageNamed(line.packageId()).orElse(null);
      if (pack == null) {
        without.addAll(open);
      } else {
        for (int i = 0; i < open.size(); i++) {
          asks.add(new Ask(open.get(i), line, pack, open.size() - i));
        }
      }
    }
    List<String> unlisted =
        kit.places().stream()
            .map(place -> place.ref())
            .filter(ref -> kit.lineOf(ref).isEmpty())
            .toList();
    return new ToPlace(asks, without, byCount, unlisted);
  }

  /** A chip whose socket is still to be placed gets its place with it. */
  private static boolean waitsForSocket(
      Kit kit, SocketPairs.@Nullable Pair pair, Set<String> notHere) {
    return pair != null && kit.placeOf(pair.socket()).isEmpty() && !notHere.contains(pair.socket());
  }

  /**
   * Tells whether the parts of a line are put on a board: what is soldered to it already may have a
   * place, and needs none.
   */
  static boolean hasPlaces(Line line) {
    return line.home() == Home.BOARD
        && !line.isOnBoard()
        && !line.kind().is(PartKind.Fact.BESIDE)
        && line.kind() != PartKind.BATTERY;
  }
}
