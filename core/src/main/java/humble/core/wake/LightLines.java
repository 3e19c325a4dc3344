package humble.core.wake;

import humble.core.kit.Peripheral;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * The lights of a matrix between their lines, with one thing wrong. One turn of the scan costs as
 * many steps as there are lines.
 */
final class LightLines {
  private final Peripheral.Matrix matrix;

  LightLines(Peripheral.Matrix matrix) {
    this.matrix = matrix;
  }

  /**
   * Open lines, dead lights, reversed lights, weak lights and lines, two joined lines, or all of it
   * off.
   */
  record Wrong(
      Set<String> openLines,
      Set<Integer> dead,
      Set<Integer> reversed,
      Set<Integer> weak,
      Set<String> weakLines,
      String joinedA,
      String joinedB,
      boolean shares,
      boolean isOff) {
    static Wrong open(String line) {
      return new Wrong(Set.of(line), Set.of(), Set.of(), Set.of(), Set.of(), "", "", false, false);
    }

    static Wrong dead(int light) {
      return new Wrong(Set.of(), Set.of(light), Set.of(), Set.of(), Set.of(), "", "", false, false);
    }

    static Wrong reversed(int light) {
      return new Wrong(Set.of(), Set.of(), Set.of(light), Set.of(), Set.of(), "", "", false, false);
    }

    static Wrong weak(int light) {
      return new Wrong(Set.of(), Set.of(), Set.of(), Set.of(light), Set.of(), "", "", false, false);
    }

    static Wrong weak(String line) {
      return new Wrong(Set.of(), Set.of(), Set.of(), Set.of(), Set.of(line), "", "", false, false);
    }

    static Wrong joined(String a, String b) {
      return new Wrong(Set.of(), Set.of(), Set.of(), Set.of(), Set.of(), a, b, false, false);
    }

    /** Joined behind their resistors: lights that shine together share one, and are weak. */
    static Wrong joinedBehind(String a, String b) {
      return new Wrong(Set.of(), Set.of(), Set.of(), Set.of(), Set.of(), a, b, true, false);
    }

    static Wrong off() {
      return new Wrong(Set.of(), Set.of(), Set.of(), Set.of(), Set.of(), "", "", false, true);
    }

    /** Gives both at once; of two bridges this one alone. */
    Wrong and(Wrong other) {
      boolean mine = !joinedA.isEmpty();
      return new Wrong(
          both(openLines, other.openLines),
          both(dead, other.dead),
          both(reversed, other.reversed),
          both(weak, other.weak),
          both(weakLines, other.weakLines),
          mine ? joinedA : other.joinedA,
          mine ? joinedB : other.joinedB,
          mine ? shares : other.shares,
          isOff || other.isOff);
    }

    private static <T> Set<T> both(Set<T> a, Set<T> b) {
      Set<T> all = new HashSet<>(a);
      all.addAll(b);
      return all;
    }

    private String node(String line) {
      return line.equals(joinedB) && !joinedA.isEmpty() ? joinedA : line;
    }
  }

  private record Between(String anode, String cathode) {}

  Scan with(Wrong wrong) {
    return new Scan(wrong);
  }

  /** The scan of the matrix with something wrong. */
  final class Scan {
    private final Wrong wrong;
    private final Map<Between, List<Integer>> between = new HashMap<>();
    private final Set<String> nodes = new TreeSet<>();

    private Scan(Wrong wrong) {
      this.wrong = wrong;
      for (int n = 1; n <= matrix.lights().size(); n++) {
        Peripheral.Light light = matrix.lights().get(n - 1);
        String anode = wrong.node(light.anodePin());
        String cathode = wrong.node(light.cathodePin());
        Between at =
            wrong.reversed().contains(n)
                ? new Between(cathode, anode)
                : new Between(anode, cathode);
        if (!wrong.dead().contains(n)) {
          between.computeIfAbsent(at, key -> new ArrayList<>()).add(n);
        }
        nodes.add(anode);
        nodes.add(cathode);
      }
    }

    private List<Integer> at(String anode, String cathode) {
      return between.getOrDefault(new Between(anode, cathode), List.of());
    }

    /** Tells whether a light that shines at its own turn is weak there. */
    boolean isWeak(int turn, Set<Integer> lit) {
      Peripheral.Light driven = matrix.lights().get(turn - 1);
      return wrong.weak().contains(turn)
          || wrong.weakLines().contains(driven.anodePin())
          || wrong.weakLines().contains(driven.cathodePin())
          || wrong.shares() && lit.size() > 1;
    }

    /** Gives the lights that shine at the turn of one. */
    Set<Integer> lit(int turn) {
      Peripheral.Light driven = matrix.lights().get(turn - 1);
      Set<Integer> lit = new TreeSet<>();
      String high = wrong.node(driven.anodePin());
      String low = wrong.node(driven.cathodePin());
      if (wrong.isOff()
          || wrong.openLines().contains(driven.anodePin())
          || wrong.openLines().contains(driven.cathodePin())
          || high.equals(low)) {
        return lit;
      }
      lit.addAll(at(high, low));
      // A light across the lines holds them to one forward voltage: two in series then stay dark.
      if (lit.isEmpty() && matrix.volts() >= 2 * matrix.vfV()) {
        for (String over : nodes) {
          List<Integer> first = at(high, over);
          List<Integer> second = at(over, low);
          if (!first.isEmpty() && !second.isEmpty()) {
            lit.addAll(first);
            lit.addAll(second);
          }
        }
      }
      return lit;
    }
  }
}
