package humble.core.wake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * What dark and odd lights of a chain mean. Every light takes its own data off the line and hands
 * the rest on: behind a light that hands nothing on all are dark; what is garbled on the way in is
 * garbled for all behind.
 *
 * <p>Faults are {@code data:K}, the data on the way into light K (the joints of both lights there),
 * {@code dead:K}, and {@code power:K}, its supply or its ground. Each shows in one of several ways,
 * and which ones cannot be told apart depends on what was seen.
 *
 * @param count how many lights the chain has
 */
public record LightChain(int count) {
  /** What a light seen otherwise than a fault predicts costs: eyes err, and two may be wrong. */
  private static final double SEEN_OTHERWISE = 0.005;

  private static final double DATA_PRIOR = 2.0;
  private static final double POWER_PRIOR = 1.0;
  private static final double DEAD_PRIOR = 0.6;
  private static final double LEAST_BELIEF = 1e-4;

  public LightChain {
    if (count < 1) {
      throw new IllegalArgumentException("a chain has at least one light");
    }
  }

  /** One way in which a fault shows: which lights are dark and which odd, and how often so. */
  private record Way(String fault, double weight, Set<Integer> dark, Set<Integer> odd) {}

  private record Shows(Set<Integer> dark, Set<Integer> odd) {}

  /**
   * Gives the faults that account for what was seen, most believed first, one for each group that
   * shows alike.
   *
   * @param darkFrom the first light from which all are dark, 0 where none are
   * @param odd lights that shine otherwise than they were told
   */
  public List<LightSuspect> suspects(int darkFrom, Set<Integer> odd) {
    Set<Integer> dark = darkFrom > 0 ? from(darkFrom) : Set.of();
    if (dark.isEmpty() && odd.isEmpty()) {
      return List.of();
    }
    Map<Shows, Map<String, Double>> alike = new LinkedHashMap<>();
    for (Way way : ways()) {
      int seenOtherwise = difference(way.dark, dark) + difference(way.odd, odd);
      double weight = way.weight * Math.pow(SEEN_OTHERWISE, seenOtherwise);
      alike
          .computeIfAbsent(new Shows(way.dark, way.odd), key -> new LinkedHashMap<>())
          .merge(way.fault, weight, Double::sum);
    }
    double total =
        alike.values().stream().flatMap(g -> g.values().stream()).mapToDouble(w -> w).sum();
    List<LightSuspect> suspects = new ArrayList<>();
    alike.forEach((shows, faults) -> {
      double belief = faults.values().stream().mapToDouble(w -> w).sum() / total;
      Set<Integer> explains = new TreeSet<>(shows.dark);
      explains.retainAll(dark);
      Set<Integer> oddly = new TreeSet<>(shows.odd);
      oddly.retainAll(odd);
      explains.addAll(oddly);
      if (belief > LEAST_BELIEF && !explains.isEmpty()) {
        List<String> names =
            faults.entrySet().stream()
                .sorted(Map.Entry.<String, Double>comparingByValue().reversed())
                .map(Map.Entry::getKey)
                .toList();
        suspects.add(new LightSuspect(names.getFirst(), belief, List.copyOf(explains), names));
      }
    });
    suspects.sort(Comparator.comparingDouble(LightSuspect::belief).reversed());
    return suspects;
  }

  private List<Way> ways() {
    List<Way> all = new ArrayList<>();
    for (int k = 1; k <= count; k++) {
      Set<Integer> here = Set.of(k);
      // Nothing comes in; or what comes in is garbled, here and behind.
      all.add(new Way("data:" + k, 0.8 * DATA_PRIOR, from(k), Set.of()));
      all.add(new Way("data:" + k, 0.2 * DATA_PRIOR, Set.of(), from(k)));
      // No supply; or it lives on its data line: dim, and nothing is handed on.
      all.add(new Way("power:" + k, 0.7 * POWER_PRIOR, from(k), Set.of()));
      all.add(new Way("power:" + k, 0.3 * POWER_PRIOR, from(k + 1), here));
      // All of it is dead; or what it hands on; or one of its colours; or its lights alone.
      all.add(new Way("dead:" + k, 0.5 * DEAD_PRIOR, from(k), Set.of()));
      all.add(new Way("dead:" + k, 0.2 * DEAD_PRIOR, from(k + 1), Set.of()));
      all.add(new Way("dead:" + k, 0.2 * DEAD_PRIOR, Set.of(), here));
      all.add(new Way("dead:" + k, 0.1 * DEAD_PRIOR, here, Set.of()));
    }
    all.removeIf(way -> way.dark.isEmpty() && way.odd.isEmpty());
    return all;
  }

  private Set<Integer> from(int first) {
    Set<Integer> all = new TreeSet<>();
    for (int k = first; k <= count; k++) {
      all.add(k);
    }
    return all;
  }

  private static int difference(Set<Integer> a, Set<Integer> b) {
    Set<Integer> both = new TreeSet<>(a);
    both.retainAll(b);
    return a.size() + b.size() - 2 * both.size();
  }

  /**
   * Gives the order in which the chain takes its colours, from how three told colours came out.
   *
   * @param sent the order in which they were sent, such as {@code GRB}
   * @param redLooks what came out where red was told: {@code R}, {@code G} or {@code B}
   * @param greenLooks what came out where green was told
   * @return the order to send in; empty where two colours came out alike
   */
  public static java.util.Optional<String> order(String sent, char redLooks, char greenLooks) {
    String colours = "RGB";
    if (redLooks == greenLooks
        || colours.indexOf(redLooks) < 0
        || colours.indexOf(greenLooks) < 0) {
      return java.util.Optional.empty();
    }
    char blueLooks = (char) ('R' + 'G' + 'B' - redLooks - greenLooks);
    StringBuilder taken = new StringBuilder();
    for (char told : sent.toCharArray()) {
      taken.append(
          switch (told) {
            case 'R' -> redLooks;
            case 'G' -> greenLooks;
            case 'B' -> blueLooks;
            default -> told;
          });
    }
    return java.util.Optional.of(taken.toString());
  }

  /**
   * Gives the current of a pattern, in milliamperes.
   *
   * @param maFull current of one light at full white
   * @param share brightness of each colour of each light, averaged, 0 to 1
   */
  public double ma(double maFull, double share) {
    return count * maFull * share;
  }
}
