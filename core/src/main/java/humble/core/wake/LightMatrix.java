package humble.core.wake;

import humble.core.kit.Peripheral;
import java.util.ArrayList;
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
  private final Peripheral.Matrix matrix;

  /** Makes the reckoning for one matrix. */
  public LightMatrix(Peripheral.Matrix matrix) {
    this.matrix = matrix;
  }

  private record Hypothesis(String name, double prior, Set<Integer> dark, Set<Integer> ghosts) {}

  /**
   * Gives the faults that account for what was seen, most believed first; light numbers run from 1.
   *
   * @param dark lights that stayed dark at their own turn
   * @param ghosts lights that shone at another's turn
   */
  public List<LightSuspect> suspects(Set<Integer> dark, Set<Integer> ghosts) {
    if (dark.isEmpty() && ghosts.isEmpty()) {
      return List.of();
    }
    List<Hypothesis> all = hypotheses();
    Map<String, Double> weights = new LinkedHashMap<>();
    Map<String, Hypothesis> byName = new LinkedHashMap<>();
    for (Hypothesis h : all) {
      double weight = h.prior() * likelihood(h, dark, ghosts);
      byName.put(h.name(), h);
      weights.put(h.name(), weight);
    }
    double total = weights.values().stream().mapToDouble(Double::doubleValue).sum();
    List<LightSuspect> suspects = new ArrayList<>();
    for (Hypothesis h : byName.values()) {
      Set<Integer> explains = new TreeSet<>(h.dark());
      explains.retainAll(dark);
      Set<Integer> ghostly = new TreeSet<>(h.ghosts());
      ghostly.retainAll(ghosts);
      explains.addAll(ghostly);
      double belief = weights.getOrDefault(h.name(), 0.0) / total;
      if (!explains.isEmpty() && belief > 1e-4) {
        List<String> group =
            byName.values().stream()
                .filter(o -> o.dark().equals(h.dark()) && o.ghosts().equals(h.ghosts()))
                .map(Hypothesis::name)
                .toList();
        suspects.add(new LightSuspect(h.name(), belief, List.copyOf(explains), group));
      }
    }
    suspects.sort(
        Comparator.comparingDouble(LightSuspect::belief)
            .reversed()
            .thenComparing(LightSuspect::fault));
    return suspects;
  }

  /**
   * Every light seen otherwise than the fault predicts costs a factor: eyes err, and two faults may
   * be there.
   */
  private static double likelihood(Hypothesis h, Set<Integer> dark, Set<Integer> ghosts) {
    return Math.pow(0.002, difference(h.dark(), dark))
        * Math.pow(0.02, difference(h.ghosts(), ghosts));
  }

  private static int difference(Set<Integer> a, Set<Integer> b) {
    Set<Integer> both = new TreeSet<>(a);
    both.retainAll(b);
    return a.size() + b.size() - 2 * both.size();
  }

  private List<Hypothesis> hypotheses() {
    List<Hypothesis> all = new ArrayList<>();
    for (String line : matrix.lines()) {
      all.add(hypothesis("open:" + line, 1.0, new Board(line, 0, 0, "", "")));
    }
    for (int light = 1; light <= matrix.lights().size(); light++) {
      all.add(hypothesis("dead:" + light, 0.3, new Board("", light, 0, "", "")));
      all.add(hypothesis("reversed:" + light, 1.0, new Board("", 0, light, "", "")));
    }
    for (int i = 0; i < matrix.lines().size(); i++) {
      for (int k = i + 1; k < matrix.lines().size(); k++) {
        String a = matrix.lines().get(i);
        String b = matrix.lines().get(k);
        all.add(
            hypothesis("short:" + a + "-" + b, k == i + 1 ? 0.5 : 0.05, new Board("", 0, 0, a, b)));
      }
    }
    return all;
  }

  private Hypothesis hypothesis(String name, double prior, Board board) {
    Set<Integer> dark = new TreeSet<>();
    Set<Integer> ghosts = new TreeSet<>();
    for (int turn = 1; turn <= matrix.lights().size(); turn++) {
      Set<Integer> lit = board.lit(matrix, turn);
      if (!lit.remove(turn)) {
        dark.add(turn);
      }
      ghosts.addAll(lit);
    }
    return new Hypothesis(name, prior, dark, ghosts);
  }

  /**
   * The matrix with one fault: an open line, a dead light, a reversed light, or two joined lines.
   */
  private record Board(String openLine, int dead, int reversed, String joinedA, String joinedB) {

    Set<Integer> lit(Peripheral.Matrix matrix, int turn) {
      Peripheral.Light driven = matrix.lights().get(turn - 1);
      Set<Integer> lit = new TreeSet<>();
      String high = node(driven.anodePin());
      String low = node(driven.cathodePin());
      if (driven.anodePin().equals(openLine)
          || driven.cathodePin().equals(openLine)
          || high.equals(low)) {
        return lit;
      }
      boolean direct = false;
      for (int n = 1; n <= matrix.lights().size(); n++) {
        if (n != dead && anode(matrix, n).equals(high) && cathode(matrix, n).equals(low)) {
          lit.add(n);
          direct = true;
        }
      }
      // A light across the lines holds them to one forward voltage: two in series then stay dark.
      if (!direct && matrix.volts() >= 2 * matrix.vfV()) {
        lit.addAll(throughOneMore(matrix, high, low));
      }
      return lit;
    }

    private Set<Integer> throughOneMore(Peripheral.Matrix matrix, String high, String low) {
      Set<Integer> lit = new TreeSet<>();
      for (int first = 1; first <= matrix.lights().size(); first++) {
        for (int second = 1; second <= matrix.lights().size(); second++) {
          boolean chained =
              anode(matrix, first).equals(high)
                  && cathode(matrix, first).equals(anode(matrix, second))
                  && cathode(matrix, second).equals(low);
          if (first != dead && second != dead && chained) {
            lit.add(first);
            lit.add(second);
          }
        }
      }
      return lit;
    }

    private String anode(Peripheral.Matrix matrix, int n) {
      Peripheral.Light light = matrix.lights().get(n - 1);
      return node(n == reversed ? light.cathodePin() : light.anodePin());
    }

    private String cathode(Peripheral.Matrix matrix, int n) {
      Peripheral.Light light = matrix.lights().get(n - 1);
      return node(n == reversed ? light.anodePin() : light.cathodePin());
    }

    private String node(String line) {
      return line.equals(joinedB) && !joinedA.isEmpty() ? joinedA : line;
    }
  }
}
