package humble.core.kit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** Rules of which each comes before the other. */
final class RuleCircle {
  private final Map<String, Set<String>> next = new HashMap<>();
  private final Set<String> done = new HashSet<>();

  private RuleCircle(List<Rule> rules) {
    for (Rule rule : rules) {
      for (String first : rule.first()) {
        next.computeIfAbsent(first, key -> new TreeSet<>(RefOrder.NATURAL)).addAll(rule.then());
      }
    }
  }

  /** Gives a circle, each before the next, the first once more at the end; empty without one. */
  static Optional<List<String>> of(List<Rule> rules) {
    RuleCircle search = new RuleCircle(rules);
    for (String start : new TreeSet<>(search.next.keySet())) {
      List<String> path = new ArrayList<>();
      if (search.circles(start, path)) {
        return Optional.of(path);
      }
    }
    return Optional.empty();
  }

  private boolean circles(String node, List<String> path) {
    int seen = path.indexOf(node);
    if (seen >= 0) {
      path.subList(0, seen).clear();
      path.add(node);
      return true;
    }
    if (done.contains(node)) {
      return false;
    }
    path.add(node);
    for (String after : next.getOrDefault(node, Set.of())) {
      if (circles(after, path)) {
        return true;
      }
    }
    path.removeLast();
    done.add(node);
    return false;
  }
}
