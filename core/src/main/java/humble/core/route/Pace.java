package humble.core.route;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * How fast somebody works, kind of work by kind of work, learned from their own log.
 *
 * <p>Times are taken as ratios to the usual ones, in logarithms, where twice as long and half as
 * long lie equally far off. The usual pace counts as ten observations (a shrinkage estimate, after
 * Efron and Morris 1975), so that one odd evening changes little and fifty steps decide. The
 * interval holds 80 % of the times to be expected, the doubt about the pace itself included.
 */
public final class Pace {
  /** The usual pace counts as so many observations. */
  static final double USUAL_COUNTS = 10;

  /** How far people lie apart before anything is known of one: 68 % within a factor of 1.4. */
  static final double USUAL_SPREAD = 0.35;

  /** A tenth of a normal distribution lies beyond so many standard deviations on each side. */
  private static final double TENTH = 1.2816;

  /** Steps ticked off afterwards, or left lying, are no observations of anybody's pace. */
  private static final double ODDEST_RATIO = 6;

  private static final Duration LONGEST_STEP = Duration.ofMinutes(90);
  private static final Duration LONGEST_PAUSE = Duration.ofMinutes(20);

  /** The usual pace, of nobody in particular. */
  public static final Pace USUAL = of(List.of());

  private final Map<Trade, Double> logFactor = new EnumMap<>(Trade.class);
  private final Map<Trade, Double> spread = new EnumMap<>(Trade.class);
  private final Map<Trade, Integer> seen = new EnumMap<>(Trade.class);

  /** Kinds of work that a person has a pace in. */
  public enum Trade {
    THIN,
    PIN,
    TAB,
    SMD,
    INSERT
  }

  /**
   * A step that was timed.
   *
   * @param trade kind of work
   * @param usualMinutes what it usually takes
   * @param minutes what it took
   */
  public record Timed(Trade trade, double usualMinutes, double minutes) {
    /** Tells whether it says anything of a pace. */
    boolean counts() {
      double ratio = minutes / usualMinutes;
      return ratio > 1 / ODDEST_RATIO && ratio < ODDEST_RATIO;
    }
  }

  /**
   * Minutes to be expected.
   *
   * @param minutes the middle
   * @param low a tenth of the times lies below
   * @param high a tenth of the times lies above
   */
  public record Expected(double minutes, double low, double high) {}

  private Pace() {}

  /** Learns a pace from timed steps. */
  public static Pace of(Collection<Timed> steps) {
    Pace pace = new Pace();
    for (Trade trade : Trade.values()) {
      double[] logs =
          steps.stream()
              .filter(step -> step.trade() == trade && step.counts())
              .mapToDouble(step -> Math.log(step.minutes() / step.usualMinutes()))
              .toArray();
      double sum = 0;
      for (double log : logs) {
        sum += log;
      }
      double mean = sum / (USUAL_COUNTS + logs.length);
      double squares = USUAL_COUNTS * USUAL_SPREAD * USUAL_SPREAD;
      for (double log : logs) {
        squares += (log - mean) * (log - mean);
      }
      pace.logFactor.put(trade, mean);
      pace.spread.put(trade, Math.sqrt(squares / (USUAL_COUNTS + logs.length)));
      pace.seen.put(trade, logs.length);
    }
    return pace;
  }

  /**
   * Learns the pace of a bench from its builds.
   *
   * @param parts gives the parts of the kit at a path; one that cannot be read teaches nothing
   */
  public static Pace of(Collection<Build> builds, Function<String, Optional<Parts>> parts) {
    Map<String, Optional<Parts>> known = new HashMap<>();
    List<Timed> timed = new ArrayList<>();
    for (Build build : builds) {
      if (!build.fittedRefs().isEmpty()) {
        build
            .began()
            .flatMap(began -> known.computeIfAbsent(began.kitPath(), parts))
            .ifPresent(kit -> timed.addAll(timed(kit, build)));
      }
    }
    return of(timed);
  }

