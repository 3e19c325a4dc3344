package humble.core.mend;

import humble.core.circuit.Fault;
import humble.core.kit.PinRef;
import humble.core.stock.Meter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.SequencedMap;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What readings and sights make of the suspects of a board, and the measurement worth making next:
 * the one with the largest expected drop in entropy per minute (de Kleer, Williams 1987).
 *
 * <p>Longer than other classes: grouping, gain and leads read the same tables, which are not worth
 * handing about.
 */
public final class Diagnosis {
  /** Belief from which a group is held to be it. */
  public static final double SURE = 0.99;

  /** How likely it is that what is wrong is none of the suspects, before anything was measured. */
  private static final double UNKNOWN_PRIOR = 0.01;

  /** How likely it is that a sight that something is wrong is itself wrong. */
  private static final double FALSE_ALARM = 0.02;

  private static final double LEAST_SHOWN = 1e-3;
  private static final int MOST_SHOWN = 40;
  private static final double LEAST_GAIN_BITS = 0.006;

  /** Where most speaks for nothing being wrong, what is left to gain by little is let go. */
  private static final double LEAST_GAIN_SOUND_BITS = 0.09;

  private static final double LONG_MIN = 0.6;

  private static final double LEAST_BELIEF = 1e-6;
  private static final int MOST_LEADS = 60;
  private static final int MOST_PAIRS = 14;
  private static final int MOST_KEPT = 300;

  /** The most that a cold joint is reckoned with. */
  private static final double MOST_COLD_OHM = 300;

  /** Readings further from the best suspect than this are not explained by it. */
  private static final double UNEXPLAINED_SIGMAS = 5;

  private static final double APART_SIGMAS = 2;

  /** What is seen so rarely on the board as designed says that something is wrong. */
  private static final double SYMPTOM = 0.1;

