package humble.core.wake;

import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.mend.TwoFaults;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * What dark and ghost lights of a matrix mean. Scan: one light at a time, its anode line high, its
 * cathode line low, every other line released. A light is dark when it stays dark at its own turn,
 * a ghost when it shines at another's.
 *
 * <p>A light shines when its anode stands above its cathode by its forward voltage; released lines
 * are reached through other lights, and two lights in series shine only while twice the forward
 * voltage fits into the supply. Every single fault is played through the whole scan; what it
 * predicts is held against what was seen. Where no single one accounts for all of it, the likeliest
 * are played two at a time.
 */
public final class LightMatrix {
  private static final double LEAST_BELIEF = 1e-4;

  /** A second fault on a board that has one. */
  private static final double SECOND = 0.1;

  /** How many of the likeliest are tried two at a time. */
  private static final int PAIRED = 12;

  private final LightLines lights;
  private final int count;
  private final double total;
  private final List<Group> groups;

  /** Makes the reckoning for a matrix of which only the lines are known. */
  public LightMatrix(Peripheral.Matrix matrix) {
    this(matrix, LightFaults.usual(matrix));
  }

  /** Makes the reckoning for a matrix on its board: shares of faults are those of Mend. */
  public LightMatrix(Parts parts, Peripheral.Matrix matrix) {
    this(matrix, LightFaults.on(parts, matrix));
  }

  /** Every fault is played through the scan once, here. */
  private LightMatrix(Peripheral.Matrix matrix, LightFaults faults) {
    this.lights = new LightLines(matrix);
    this.count = matrix.lights().size();
    List<LightFaults.Fault> all = faults.all();
    this.total = all.stream().mapToDouble(LightFaults.Fault::prior).sum();
    this.groups = groups(all);
  }

  /** Faults that show alike: no scan tells them apart. */
  private record Group(LightScan shows, double prior, List<String> names, LightLines.Wrong first) {}

  /**
   * Gives the faults that account for what was seen, most believed first, one for each group that a
   * scan cannot tell apart; light numbers run from 1.
   *
   * @param dark lights that stayed dark at their own turn
   * @param ghosts lights that shone at another's turn
   */
  public List<LightSuspect> suspects(Set<Integer> dark, Set<Integer> ghosts) {
    return suspects(new LightScan(dark, ghosts, Set.of()));
  }

  /** Gives the same for a whole scan, weak lights included. */
  public List<LightSuspect> suspects(LightScan seen) {
    if (seen.isSound()) {
      return List.of();
    }
    List<Group> all = new ArrayList<>(groups);
    if (groups.stream().noneMatch(g -> g.shows().equals(seen))) {
      all.addAll(pairs(seen));
    }
    double[] logs =
        all.stream()
            .mapToDouble(g -> Math.log(g.prior()) + g.shows().logLikelihood(seen))
            .toArray();
    // The likeliest of them counts as 1: however many lights are dark, not all weights vanish.
    double most = Arrays.stream(logs).max().orElse(0);
    double sum = Arrays.stream(logs).map(log -> Math.exp(log - most)).sum();
    List<LightSuspect> suspects = new ArrayList<>();
    for (int i = 0; i < logs.length; i++) {
      Group group = all.get(i);
      double belief = Math.exp(logs[i] - most) / sum;
      Set<Integer> explains = group.shows().explains(seen);
      if (!explains.isEmpty() && belief > LEAST_BELIEF) {
        suspects.add(
            new LightSuspect(
                group.names().getFirst(), belief, List.copyOf(explains), group.names()));
      }
    }
    suspects.sort(
        Comparator.comparingDouble(LightSuspect::belief)
            .reversed()
            .thenComparing(LightSuspect::fault));
    return suspects;
  }

  /** Two groups at once, of those that account for most of what was seen. */
  private List<Group> pairs(LightScan seen) {
    List<Group> likely =
        groups.stream()
            .filter(g -> !g.shows().explains(seen).isEmpty())
            .sorted(
                Comparator.comparingDouble(
                    (Group g) -> -Math.log(g.prior()) - g.shows().logLikelihood(seen)))
            .limit(PAIRED)
            .toList();
    List<Group> pairs = new ArrayList<>();
    for (int i = 0; i < likely.size(); i++) {
      for (int k = i + 1; k < likely.size(); k++) {
        Group a = likely.get(i);
        Group b = likely.get(k);
        pairs.add(
            new Group(
                shows(a.first().and(b.first())),
                SECOND * a.prior() * b.prior() / total,
                List.of(a.names().getFirst() + TwoFaults.SEPARATOR + b.names().getFirst()),
                a.first()));
      }
    }
    return pairs;
  }

  private List<Group> groups(List<LightFaults.Fault> faults) {
    Map<LightScan, List<LightFaults.Fault>> alike = new LinkedHashMap<>();
    for (LightFaults.Fault fault : faults) {
      LightScan shows = shows(fault.wrong());
      // Whoever looks at the joints of a dark light sees a bridge across its pads as well: it is
      // named where it shows in other lights too.
      if (fault.light() == 0 || !shows.equals(shows(LightLines.Wrong.dead(fault.light())))) {
        alike.computeIfAbsent(shows, key -> new ArrayList<>()).add(fault);
      }
    }
    List<Group> all = new ArrayList<>();
    alike.forEach((shows, same) -> {
      double prior = same.stream().mapToDouble(LightFaults.Fault::prior).sum();
      List<String> names =
          same.stream()
              .sorted(Comparator.comparingDouble(LightFaults.Fault::prior).reversed())
              .map(LightFaults.Fault::name)
              .toList();
      all.add(new Group(shows, prior, names, same.getFirst().wrong()));
    });
    return all;
  }

  private LightScan shows(LightLines.Wrong wrong) {
    Set<Integer> dark = new TreeSet<>();
    Set<Integer> ghosts = new TreeSet<>();
    Set<Integer> dim = new TreeSet<>();
    LightLines.Scan scan = lights.with(wrong);
    for (int turn = 1; turn <= count; turn++) {
      Set<Integer> lit = scan.lit(turn);
      if (!lit.contains(turn)) {
        dark.add(turn);
      } else if (scan.isWeak(turn, lit)) {
        dim.add(turn);
      }
      lit.remove(turn);
      ghosts.addAll(lit);
    }
    return new LightScan(dark, ghosts, dim);
  }
}
