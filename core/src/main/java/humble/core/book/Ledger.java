package humble.core.book;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.circuit.Fault;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Task;
import humble.core.route.Pace;
import humble.core.stock.Stocktake;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a build comes to, from its journal alone.
 *
 * @param evenings every day on which somebody worked on it
 * @param hours time at the bench by stage; pauses of more than twenty minutes left out
 * @param unattended time in which it was left alone to dry or harden, beside the bench
 * @param joints joints soldered
 * @param firstTime how many parts were right the first time
 * @param cured what was wrong and found, on the board itself
 * @param stock what was counted and is not exactly what is needed
 */
public record Ledger(
    List<Evening> evenings,
    Map<BenchStage, Duration> hours,
    Duration unattended,
    int joints,
    FirstTime firstTime,
    List<BuildEvent.Mended> cured,
    List<Stock> stock) {
  private static final Duration LONGEST_PAUSE = Duration.ofMinutes(20);

  public Ledger {
    evenings = List.copyOf(evenings);
    hours = Map.copyOf(hours);
    cured = List.copyOf(cured);
    stock = List.copyOf(stock);
  }

  /**
   * A day at the bench.
   *
   * @param bench time at the bench
   * @param acts how many acts, those that were taken back included
   */
  public record Evening(LocalDate day, Duration bench, int joints, int acts) {}

  /**
   * Parts that were right the first time: no joint of theirs was found odd, and nothing that was
   * wrong was theirs.
   *
   * @param parts parts that are in
   * @param troubled those of them that were not
   */
  public record FirstTime(int parts, Set<String> troubled) {
    public FirstTime {
      troubled = Set.copyOf(troubled);
    }

    /** Gives the share, 0 to 1; empty where nothing is in. */
    public Optional<Double> rate() {
      return parts == 0
          ? Optional.empty()
          : Optional.of((parts - troubled.size()) / (double) parts);
    }
  }

  /**
   * Something counted that is not exactly what is needed.
   *
   * @param over pieces left over; below 0 where some are short
   */
  public record Stock(String item, int over) {}

  /** Gives what a build comes to. */
  public static Ledger of(Kit kit, Build build, ZoneId zone) {
    Map<LocalDate, List<BuildEvent.Entry>> days = new LinkedHashMap<>();
    for (BuildEvent.Entry entry : build.entries()) {
      days.computeIfAbsent(LocalDate.ofInstant(entry.at(), zone), day -> new ArrayList<>())
          .add(entry);
    }
    List<Evening> evenings = new ArrayList<>();
    days.forEach((day, entries) -> evenings.add(evening(day, entries)));
    return new Ledger(
        evenings,
        hours(build),
        unattended(kit, build),
        joints(build.inForce()),
        firstTime(build),
        build.mended().stream().filter(mended -> !mended.practice()).toList(),
        stock(kit, build));
  }

  /** Time over midnight counts to the day on which it ends. */
  private static Evening evening(LocalDate day, List<BuildEvent.Entry> entries) {
    Duration bench = Duration.ZERO;
    for (int i = 1; i < entries.size(); i++) {
      bench = bench.plus(worked(entries.get(i - 1).at(), entries.get(i)));
    }
    return new Evening(day, bench, joints(entries), entries.size());
  }

  /** The time before an act; what lies before a build came to this bench was not spent at it. */
  static Duration worked(Instant from, BuildEvent.Entry act) {
    return act.event() instanceof BuildEvent.CameAlong ? Duration.ZERO : worked(from, act.at());
  }

  static Duration worked(Instant from, Instant to) {
    Duration gap = Duration.between(from, to);
    return gap.isNegative() || gap.compareTo(LONGEST_PAUSE) > 0 ? Duration.ZERO : gap;
  }

  private static int joints(Collection<BuildEvent.Entry> entries) {
    return entries.stream()
        .map(BuildEvent.Entry::event)
        .mapToInt(event ->
            event instanceof BuildEvent.Fitted whole
                ? whole.joints()
                : event instanceof BuildEvent.FittedSome some ? some.joints() : 0)
        .sum();
  }

  /** The time before an act was spent on it; what belongs to no stage is spent on the last one. */
  static Map<BenchStage, Duration> hours(Build build) {
    Map<BenchStage, Duration> hours = new EnumMap<>(BenchStage.class);
    BenchStage now = BenchStage.SHELF;
    Instant last = null;
    for (BuildEvent.Entry entry : build.entries()) {
      now = BenchStage.of(entry.event()).orElse(now);
      if (last != null) {
        Duration spent = worked(last, entry);
        if (!spent.isZero()) {
          hours.merge(now, spent, Duration::plus);
        }
      }
      last = entry.at();
    }
    return hours;
  }

  private static Duration unattended(Kit kit, Build build) {
    double minutes =
        kit.allTasks().stream()
            .filter(task -> build.doneSteps().contains(task.id()))
            .mapToDouble(Task::minutesUnattended)
            .sum();
    return Duration.ofSeconds(Math.round(minutes * 60));
  }

  /** Gives how many parts of a build were right the first time. */
  public static FirstTime firstTime(Build build) {
    Set<String> troubled = new HashSet<>();
    for (BuildEvent.Entry entry : build.inForce()) {
      if (entry.event() instanceof BuildEvent.JointSeen seen && !seen.seen().equals("good")) {
        PinRef.parse(seen.pin()).ifPresent(pin -> troubled.add(pin.ref()));
      } else if (entry.event() instanceof BuildEvent.Mended mended && !mended.practice()) {
        Fault.parse(mended.fault()).ifPresent(fault -> troubled.addAll(fault.refs()));
      }
    }
    Set<String> in = new LinkedHashSet<>(build.fittedRefs());
    troubled.retainAll(in);
    return new FirstTime(in.size(), troubled);
  }

  private static List<Stock> stock(Kit kit, Build build) {
    List<Stock> stock = new ArrayList<>();
    for (Stocktake.Item item : Stocktake.items(kit, build.choices())) {
      Integer counted = build.counted().get(item.id());
      if (counted != null && counted != item.needed()) {
        stock.add(new Stock(item.id(), counted - item.needed()));
      }
    }
    return stock;
  }

  /** Gives the time at the bench in all. */
  public Duration bench() {
    return hours.values().stream().reduce(Duration.ZERO, Duration::plus);
  }

  /** Gives what is short and has to come by post. */
  public List<Stock> waits() {
    return stock.stream().filter(each -> each.over() < 0).toList();
  }

  /** Gives what is left over. */
  public List<Stock> over() {
    return stock.stream().filter(each -> each.over() > 0).toList();
  }

  /**
   * Gives how many times as long as usual this build's steps took, the middle of them; empty where
   * too few were timed.
   */
  public static Optional<Double> pace(Parts parts, Build build) {
    List<Double> ratios =
        Pace.timed(parts, build).stream()
            .map(timed -> timed.minutes() / timed.usualMinutes())
            .sorted()
            .toList();
    return ratios.size() < 5 ? Optional.empty() : Optional.of(ratios.get(ratios.size() / 2));
  }
}