  /**
   * Gives the steps of a build that were timed: from the act before to the act that ended them, in
   * one sitting.
   */
  public static List<Timed> timed(Parts parts, Build build) {
    List<Timed> timed = new ArrayList<>();
    Instant from = null;
    Instant last = null;
    for (BuildEvent.Entry entry : build.inForce()) {
      boolean paused =
          last != null && Duration.between(last, entry.at()).compareTo(LONGEST_PAUSE) > 0;
      if (paused) {
        from = null;
      }
      if (entry.event() instanceof BuildEvent.Fitted fitted) {
        if (from != null && !fitted.refs().isEmpty()) {
          Duration took = Duration.between(from, entry.at());
          parts
              .part(fitted.refs().getFirst())
              .filter(part -> !took.isNegative() && took.compareTo(LONGEST_STEP) < 0)
              .ifPresent(part -> timed.add(step(part, fitted, took)));
        }
        from = entry.at();
      } else if (ends(entry.event())) {
        from = entry.at();
      }
      last = entry.at();
    }
    return timed;
  }

  /** Acts within a step, such as a look at a mark or a turn of the board, do not end it. */
  private static boolean ends(BuildEvent event) {
    return !(event instanceof BuildEvent.MarkSeen
        || event instanceof BuildEvent.Turned
        || event instanceof BuildEvent.Acknowledged
        || event instanceof BuildEvent.MarksWeighed
        || event instanceof BuildEvent.ModuleRead
        || event instanceof BuildEvent.JointSeen
        || event instanceof BuildEvent.Observed
        || event instanceof BuildEvent.FaultHidden
        || event instanceof BuildEvent.Noted);
  }

  private static Timed step(Part part, BuildEvent.Fitted fitted, Duration took) {
    int pieces = fitted.refs().size();
    boolean inserted = fitted.joints() == 0;
    return new Timed(
        inserted ? Trade.INSERT : trade(part),
        inserted ? Minutes.INSERT * pieces : Minutes.fitting(part, pieces, fitted.joints()),
        took.toMillis() / 60_000.0);
  }

  private static Trade trade(Part part) {
    return switch (part.pack().lead()) {
      case THIN -> Trade.THIN;
      case PIN -> Trade.PIN;
      case TAB -> Trade.TAB;
      case SMD -> Trade.SMD;
    };
  }

  /** Gives how much longer than usual this kind of work takes; 1 is the usual pace. */
  public double factor(Trade trade) {
    return Math.exp(logFactor.getOrDefault(trade, 0.0));
  }

  /** Gives how many steps of that kind were timed. */
  public int seen(Trade trade) {
    return seen.getOrDefault(trade, 0);
  }

  /** Gives how many steps were timed in all. */
  public int seen() {
    return seen.values().stream().mapToInt(Integer::intValue).sum();
  }

  double fitting(Part part, int pieces, int joints) {
    return Minutes.fitting(part, pieces, joints) * factor(trade(part));
  }

  double inserting(int pieces) {
    return Minutes.INSERT * pieces * factor(Trade.INSERT);
  }

  /**
   * Gives the minutes of steps whose middle times this pace has set, with the interval. What is
   * common to all steps of a kind, the doubt about the pace, adds up; what varies from step to step
   * partly evens out. Tasks, gates and turns vary as everybody's do.
   */
  public Expected expected(Parts parts, List<Step> steps) {
    double sum = 0;
    double variance = 0;
    Map<Trade, Double> byTrade = new EnumMap<>(Trade.class);
    for (Step step : steps) {
      sum += step.minutes();
      double own = USUAL_SPREAD;
      if (!step.refs().isEmpty()) {
        Trade trade =
            step.act() == Step.Act.INSERT ? Trade.INSERT : trade(parts.get(step.refs().getFirst()));
        byTrade.merge(trade, step.minutes(), Double::sum);
        own = spread.getOrDefault(trade, USUAL_SPREAD);
      }
      variance += step.minutes() * own * step.minutes() * own;
    }
    for (Map.Entry<Trade, Double> each : byTrade.entrySet()) {
      double own = spread.getOrDefault(each.getKey(), USUAL_SPREAD);
      double doubt = own * own * (1 + USUAL_COUNTS) / (USUAL_COUNTS + seen(each.getKey()));
      variance += each.getValue() * each.getValue() * doubt;
    }
    double reach = TENTH * Math.sqrt(variance);
    return new Expected(sum, Math.max(sum / ODDEST_RATIO, sum - reach), sum + reach);
  }
}
