package humble.desktop.session;

import humble.core.build.Build;
import humble.core.craft.Heat;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.mend.Habits;
import humble.core.route.Move;
import humble.core.route.Pace;
import humble.core.stock.Stocktake;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * The plans of a build: worked out anew in the background whenever what they rest on has changed.
 * What this bench has learned, its pace and its habits, is read with the first of them.
 */
final class Planning {
  private final Parts parts;
  private final Supplier<Pace> paceOfBench;
  private final Supplier<Habits> habitsOfBench;
  private final Works works;
  private @Nullable Learned learned;
  private @Nullable Asked known;
  private @Nullable Reckoned reckoned;
  private @Nullable Asked asked;
  private @Nullable Errand<?> errand;

  /** What the plans rest on. */
  private record Asked(
      Map<String, String> choices, Set<String> lacking, List<Move> moves, int eveningMinutes) {}

  private record Learned(Pace pace, Habits habits, Map<String, Double> heat) {}

  private record Made(Learned learned, Reckoned reckoned) {}

  Planning(Parts parts, Supplier<Pace> paceOfBench, Supplier<Habits> habitsOfBench, Works works) {
    this.parts = parts;
    this.paceOfBench = paceOfBench;
    this.habitsOfBench = habitsOfBench;
    this.works = works;
  }

  private Asked asked(Build build) {
    return new Asked(
        Map.copyOf(build.choices()), lacking(build), moves(build), build.eveningMinutes());
  }

  private static List<Move> moves(Build build) {
    return build.moved().stream().map(moved -> new Move(moved.step(), moved.before())).toList();
  }

  /** Gives what is not in the bag, by the counts so far. */
  Set<String> lacking(Build build) {
    Kit kit = parts.kit();
    return Stocktake.missingRefs(kit, build.choices(), build.counted());
  }

  /** Sees to it that the plans of {@code build} are worked out. */
  void see(Build build) {
    Asked now = asked(build);
    if (now.equals(asked) || (errand == null && now.equals(known))) {
      return;
    }
    if (errand != null) {
      errand.cancel();
    }
    asked = now;
    Learned before = learned;
    errand =
        works.start(
            calledOff -> made(now, before == null ? learn() : before),
            made -> {
              learned = made.learned();
              reckoned = made.reckoned();
              known = now;
              errand = null;
            });
  }

  private Learned learn() {
    return new Learned(paceOfBench.get(), habitsOfBench.get(), Heat.watts(parts));
  }

  private Made made(Asked now, Learned with) {
    return new Made(
        with,
        Reckoned.of(
            parts,
            now.choices(),
            now.lacking(),
            now.moves(),
            now.eveningMinutes(),
            with.pace(),
            with.heat()));
  }

  /** Gives what was worked out for the build as it stands; empty while it is being computed. */
  Optional<Reckoned> reckoned(Build build) {
    return asked(build).equals(known) ? Optional.ofNullable(reckoned) : Optional.empty();
  }

  /** Gives one sentence when the plans cannot be worked out; empty when they can. */
  String failed() {
    Errand<?> last = errand;
    return last == null ? "" : last.failed().orElse("");
  }

  /** Lets plans that failed be worked out once more. */
  void again(Build build) {
    if (!failed().isEmpty()) {
      errand = null;
      asked = null;
      see(build);
    }
  }

  /** Gives how often each kind of fault was the one at this bench. */
  Habits habits() {
    Learned now = learned;
    return now == null ? Habits.usual() : now.habits();
  }
}
