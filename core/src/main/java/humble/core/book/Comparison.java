package humble.core.book;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.circuit.Fault;
import humble.core.kit.PinRef;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Builds of one kit beside each other: how long each took, and where people go wrong.
 *
 * @param builds every build
 * @param steps every step that anybody did, in the order in which it was done first
 */
public record Comparison(List<Whole> builds, List<Step> steps) {
  public Comparison {
    builds = List.copyOf(builds);
    steps = List.copyOf(steps);
  }

  /** One build: its hours at the bench, and its share of parts that were right the first time. */
  public record Whole(String id, double hours, Optional<Double> firstTimeRight) {}

  /**
   * One step.
   *
   * @param medianMinutes the middle of the times it took
   * @param spreadMinutes how far the middle half of them lies apart
   * @param wrong in how many builds something of it was wrong
   * @param builds in how many builds it was done
   */
  public record Step(
      String step, double medianMinutes, double spreadMinutes, int wrong, int builds) {}

  private record Seen(List<Double> minutes, Set<String> wrong, Set<String> done) {}

  /** Compares builds. */
  public static Comparison of(Collection<Build> builds) {
    List<Whole> wholes = new ArrayList<>();
    Map<String, Seen> steps = new LinkedHashMap<>();
    for (Build build : builds) {
      Duration bench = Ledger.hours(build).values().stream().reduce(Duration.ZERO, Duration::plus);
      wholes.add(
          new Whole(
              build.id(),
              Math.round(bench.toSeconds() / 36.0) / 100.0,
              Ledger.firstTime(build).rate()));
      look(build, steps);
    }
    return new Comparison(
        wholes, steps.entrySet().stream().map(e -> step(e.getKey(), e.getValue())).toList());
  }

  /** The time since the last step was done is that of this one, pauses left out. */
  private static void look(Build build, Map<String, Seen> steps) {
    Map<String, Set<String>> stepsOf = new HashMap<>();
    Duration spent = Duration.ZERO;
    Instant last = null;
    Set<Long> counts = new HashSet<>();
    build.inForce().forEach(entry -> counts.add(entry.number()));
    for (BuildEvent.Entry entry : build.entries()) {
      spent = last == null ? spent : spent.plus(Ledger.worked(last, entry.at()));
      last = entry.at();
      String step = counts.contains(entry.number()) ? done(entry.event()) : "";
      if (!step.isEmpty()) {
        Seen seen = seen(steps, step);
        seen.minutes().add(spent.toMillis() / 60_000.0);
        seen.done().add(build.id());
        refs(entry.event())
            .forEach(ref -> stepsOf.computeIfAbsent(ref, r -> new LinkedHashSet<>()).add(step));
        spent = Duration.ZERO;
      }
    }
    for (BuildEvent.Entry entry : build.inForce()) {
      for (String ref : troubled(entry.event())) {
        stepsOf
            .getOrDefault(ref, Set.of())
            .forEach(step -> seen(steps, step).wrong().add(build.id()));
      }
      if (entry.event() instanceof BuildEvent.GateRead read && read.verdict().equals("outside")) {
        seen(steps, "gate:" + read.gate()).wrong().add(build.id());
      }
    }
  }

  private static Seen seen(Map<String, Seen> steps, String step) {
    return steps.computeIfAbsent(
        step, s -> new Seen(new ArrayList<>(), new HashSet<>(), new HashSet<>()));
  }

  /** The name of the step that an act ends; empty where it ends none. */
  private static String done(BuildEvent event) {
    if (event instanceof BuildEvent.Fitted e) {
      return e.step();
    }
    if (event instanceof BuildEvent.GatePassed e) {
      return "gate:" + e.gate();
    }
    if (event instanceof BuildEvent.GateOverridden e) {
      return "gate:" + e.gate();
    }
    if (event instanceof BuildEvent.Loaded e) {
      return "load:" + e.image();
    }
    if (event instanceof BuildEvent.Woke e) {
      return "wake:" + e.peripheral();
    }
    return event instanceof BuildEvent.Closed e ? "close:" + e.step() : "";
  }

  private static List<String> refs(BuildEvent event) {
    return event instanceof BuildEvent.Fitted e ? e.refs() : List.of();
  }

  private static List<String> troubled(BuildEvent event) {
    if (event instanceof BuildEvent.JointSeen seen && !seen.seen().equals("good")) {
      return PinRef.parse(seen.pin()).map(PinRef::ref).stream().toList();
    }
    return event instanceof BuildEvent.Mended mended && !mended.practice()
        ? Fault.parse(mended.fault()).map(Fault::refs).orElse(List.of())
        : List.of();
  }

  private static Step step(String name, Seen seen) {
    List<Double> sorted = seen.minutes().stream().sorted().toList();
    return new Step(
        name,
        tenth(quantile(sorted, 0.5)),
        tenth(quantile(sorted, 0.75) - quantile(sorted, 0.25)),
        seen.wrong().size(),
        seen.done().size());
  }

  private static double tenth(double value) {
    return Math.round(value * 100) / 100.0;
  }

  /** Linear between neighbours. */
  private static double quantile(List<Double> sorted, double share) {
    if (sorted.isEmpty()) {
      return 0;
    }
    double at = share * (sorted.size() - 1);
    int low = (int) Math.floor(at);
    int high = Math.min(sorted.size() - 1, low + 1);
    return sorted.get(low) + (at - low) * (sorted.get(high) - sorted.get(low));
  }
}