  private final Predictions predictions;
  private final Likelihood likelihood;
  private final Map<Observation, double[]> said =
      new LinkedHashMap<>() {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Observation, double[]> eldest) {
          return size() > MOST_KEPT;
        }
      };
  private int @Nullable [] groups;
  private @Nullable Known first;
  private final Map<Integer, Boolean> silent = new HashMap<>();

  /** Where the last two were apart the next two often are: tried first. */
  private int lastApart;

  /** Makes a diagnosis from what every suspect predicts, for one meter. */
  public Diagnosis(Predictions predictions, Meter meter) {
    this.predictions = predictions;
    this.likelihood = new Likelihood(predictions, meter);
  }

  /**
   * A suspect with all that cannot be told from it.
   *
   * @param suspect the likeliest of the group
   * @param belief belief in the whole group, 0 to 1
   * @param group names of every fault that no available measurement tells from it, itself first
   * @param shows whether any measurement that can be made here tells it from the board as designed
   */
  public record Named(Suspect suspect, double belief, List<String> group, boolean shows) {
    public Named {
      group = List.copyOf(group);
    }
  }

  /**
   * The measurement worth making next.
   *
   * @param measure what to measure
   * @param minutes minutes it takes, powering down and up included
   * @param gainBits expected drop in entropy, in bits
   * @param predict what it reads with each of the leading suspects, by name: a number in the base
   *     unit, infinite for open
   * @param looks how a light looks with each, for a look
   */
  public record Next(
      Measure measure,
      double minutes,
      double gainBits,
      SequencedMap<String, Double> predict,
      SequencedMap<String, Sight> looks) {}

  /**
   * What is known.
   *
   * @param suspects groups, the likeliest first
   * @param next what to measure, empty when done
   * @param done whether one group is as good as certain or nothing separates the rest
   * @param explained whether the leading suspect explains every reading at all
   */
  public record Known(List<Named> suspects, Optional<Next> next, boolean done, boolean explained) {
    public Known {
      suspects = List.copyOf(suspects);
    }
  }

  /** Gives what is known after {@code observations}. */
  public Known after(List<Observation> observations) {
    return after(observations, Set.of());
  }

  /** Gives the same where some measurements cannot be made: a pad that no probe reaches. */
  public Known after(List<Observation> observations, Set<Measure> outOfReach) {
    return observations.isEmpty() && outOfReach.isEmpty()
        ? atFirst()
        : reckoned(observations, outOfReach);
  }

  /** Every search of this board begins here; reckoned once. */
  private synchronized Known atFirst() {
    Known known = first;
    if (known == null) {
      known = reckoned(List.of(), Set.of());
      first = known;
    }
    return known;
  }

  private Known reckoned(List<Observation> observations, Set<Measure> outOfReach) {
    Beliefs all = weighed(observations);
    double[] belief = all.of();
    Integer[] order = byBelief(belief);
    List<Measure.Ohms> pairs = predictions.solvable() ? pairs(order, belief) : List.of();
    List<Named> groups = groups(order, belief);
    boolean sure = !groups.isEmpty() && groups.getFirst().belief() >= SURE;
    Optional<Next> next =
        sure || !predictions.solvable()
            ? Optional.empty()
            : best(belief, measured(observations, outOfReach), pairs, groups);
    boolean explained =
        order.length > 0 && all.unknown() < 0.5 && explained(order[0], observations);
    return new Known(groups, next, next.isEmpty(), explained);
  }

  /**
   * Tells whether the powered board with a suspect is told from the board as designed, by volts, by
   * its current or by a light: what makes somebody look for a fault at all. Some faults show in
   * nothing but ohms between two pins that nobody would think of.
   */
  public boolean shows(Suspect suspect) {
    int s = predictions.suspects().indexOf(suspect);
    return s >= 0 && (suspect.known() != null || !alikeUnderPower(s, Predictions.DESIGNED));
  }

  /** Gives every measurement that may be made here, but those that were. */
  public List<Measure> available(List<Observation> observations) {
    double[] belief = beliefs(observations);
    Integer[] order = byBelief(belief);
    return candidates(belief, order, measured(observations, Set.of()), pairs(order, belief));
  }

  /**
   * Gives what a measurement of one's own is worth after {@code observations}, and what it reads
   * with each of the leading suspects.
   */
  public Next asked(Measure measure, List<Observation> observations) {
    double[] belief = beliefs(observations);
    Integer[] order = byBelief(belief);
    double bits = predictions.solvable() ? new Gain(likelihood, belief, order).bits(measure) : 0;
    return next(measure, bits, groups(order, belief));
  }

  /**
   * Gives two faults at once that explain {@code observations} where no single one does, the
   * likeliest first.
   *
   * @throws humble.core.circuit.Cancelled when {@code cancelled} says so
   */
  public List<TwoFaults.Pair> pairs(List<Observation> observations, BooleanSupplier cancelled) {
    return predictions.solvable()
        ? new TwoFaults(predictions, likelihood, UNEXPLAINED_SIGMAS).of(observations, cancelled)
        : List.of();
  }

  /** Gives the groups after {@code observations}, without thinking of what to measure next. */
  public List<Named> suspectsAfter(List<Observation> observations) {
    double[] belief = beliefs(observations);
    return groups(byBelief(belief), belief);
  }

  private double[] beliefs(List<Observation> observations) {
    return weighed(observations).of();
  }

  /** Beliefs in all suspects, and in none of them; together 1. */
  private record Beliefs(double[] of, double unknown) {}

  private Beliefs weighed(List<Observation> observations) {
    int n = predictions.suspects().size();
    double[] log = new double[n + 1];
    double nothing = observations.stream().anyMatch(this::isSymptom) ? FALSE_ALARM : 1;
    for (int s = 0; s < n; s++) {
      Suspect suspect = predictions.suspects().get(s);
      log[s] = Math.log(suspect.prior() * (suspect.isNothing() ? nothing : 1));
    }
    log[n] = Math.log(UNKNOWN_PRIOR);
    observations.forEach(seen -> log[n] += likelihood.ofAnything(seen));
    for (Observation seen : observations) {
      if (seen instanceof Observation.Seen) {
        double[] each = logs(seen);
        for (int s = 0; s < n; s++) {
          log[s] += each[s];
        }
      }
    }
    List<Observation.Reading> readings =
        observations.stream()
            .filter(seen -> !ofOhms(seen))
            .flatMap(
                seen -> seen instanceof Observation.Reading read ? Stream.of(read) : Stream.empty())
            .toList();
    IntStream.range(0, readings.isEmpty() ? 0 : n)
        .parallel()
        .forEach(s -> {
          SharedSpread known = new SharedSpread(predictions.sharedCount() + 1);
          readings.forEach(read -> log[s] += likelihood.reading(s, read, known));
        });
    // Ohms are solved exactly, but only for those that are still in question.
    for (Observation seen : observations) {
      if (seen instanceof Observation.Reading read && ofOhms(seen)) {
        double[] belief = normalised(log);
        for (int s = 0; s < n; s++) {
          log[s] += likelihood.ohms(s, read, belief[s] > LEAST_BELIEF);
        }
      }
    }
    double[] belief = normalised(log);
    return new Beliefs(Arrays.copyOf(belief, n), belief[n]);
  }

  /** Something seen that would not be seen on the board as designed. */
  private boolean isSymptom(Observation seen) {
    return seen instanceof Observation.Seen look
        && likelihood.chance(Predictions.DESIGNED, look.sight(), look.ref()) < SYMPTOM;
  }

  private static boolean ofOhms(Observation seen) {
    return seen instanceof Observation.Reading read && read.measure() instanceof Measure.Ohms;
  }

  /** An observation says the same of every suspect however often it is asked. */
  private synchronized double[] logs(Observation seen) {
    return said.computeIfAbsent(
        seen,
        key -> {
          double[] each = new double[predictions.suspects().size()];
          for (int s = 0; s < each.length; s++) {
            each[s] = likelihood.log(s, key);
          }
          return each;
        });
  }

  private static double[] normalised(double[] log) {
    double most = Arrays.stream(log).max().orElse(0);
    double[] belief = Arrays.stream(log).map(l -> Math.exp(l - most)).toArray();
    double sum = Arrays.stream(belief).sum();
    return Arrays.stream(belief).map(b -> b / sum).toArray();
  }

  private static Integer[] byBelief(double[] belief) {
    Integer[] order = new Integer[belief.length];
    Arrays.setAll(order, i -> i);
    Arrays.sort(order, Comparator.comparingDouble((Integer s) -> -belief[s]).thenComparing(s -> s));
    return order;
  }

  private boolean explained(int suspect, List<Observation> observations) {
    return observations.stream()
        .allMatch(seen -> likelihood.sigmasOff(suspect, seen) < UNEXPLAINED_SIGMAS);
  }

  private static Set<Measure> measured(List<Observation> observations, Set<Measure> outOfReach) {
    Set<Measure> measured = new HashSet<>(outOfReach);
    for (Observation seen : observations) {
      switch (seen) {
        case Observation.Reading read -> measured.add(read.measure());
        case Observation.Seen s -> measured.add(new Measure.Look(s.ref()));
      }
    }
    return measured;
  }

  /** Pairs of nets that an ohmmeter would be put on: about the leading suspects. */
  private List<Measure.Ohms> pairs(Integer[] order, double[] belief) {
    Set<Measure.Ohms> pairs = new LinkedHashSet<>();
    for (int s : order) {
      if (pairs.size() >= MOST_PAIRS || belief[s] < LEAST_SHOWN) {
        break;
      }
      predictions.suspects().get(s).fault().ifPresent(fault -> pair(fault).ifPresent(pairs::add));
    }
    return List.copyOf(pairs);
  }

  private Optional<Measure.Ohms> pair(Fault fault) {
    return switch (fault) {
      case Fault.Bridge f -> pair(f.a(), f.b());
      case Fault.OpenJoint f -> ends(f.pin().ref());
      case Fault.Cold f -> ends(f.pin().ref());
      case Fault.Reversed f -> ends(f.ref());
      case Fault.Swapped f -> ends(f.a());
      case Fault.WrongValue f -> ends(f.ref());
      case Fault.Missing f -> ends(f.ref());
      case Fault.Dead f -> ends(f.ref());
      // Nothing of them is left without power.
      case Fault.Blank f -> Optional.empty();
      case Fault.Stuck f -> Optional.empty();
      case Fault.Off f -> f.isSupply() ? Optional.empty() : ends(f.what());
    };
  }

  private Optional<Measure.Ohms> ends(String ref) {
    return predictions
        .parts()
        .part(ref)
        .filter(part -> part.pack().pins().size() == 2)
        .flatMap(part ->
            pair(
                new PinRef(ref, part.pack().pins().get(1).number()),
                new PinRef(ref, part.pack().pins().get(0).number())));
  }

  private Optional<Measure.Ohms> pair(PinRef a, PinRef b) {
    Optional<String> red = predictions.parts().netOf(a);
    Optional<String> black = predictions.parts().netOf(b);
    return red.isEmpty() || black.isEmpty() || red.equals(black)
        ? Optional.empty()
        : Optional.of(new Measure.Ohms(red.get(), black.get()));
  }

  /** Tells whether anything at all tells a suspect from the board as designed; reckoned once. */
  private synchronized boolean tellsFromDesigned(int suspect) {
    return !silent.computeIfAbsent(suspect, s -> inseparable(s, Predictions.DESIGNED));
  }

  private List<Named> groups(Integer[] order, double[] belief) {
    int[] groupOf = groupOf();
    Map<Integer, Double> sum = new LinkedHashMap<>();
    Map<Integer, List<String>> names = new LinkedHashMap<>();
    Map<Integer, Integer> head = new LinkedHashMap<>();
    for (int s : order) {
      head.putIfAbsent(groupOf[s], s);
      sum.merge(groupOf[s], belief[s], Double::sum);
      List<String> named = names.computeIfAbsent(groupOf[s], key -> new ArrayList<>());
      String name = predictions.suspects().get(s).name();
      if (!named.contains(name)) {
        named.add(name);
      }
    }
    return sum.entrySet().stream()
        .sorted(Comparator.comparingDouble(entry -> -entry.getValue()))
        .filter(entry -> entry.getValue() >= LEAST_SHOWN)
        .limit(MOST_SHOWN)
        .map(entry ->
            new Named(
                predictions.suspects().get(head.getOrDefault(entry.getKey(), 0)),
                Math.min(1, entry.getValue()),
                names.getOrDefault(entry.getKey(), List.of()),
                tellsFromDesigned(strongestOf(head.getOrDefault(entry.getKey(), 0)))))
        .toList();
  }

  /**
   * Gives the group of every suspect: each joins the first that nothing tells it from, the
   * likeliest before anything was measured first. Reckoned once.
   */
  private synchronized int[] groupOf() {
    int[] made = groups;
    if (made == null) {
      int n = predictions.suspects().size();
      double[] prior = predictions.suspects().stream().mapToDouble(Suspect::prior).toArray();
      made = new int[n];
      List<Integer> heads = new ArrayList<>();
      for (int s : byBelief(prior)) {
        if (!isFaintOfItsName(s)) {
          OptionalInt first =
              heads.stream().mapToInt(h -> h).filter(h -> inseparable(h, s)).findFirst();
          made[s] = first.orElse(s);
          if (first.isEmpty()) {
            heads.add(s);
          }
        }
      }
      Map<String, Integer> strongest = strongest();
      for (int s = 0; s < n; s++) {
        Integer strong = strongest.get(predictions.suspects().get(s).name());
        if (strong != null) {
          made[s] = made[strong];
        }
      }
      groups = made;
    }
    return made;
  }

  /** A cold joint of few ohms belongs to where the same joint of many ohms shows. */
  private boolean isFaintOfItsName(int s) {
    return predictions.suspects().get(s).edit() instanceof Fault.Cold cold
        && cold.ohms() < MOST_COLD_OHM;
  }

  private int strongestOf(int s) {
    return isFaintOfItsName(s)
        ? strongest().getOrDefault(predictions.suspects().get(s).name(), s)
        : s;
  }

  private Map<String, Integer> strongest() {
    Map<String, Integer> strongest = new LinkedHashMap<>();
    for (int s = 0; s < predictions.suspects().size(); s++) {
      Suspect suspect = predictions.suspects().get(s);
      if (suspect.edit() instanceof Fault.Cold && !isFaintOfItsName(s)) {
        strongest.put(suspect.name(), s);
      }
    }
    return strongest;
  }

  /** Tells whether no measurement that can be made here tells two suspects apart. */
  private boolean inseparable(int a, int b) {
    List<Suspect> both =
        Stream.of(predictions.suspect(a), predictions.suspect(b))
            .flatMap(Optional::stream)
            .toList();
    if (both.stream().anyMatch(suspect -> suspect.known() != null)) {
      return false;
    }
    if (!predictions.solved(a) || !predictions.solved(b)) {
      return false;
    }
    if (!alikeUnderPower(a, b)) {
      return false;
    }
    if (predictions.edit(a).equals(predictions.edit(b))) {
      return true;
    }
    Set<Measure.Ohms> asked = new LinkedHashSet<>();
    both.forEach(each -> each.fault().flatMap(this::pair).ifPresent(asked::add));
    return asked.stream().noneMatch(measure -> apart(a, b, measure));
  }

  private boolean alikeUnderPower(int a, int b) {
    if (!predictions.powered() || !predictions.solved(a) || !predictions.solved(b)) {
      return !predictions.powered();
    }
    if (!sameNets(a, b)) {
      return false;
    }
    for (int each : new int[] {a, b}) {
      PinRef lifted =
          Predictions.lifted(predictions.suspect(each).flatMap(Suspect::fault).orElse(null))
              .orElse(null);
      if (lifted != null && apart(a, b, new Measure.Volts(lifted.toString()))) {
        return false;
      }
    }
    for (Measure.Amps source : predictions.sources()) {
      if (apart(a, b, source)) {
        return false;
      }
    }
    return predictions.lookable().stream()
        .allMatch(light -> predictions.look(a, light) == predictions.look(b, light));
  }

  private boolean sameNets(int a, int b) {
    if (predictions.sameRow(a, b)) {
      return true;
    }
    int nets = predictions.columns();
    int from = lastApart;
    for (int i = 0; i < nets; i++) {
      int net = (from + i) % nets;
      if (likelihood.apart(
          predictions.volts(a, net),
          predictions.volts(b, net),
          predictions.sigma(a, net),
          predictions.sigma(b, net),
          APART_SIGMAS)) {
        lastApart = net;
        return false;
      }
    }
    return true;
  }

  private boolean apart(int a, int b, Measure measure) {
    return likelihood.apart(
        likelihood.expected(a, measure), likelihood.expected(b, measure), APART_SIGMAS);
  }

  private List<Measure> candidates(
      double[] belief, Integer[] order, Set<Measure> measured, List<Measure.Ohms> pairs) {
    Set<Measure> all = new LinkedHashSet<>();
    if (predictions.powered()) {
      all.addAll(predictions.sources());
      predictions.lookable().forEach(light -> all.add(new Measure.Look(light)));
      predictions.nets().forEach(net -> all.add(new Measure.Volts(net)));
      int leads = 0;
      for (int s : order) {
        if (leads >= MOST_LEADS || belief[s] < LEAST_SHOWN / 10) {
          break;
        }
        PinRef lifted = Predictions.lifted(predictions.suspects().get(s).edit()).orElse(null);
        if (lifted != null && all.add(new Measure.Volts(lifted.toString()))) {
          leads++;
        }
      }
    }
    all.addAll(pairs);
    all.removeAll(measured);
    return List.copyOf(all);
  }

  /** Gives the minutes a measurement takes at the bench. */
  public double minutes(Measure measure) {
    return switch (measure) {
      case Measure.Amps m -> 0.2;
      case Measure.Look m -> predictions.isClock(m.ref()) ? 0.8 : 0.2;
      case Measure.Volts m -> predictions.nets().contains(m.point()) ? 0.5 : 0.6;
      case Measure.Across m -> 0.6;
      case Measure.Ohms m -> predictions.powered() ? 2.0 : 0.5;
    };
  }

  private Optional<Next> best(
      double[] belief, Set<Measure> measured, List<Measure.Ohms> pairs, List<Named> groups) {
    Integer[] order = byBelief(belief);
    Measure best = null;
    double bestGain = 0;
    double bestRate = 0;
    Gain gain = new Gain(likelihood, belief, order);
    List<Measure> all = candidates(belief, order, measured, pairs);
    // What nothing holds is read last: where it stands is decided by leaks that nobody knows.
    boolean sound = !groups.isEmpty() && !groups.getFirst().shows();
    for (boolean floating : new boolean[] {false, true}) {
      for (Measure measure : all) {
        if (best != null && floating || predictions.floats(measure) != floating) {
          continue;
        }
        double bits = gain.bits(measure);
        double rate = bits / minutes(measure);
        // On a board that is most likely sound, what takes longer has to tell more.
        double least =
            sound
                ? LEAST_GAIN_SOUND_BITS * Math.max(1, minutes(measure) / LONG_MIN)
                : LEAST_GAIN_BITS;
        if (bits >= least && rate > bestRate * (1 + 1e-9)) {
          best = measure;
          bestGain = bits;
          bestRate = rate;
        }
      }
    }
    return best == null ? Optional.empty() : Optional.of(next(best, bestGain, groups));
  }

  private Next next(Measure measure, double gain, List<Named> groups) {
    SequencedMap<String, Double> predict = new LinkedHashMap<>();
    SequencedMap<String, Sight> looks = new LinkedHashMap<>();
    Map<String, Integer> number = new LinkedHashMap<>();
    for (int s = 0; s < predictions.suspects().size(); s++) {
      number.put(predictions.suspects().get(s).name(), s);
    }
    for (Named group : groups.subList(0, Math.min(8, groups.size()))) {
      String name = group.suspect().name();
      int s = number.getOrDefault(name, 0);
      switch (measure) {
        case Measure.Look look -> looks.put(name, likelihood.look(s, look.ref()));
        case Measure.Ohms m -> predict.put(name, predictions.exact(s, m));
        case Measure.Volts m -> mean(s, m).ifPresent(value -> predict.put(name, value));
        case Measure.Across m -> mean(s, m).ifPresent(value -> predict.put(name, value));
        case Measure.Amps m -> mean(s, m).ifPresent(value -> predict.put(name, value));
      }
    }
    return new Next(measure, minutes(measure), gain, predict, looks);
  }

  private OptionalDouble mean(int suspect, Measure measure) {
    double value = predictions.value(suspect, measure).mean();
    return Double.isNaN(value) ? OptionalDouble.empty() : OptionalDouble.of(value);
  }
}
