package humble.benchmarks;

import humble.bench.SimulatedBoard;
import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.mend.Diagnosis;
import humble.core.mend.Habits;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.mend.Predictions;
import humble.core.mend.Suspect;
import humble.core.mend.Suspects;
import humble.core.stock.Meter;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;

/**
 * Random single faults on simulated boards of the demo kits, found by following the advice and by
 * measuring in a random order, with the same meter, the same beliefs and the same rule to stop.
 */
final class FaultFinding {
  private static final int TRIALS = Integer.getInteger("humble.trials", 500);
  private static final int MOST_MEASUREMENTS = 80;
  private static final Meter METER = Meter.parse("0.5%+2@1m").orElseThrow();

  private FaultFinding() {}

  private record Bench(Parts parts, Predictions predictions, Diagnosis diagnosis) {}

  private record Walk(boolean found, int measurements, double minutes) {}

  static void measure(Path root, PrintStream out) {
    List<Bench> benches = new ArrayList<>();
    for (String kit : List.of("glowmoth", "weathercock", "lockkeeper")) {
      Parts parts = opened(root.resolve("kits").resolve(kit));
      for (BoardState state : parts.kit().states()) {
        if (state.supply() != null) {
          Predictions predictions =
              new Predictions(parts, state, Suspects.of(parts, state, Habits.usual()), () -> false);
          Diagnosis diagnosis = new Diagnosis(predictions, METER);
          diagnosis.suspectsAfter(List.of());
          benches.add(new Bench(parts, predictions, diagnosis));
        }
      }
    }
    Random random = new Random(20);
    int found = 0;
    int foundRandomly = 0;
    int unseen = 0;
    double ours = 0;
    double randoms = 0;
    double minutes = 0;
    double randomMinutes = 0;
    Map<String, Integer> missed = new LinkedHashMap<>();
    List<Double> nextMs = new ArrayList<>();
    for (int trial = 0; trial < TRIALS; ) {
      Bench bench = benches.get(random.nextInt(benches.size()));
      Suspect hidden = Suspects.drawn(bench.predictions.suspects(), random);
      Fault fault = hidden.fault().orElse(null);
      SimulatedBoard board =
          fault == null
              ? null
              : SimulatedBoard.of(
                      bench.parts, bench.predictions.state(), List.of(fault), random.nextLong())
                  .orElse(null);
      if (board == null || !bench.diagnosis.shows(hidden)) {
        unseen++;
        continue;
      }
      trial++;
      Walk advised = advised(bench, board, hidden, nextMs);
      Walk randomly = randomly(bench, board, hidden, random);
      found += advised.found ? 1 : 0;
      foundRandomly += randomly.found ? 1 : 0;
      ours += advised.measurements;
      randoms += randomly.measurements;
      minutes += advised.minutes;
      randomMinutes += randomly.minutes;
      if (!advised.found) {
        missed.merge(
            bench.parts.kit().id() + " " + bench.predictions.state().id() + " " + hidden.name(),
            1,
            Integer::sum);
      }
    }
    out.printf(
        Locale.ROOT,
        "| finding: %d random single faults, found with their group | %.1f %% | %.1f %% in random order | |%n",
        TRIALS,
        100.0 * found / TRIALS,
        100.0 * foundRandomly / TRIALS);
    out.printf(
        Locale.ROOT,
        "| finding: measurements until done, mean | %.2f | %.2f in random order | %.2f |%n",
        ours / TRIALS,
        randoms / TRIALS,
        ours / randoms);
    out.printf(
        Locale.ROOT,
        "| finding: minutes at the bench until done, mean | %.2f | %.2f in random order | %.2f |%n",
        minutes / TRIALS,
        randomMinutes / TRIALS,
        minutes / randomMinutes);
    nextMs.sort(null);
    out.printf(
        Locale.ROOT,
        "| finding: next measurement, median and 99th percentile | %.1f ms, %.1f ms | | |%n",
        nextMs.get(nextMs.size() / 2),
        nextMs.get(nextMs.size() * 99 / 100));
    out.printf(
        Locale.ROOT,
        "| finding: faults drawn that show in no volts, current or light of their state, left out | %d | | |%n",
        unseen);
    if (System.getProperty("humble.missed") != null) {
      missed.forEach((name, n) -> out.println("missed " + name));
    }
  }

  private static Parts opened(Path kit) {
    if (KitFolder.at(kit).read() instanceof KitRead.Opened opened) {
      return Parts.of(opened.kit());
    }
    throw new IllegalStateException("the kit at " + kit + " does not open");
  }

  private static Walk advised(
      Bench bench, SimulatedBoard board, Suspect hidden, List<Double> nextMs) {
    List<Observation> seen = symptom(bench, board);
    int begin = seen.size();
    double minutes = 0;
    while (true) {
      long before = System.nanoTime();
      Diagnosis.Known known = bench.diagnosis.after(seen);
      nextMs.add((System.nanoTime() - before) / 1e6);
      if (known.next().isEmpty() || seen.size() - begin >= MOST_MEASUREMENTS) {
        return new Walk(named(known.suspects(), hidden), seen.size() - begin, minutes);
      }
      Measure measure = known.next().get().measure();
      minutes += known.next().get().minutes();
      seen.add(board.answer(measure));
    }
  }

  private static Walk randomly(Bench bench, SimulatedBoard board, Suspect hidden, Random random) {
    List<Observation> seen = symptom(bench, board);
    int begin = seen.size();
    double minutes = 0;
    List<Diagnosis.Named> groups = bench.diagnosis.suspectsAfter(seen);
    while (seen.size() - begin < MOST_MEASUREMENTS
        && (groups.isEmpty() || groups.getFirst().belief() < Diagnosis.SURE)) {
      // Whether anything still separates the rest is asked every fifth time: it takes long.
      boolean ask = (seen.size() - begin) % 5 == 0;
      if (ask && bench.diagnosis.after(seen).next().isEmpty()) {
        break;
      }
      List<Measure> open = bench.diagnosis.available(seen);
      if (open.isEmpty()) {
        break;
      }
      Measure measure = open.get(random.nextInt(open.size()));
      minutes += bench.diagnosis.minutes(measure);
      seen.add(board.answer(measure));
      groups = bench.diagnosis.suspectsAfter(seen);
    }
    return new Walk(named(groups, hidden), seen.size() - begin, minutes);
  }

  /** Whoever mends has seen the lights: both walks begin with how every one of them looks. */
  private static List<Observation> symptom(Bench bench, SimulatedBoard board) {
    List<Observation> seen = new ArrayList<>();
    for (String light : bench.predictions.lights()) {
      seen.add(new Observation.Seen(board.look(light), light));
    }
    return seen;
  }

  private static boolean named(List<Diagnosis.Named> groups, Suspect hidden) {
    return !groups.isEmpty() && groups.getFirst().group().contains(hidden.name());
  }
}
