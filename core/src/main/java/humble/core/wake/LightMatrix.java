package humble.core.wake;

import humble.core.kit.Peripheral;
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
 * predicts is held against what was seen.
 */
public final class LightMatrix {
  private static final double LOG_DARK_SEEN_OTHERWISE = Math.log(0.002);
  private static final double LOG_GHOST_SEEN_OTHERWISE = Math.log(0.02);
  private static final double LEAST_BELIEF = 1e-4;

  private final Peripheral.Matrix matrix;
  private final LightLines lights;
  private final List<Group> groups;

  /** Makes the reckoning for one matrix: every fault is played through the scan once, here. */
  public LightMatrix(Peripheral.Matrix matrix) {
    this.matrix = matrix;
    this.lights = new LightLines(matrix);
    this.groups = groups();
  }

  private record Hypothesis(String name, double prior, Shows shows) {}

  /** What a fault makes dark and what it makes shine at another's turn. */
  private record Shows(Set<Integer> dark, Set<Integer> ghosts) {}

  /** Faults that show alike: no scan tells them apart. */
  private record Group(Shows shows, double prior, List<String> names) {}

  /**
   * Gives the faults that account for what was seen, most believed first, one for each group that a
   * scan cannot tell apart; light numbers run from 1.
   *
   * @param dark lights that stayed dark at their own turn
   * @param ghosts lights that shone at another's turn
   */
  public List<LightSuspect> suspects(Set<Integer> dark, Set<Integer> ghosts) {
    if (dark.isEmpty() && ghosts.isEmpty()) {
      return List.of();
    }
    double[] logs =
        groups.stream()
            .mapToDouble(g -> Math.log(g.prior()) + logLikelihood(g.shows(), dark, ghosts))
            .toArray();
    // The likeliest of them counts as 1: however many lights are dark, not all weights vanish.
    double most = Arrays.stream(logs).max().orElse(0);
    double total = Arrays.stream(logs).map(log -> Math.exp(log - most)).sum();
    List<LightSuspect> suspects = new ArrayList<>();
    for (int i = 0; i < logs.length; i++) {
      Group group = groups.get(i);
      double belief = Math.exp(logs[i] - most) / total;
      Set<Integer> explains = explained(group.shows(), dark, ghosts);
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

  private static Set<Integer> explained(Shows shows, Set<Integer> dark, Set<Integer> ghosts) {
    Set<Integer> explains = new TreeSet<>(shows.dark());
    explains.retainAll(dark);
    Set<Integer> ghostly = new TreeSet<>(shows.ghosts());
    ghostly.retainAll(ghosts);
    explains.addAll(ghostly);
    return explains;
  }

  private List<Group> groups() {
    Map<Shows, List<Hypothesis>> alike = new LinkedHashMap<>();
    hypotheses().forEach(h -> alike.computeIfAbsent(h.shows(), key -> new ArrayList<>()).add(h));
    List<Group> groups = new ArrayList<>();
    alike.forEach((shows, faults) -> {
      double prior = faults.stream().mapToDouble(Hypothesis::prior).sum();
      List<String> names =
          faults.stream()
              .sorted(Comparator.comparingDouble(Hypothesis::prior).reversed())
              .map(Hypothesis::name)
              .toList();
      groups.add(new Group(shows, prior, names));
    });
    return groups;
  }

  /**
   * Every light seen otherwise than the fault predicts costs a factor: eyes err, and two faults may
   * be there.
   */
  private static double logLikelihood(Shows shows, Set<Integer> dark, Set<Integer> ghosts) {
    return LOG_DARK_SEEN_OTHERWISE * difference(shows.dark(), dark)
        + LOG_GHOST_SEEN_OTHERWISE * difference(shows.ghosts(), ghosts);
  }

  private static int difference(Set<Integer> a, Set<Integer> b) {
    Set<Integer> both = new TreeSet<>(a);
    both.retainAll(b);
    return a.size() + b.size() - 2 * both.size();
  }

  private List<Hypothesis> hypotheses() {
    List<Hypothesis> all = new ArrayList<>();
    for (String line : matrix.lines()) {
      all.add(hypothesis("open:" + line, 1.0, LightLines.Wrong.open(line)));
    }
    for (int light = 1; light <= matrix.lights().size(); light++) {
      all.add(hypothesis("dead:" + light, 0.3, LightLines.Wrong.dead(light)));
      all.add(hypothesis("reversed:" + light, 1.0, LightLines.Wrong.reversed(light)));
    }
    for (int i = 0; i < matrix.lines().size(); i++) {
      for (int k = i + 1; k < matrix.lines().size(); k++) {
        String a = matrix.lines().get(i);
        String b = matrix.lines().get(k);
        double prior = k == i + 1 ? 0.5 : 0.05;
        all.add(hypothesis("short:" + a + "-" + b, prior, LightLines.Wrong.joined(a, b)));
      }
    }
    return all;
  }

  private Hypothesis hypothesis(String name, double prior, LightLines.Wrong wrong) {
    Set<Integer> dark = new TreeSet<>();
    Set<Integer> ghosts = new TreeSet<>();
    LightLines.Scan scan = lights.with(wrong);
    for (int turn = 1; turn <= matrix.lights().size(); turn++) {
      Set<Integer> lit = scan.lit(turn);
      if (!lit.remove(turn)) {
        dark.add(turn);
      }
      ghosts.addAll(lit);
    }
    return new Hypothesis(name, prior, new Shows(dark, ghosts));
  }
}
