package humble.core.mend;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * How often each kind of fault was the one at this bench. The usual shares count as ten faults
 * found, so that a short log moves them a little and a long one a lot.
 */
public final class Habits {
  private static final double USUAL_COUNTS_AS = 10;

  private final Map<FaultKind, Integer> found = new EnumMap<>(FaultKind.class);
  private int all;

  private Habits() {}

  /** Gives the usual shares. */
  public static Habits usual() {
    return new Habits();
  }

  /** Gives the shares after the faults found, as their texts, {@code open:R3.2}. */
  public static Habits learned(List<String> faults) {
    Habits habits = new Habits();
    for (String fault : faults) {
      FaultKind.of(fault)
          .ifPresent(kind -> {
            habits.found.merge(kind, 1, Integer::sum);
            habits.all++;
          });
    }
    return habits;
  }

  /** Gives the share of all faults that are of {@code kind}, 0 to 1; the shares add up to 1. */
  public double share(FaultKind kind) {
    return (USUAL_COUNTS_AS * kind.usualShare() + found.getOrDefault(kind, 0))
        / (USUAL_COUNTS_AS + all);
  }
}
