package humble.desktop.session;

import humble.core.casing.CaseFit;
import humble.core.kit.Parts;
import humble.core.route.Move;
import humble.core.route.NoPlan;
import humble.core.route.Pace;
import humble.core.route.Plan;
import humble.core.route.Planner;
import humble.core.route.School;
import humble.core.stock.Reach;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * What takes the core a moment: the plan of every school and the fit of the case, for one set of
 * choices and of missing parts. Computed away from the interface thread.
 *
 * @param choices choices it was computed for
 * @param lacking parts it was computed without
 * @param moves steps moved by hand
 * @param eveningMinutes minutes meant for an evening, 0 for none
 * @param pace whose minutes the plans reckon with
 * @param watts heat by part, in watts
 * @param plans plans by school; a kit whose facts run in a circle has none
 * @param caseFit fit of the case
 * @param reach how far the build gets without them; empty when nothing is missing
 */
public record Reckoned(
    Map<String, String> choices,
    Set<String> lacking,
    List<Move> moves,
    int eveningMinutes,
    Pace pace,
    Map<String, Double> watts,
    Map<School, Plan> plans,
    CaseFit caseFit,
    Optional<Reach> reach) {

  /** Computes everything for {@code choices}. */
  public static Reckoned of(
      Parts parts,
      Map<String, String> choices,
      Set<String> lacking,
      List<Move> moves,
      int eveningMinutes,
      Pace pace,
      Map<String, Double> watts) {
    Map<School, Plan> plans = new EnumMap<>(School.class);
    for (School school : School.values()) {
      plan(parts, school, choices, lacking, moves, eveningMinutes, pace)
          .ifPresent(plan -> plans.put(school, plan));
    }
    return new Reckoned(
        Map.copyOf(choices),
        new TreeSet<>(lacking),
        List.copyOf(moves),
        eveningMinutes,
        pace,
        watts,
        plans,
        CaseFit.of(parts.kit(), choices),
        reach(parts, choices, lacking, plans.get(School.LOW), pace));
  }

  private static Optional<Reach> reach(
      Parts parts,
      Map<String, String> choices,
      Set<String> lacking,
      @Nullable Plan now,
      Pace pace) {
    return lacking.isEmpty() || now == null
        ? Optional.empty()
        : plan(parts, School.LOW, choices, Set.of(), List.of(), 0, pace)
            .map(whole -> Reach.of(whole, now));
  }

  private static Optional<Plan> plan(
      Parts parts,
      School school,
      Map<String, String> choices,
      Set<String> lacking,
      List<Move> moves,
      int eveningMinutes,
      Pace pace) {
    try {
      return Optional.of(
          Planner.plan(parts, school, choices, eveningMinutes, lacking, moves, pace));
    } catch (NoPlan e) {
      return Optional.empty();
    }
  }
}
