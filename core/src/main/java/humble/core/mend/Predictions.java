package humble.core.mend;

import humble.core.circuit.Cancelled;
import humble.core.circuit.Fault;
import humble.core.circuit.FaultSweep;
import humble.core.circuit.Feed;
import humble.core.circuit.OhmBench;
import humble.core.circuit.OhmMeter;
import humble.core.circuit.Running;
import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.units.Band;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What every suspect makes every instrument say, for one board in one state: the sweep of all
 * single faults, kept as plain tables. Made once, on all processors; asking is quick.
 */
public final class Predictions {
  private static final double SAME = 1e-9;

  /** Above this a net stands where leaks leave it. */
  private static final double HELD_OHM = 100e3;

  /** One σ of what leaks leave, as a part of the supply's volts. */
  private static final double FLOATING_PART = 0.2;

  private static final double USUAL_V = 5;

  private final Parts parts;
  private final BoardState state;
  private final List<Suspect> suspects;
  private final StateSolver solver;
  private final FaultSweep sweep;
  private final OhmBench ohms;
  private final @Nullable Snapshot designed;
  private final Map<String, Integer> column = new LinkedHashMap<>();
  private final List<@Nullable Snapshot> points = new ArrayList<>();
  private final int[] row;
  private final double[][] volts;
  private final double[][] sigma;
  private final double[][] lightAmps;
  private final List<String> lights;
  private final Running running;
  private final Map<String, Running.Clock> clocks = new LinkedHashMap<>();
  private final List<String> lookable;
  private final List<String> shared;

  /** So many of these are feeds, and come first: what they give can be read by itself. */
  private final int feeds;

  private final double[][][] sharedMoves;
  private final double[][] leadShared;
  private final boolean[] leadFloats;
  private final boolean[][] floating;
  private final double floatV;
  private final double[] leadVolts;
  private final double[] leadSigma;
  private final Map<String, Double> straightOhms = new HashMap<>();
  private final Map<String, Double> exactOhms = new HashMap<>();

  /**
   * Solves every suspect of {@code state}.
   *
   * @throws Cancelled when {@code cancelled} says so
   * @throws humble.core.circuit.CircuitInput when the state names what the kit does not have
   */
  public Predictions(
      Parts parts, BoardState state, List<Suspect> suspects, BooleanSupplier cancelled) {
    this.parts = parts;
    this.state = state;
    this.suspects = List.copyOf(suspects);
    this.solver = new StateSolver(parts, state, true);
    this.designed = solver.asDesigned().orElse(null);
    this.sweep = new FaultSweep(parts, solver);
    this.ohms = new OhmBench(parts, state);
    this.lights = designed == null ? List.of() : designed.lights();
    this.running = new Running(parts, state);
    running.clocks().forEach(clock -> clocks.put(clock.crystal(), clock));
    this.lookable = Stream.concat(lights.stream(), clocks.keySet().stream()).toList();
    for (String net : parts.kit().nets().keySet()) {
      column.put(net, column.size());
    }
    Map<Fault, Optional<Snapshot>> solved =
        sweep.of(suspects.stream().flatMap(s -> s.fault().stream()).toList(), cancelled);
    this.floatV =
        FLOATING_PART
            * parts.kit().supplies().stream()
                .mapToDouble(supply -> Math.abs(supply.volts()))
                .max()
                .orElse(USUAL_V);
    this.shared = designed == null ? List.of() : feedsFirst(designed.shared());
    this.feeds = (int) shared.stream().filter(each -> !isRegulator(parts, each)).count();
    this.leadShared = new double[suspects.size()][];
    this.leadFloats = new boolean[suspects.size()];
    this.row = new int[suspects.size()];
    this.leadVolts = new double[suspects.size()];
    this.leadSigma = new double[suspects.size()];
    Map<Snapshot, Integer> rows = new IdentityHashMap<>();
    points.add(designed);
    if (designed != null) {
      rows.put(designed, 0);
    }
    for (int s = 0; s < row.length; s++) {
      Snapshot point =
          suspects.get(s).edit() instanceof Fault fault
              ? solved.getOrDefault(fault, Optional.empty()).orElse(null)
              : designed;
      row[s] =
          point == null
              ? -1
              : rows.computeIfAbsent(
                  point,
                  fresh -> {
                    points.add(fresh);
                    return points.size() - 1;
                  });
      lead(s, point);
    }
    this.sharedMoves = new double[points.size()][][];
    this.floating = new boolean[points.size()][];
    this.volts = new double[points.size()][];
    this.sigma = new double[points.size()][];
    this.lightAmps = new double[points.size()][];
    if (designed != null) {
      fill(0, designed);
      IntStream.range(1, points.size())
          .parallel()
          .forEach(k -> {
            if (cancelled.getAsBoolean()) {
              throw new Cancelled();
            }
            fill(k, Objects.requireNonNull(points.get(k)));
          });
    }
  }

  /** The lead of a bad joint: what the rest of its part puts on it, or nothing. */
  private void lead(int s, @Nullable Snapshot point) {
    Fault fault = suspects.get(s).edit();
    PinRef lifted = lifted(fault).orElse(null);
    if (point != null && fault != null && lifted != null) {
      String name = lifted.toString();
      // Where the joint carries nothing the board was not solved anew: its lead is bare copper.
      boolean bare = fault instanceof Fault.OpenJoint && sweep.edit(fault).isEmpty();
      boolean floats = bare || point.riseOhm(name) > HELD_OHM;
      leadVolts[s] = bare ? 0 : point.meterVolts(name).orElse(0);
      leadFloats[s] = floats;
      leadSigma[s] = bare ? 0 : point.sigmaVolts(name);
      leadShared[s] = bare ? new double[shared.size()] : moves(point, name);
    }
  }

  /** Gives the pin whose lead and pad read differently with a fault. */
  static Optional<PinRef> lifted(@Nullable Fault fault) {
    return switch (fault) {
      case Fault.OpenJoint open -> Optional.of(open.pin());
      case Fault.Cold cold -> Optional.of(cold.pin());
      case Fault.Bridge f -> Optional.empty();
      case Fault.Reversed f -> Optional.empty();
      case Fault.Swapped f -> Optional.empty();
      case Fault.WrongValue f -> Optional.empty();
      case Fault.Missing f -> Optional.empty();
      case Fault.Dead f -> Optional.empty();
      case Fault.Blank f -> Optional.empty();
      case Fault.Stuck f -> Optional.empty();
      case Fault.Off f -> Optional.empty();
      case null -> Optional.empty();
    };
  }

  private void fill(int k, Snapshot point) {
    Snapshot plain = Objects.requireNonNull(designed);
    double[] v = new double[column.size()];
    double[] spread = new double[column.size()];
    boolean[] loose = new boolean[column.size()];
    double[][] moved = new double[column.size()][];
    column.forEach((net, c) -> {
      double open = point.openVolts(net).orElse(0);
      double rise = point.riseOhm(net);
      boolean unchanged =
          k > 0
              && Math.abs(open - plain.openVolts(net).orElse(0)) <= SAME * (1 + Math.abs(open))
              && Math.abs(rise - plain.riseOhm(net)) <= 1e-6 * rise;
      v[c] = unchanged ? volts[0][c] : point.meterVolts(net).orElse(0);
      loose[c] = rise > HELD_OHM;
      spread[c] = point.sigmaVolts(net);
      moved[c] = moves(point, net);
    });
    sharedMoves[k] = moved;
    floating[k] = loose;
    volts[k] = v;
    sigma[k] = spread;
    lightAmps[k] = lights.stream().mapToDouble(point::amps).toArray();
  }

  private List<String> feedsFirst(Set<String> all) {
    List<String> ordered = new ArrayList<>(all);
    ordered.sort(Comparator.comparing(each -> isRegulator(parts, each)));
    return List.copyOf(ordered);
  }

  private static boolean isRegulator(Parts parts, String shared) {
    return parts.part(shared).filter(part -> part.model() instanceof Model.Regulator).isPresent();
  }

  private double[] moves(Snapshot point, String net) {
    return shared.stream().mapToDouble(each -> point.sharedVolts(each, net)).toArray();
  }

  /** Gives how many things move many points at once: feeds and regulators. */
  int sharedCount() {
    return shared.size();
  }

  /** Gives by how much more a point may differ where leaks decide, in volts. */
  private double loose(boolean floats) {
    return floats ? floatV : 0;
  }

  /** Tells whether a measurement is of a point that nothing holds on the board as designed. */
  boolean floats(Measure measure) {
    return switch (measure) {
      case Measure.Volts m -> floats(m.point());
      case Measure.Across m -> floats(m.red()) || floats(m.black());
      case Measure.Amps m -> false;
      case Measure.Ohms m -> false;
      case Measure.Look m -> false;
    };
  }

  private boolean floats(String point) {
    Integer net = parts.net(point).map(column::get).orElse(null);
    return net != null && designed != null && floating[0][net];
  }

  /** Gives the suspects, in the order of their numbers. */
  public List<Suspect> suspects() {
    return suspects;
  }

  /** Gives the parts. */
  public Parts parts() {
    return parts;
  }

  /** Gives the state. */
  public BoardState state() {
    return state;
  }

  /** Gives the lights on the board. */
  public List<String> lights() {
    return lights;
  }

  /** Gives the nets. */
  public Set<String> nets() {
    return column.keySet();
  }

  /** Tells whether the board as designed has an operating point at all. */
  public boolean solvable() {
    return designed != null;
  }

  /** Tells whether anything feeds the board in this state, so that volts can be measured. */
  public boolean powered() {
    return state.supply() != null || !state.sources().isEmpty() || batteryFeeds();
  }

  private boolean batteryFeeds() {
    Set<String> gone = parts.gone(state);
    return parts.all().stream()
        .anyMatch(part -> part.model() instanceof Model.Battery && !gone.contains(part.ref()));
  }

  /** The number of the board as designed, which is no suspect. */
  static final int DESIGNED = -1;

  private int row(int s) {
    return s == DESIGNED ? 0 : row[s];
  }

  /** Tells whether a net is one that nothing holds with a suspect, and something does without. */
  boolean letGo(int s, String net) {
    Integer c = column.get(net);
    return c != null && solved(s) && floating[row(s)][c] && !floating[0][c];
  }

  /** Gives the number of a net; empty for none of that name. */
  OptionalInt number(String net) {
    Integer c = column.get(net);
    return c == null ? OptionalInt.empty() : OptionalInt.of(c);
  }

  Running running() {
    return running;
  }

  Optional<Suspect> suspect(int s) {
    return s == DESIGNED ? Optional.empty() : Optional.of(suspects.get(s));
  }

  private List<Fault> faults(int s) {
    return suspect(s).flatMap(Suspect::fault).map(List::of).orElse(List.of());
  }

  /** Gives the edit of the circuit that a suspect is, the same text for the same edit. */
  String edit(int s) {
    return suspect(s).flatMap(Suspect::fault).map(sweep::edit).orElse("");
  }

  /** Tells whether the circuit with this suspect was solved. */
  boolean solved(int s) {
    return row(s) >= 0 && designed != null;
  }

  double volts(int s, int net) {
    return volts[row(s)][net];
  }

  /** Gives one σ of a net where the volts of the feed are known, which can be read. */
  double sigma(int s, int net) {
    double own = Math.hypot(sigma[row(s)][net], loose(floating[row(s)][net]));
    return whole(own, sharedMoves[row(s)][net], feeds);
  }

  private static double whole(double own, double[] shared, int from) {
    double squares = own * own;
    for (int i = from; i < shared.length; i++) {
      squares += shared[i] * shared[i];
    }
    return Math.sqrt(squares);
  }

  boolean sameRow(int a, int b) {
    return row(a) == row(b);
  }

  int columns() {
    return column.size();
  }

  /** Gives what a measurement should read with a suspect, one σ of it, in base units. */
  Value value(int s, Measure measure) {
    Band known =
        suspect(s)
            .flatMap(Suspect::kitFault)
            .map(f -> f.predict().get(measure.toString()))
            .orElse(null);
    if (known != null) {
      return new Value((known.low() + known.high()) / 2, (known.high() - known.low()) / 4);
    }
    return switch (measure) {
      case Measure.Volts m -> solved(s) ? point(s, m.point()) : Value.UNKNOWN;
      case Measure.Across m -> solved(s) ? across(s, m) : Value.UNKNOWN;
      case Measure.Amps m -> {
        Snapshot at = solved(s) ? points.get(row(s)) : null;
        yield at == null
            ? Value.UNKNOWN
            : new Value(
                at.sourceA(m.source()),
                at.sourceSigmaA(m.source()),
                0,
                shared.stream().mapToDouble(each -> at.sharedAmps(each, m.source())).toArray(),
                feeds);
      }
      case Measure.Ohms m -> new Value(straight(s, m), 0);
      case Measure.Look m -> Value.UNKNOWN;
    };
  }

  /** Gives the currents that can be read: the supply's, else those of the batteries. */
  List<Measure.Amps> sources() {
    return Feed.of(parts, state)
        .map(feed ->
            switch (feed) {
              case Feed.BySupply by -> List.of(new Measure.Amps(by.supply().id()));
              case Feed.ByBatteries by ->
                  by.batteries().stream().map(part -> new Measure.Amps(part.ref())).toList();
            })
        .orElse(List.of());
  }

  private Value point(int s, String text) {
    Integer net = column.get(text);
    if (net == null) {
      PinRef pin = PinRef.parse(text).flatMap(parts::canonical).orElse(null);
      if (pin != null
          && lifted(suspect(s).flatMap(Suspect::fault).orElse(null))
              .flatMap(parts::canonical)
              .equals(Optional.of(pin))) {
        return new Value(
            leadVolts[s],
            leadSigma[s],
            loose(leadFloats[s]),
            Objects.requireNonNullElse(leadShared[s], new double[shared.size()]),
            feeds);
      }
      net = parts.net(text).map(column::get).orElse(null);
    }
    return net == null
        ? Value.UNKNOWN
        : new Value(
            volts(s, net),
            sigma[row(s)][net],
            loose(floating[row(s)][net]),
            sharedMoves[row(s)][net],
            feeds);
  }

  private Value across(int s, Measure.Across m) {
    Snapshot at = Objects.requireNonNull(points.get(row(s)));
    Value red = point(s, m.red());
    Value black = point(s, m.black());
    return new Value(
        at.meterVolts(m.red(), m.black()).orElse(red.mean() - black.mean()),
        Math.hypot(red.own(), black.own()),
        Math.max(red.loose(), black.loose()),
        IntStream.range(0, shared.size()).mapToDouble(i -> red.move(i) - black.move(i)).toArray(),
        feeds);
  }

  /** Gives ohms with junctions taken straight; infinite when open. */
  synchronized double straight(int s, Measure.Ohms m) {
    return straightOhms.computeIfAbsent(
        edit(s) + '|' + m, key -> ohms.straight(m.red(), m.black(), faults(s)));
  }

  /** Gives what the ohmmeter shows, leakage of diodes and all; infinite when open. */
  synchronized double exact(int s, Measure.Ohms m) {
    return exactOhms.computeIfAbsent(
        edit(s) + '|' + m, key -> ohms(ohms.between(m.red(), m.black(), faults(s))));
  }

  private static double ohms(OhmMeter.Reading reading) {
    return switch (reading) {
      case OhmMeter.Reading.Ohms read -> read.ohms();
      case OhmMeter.Reading.Open open -> Double.POSITIVE_INFINITY;
      case OhmMeter.Reading.Unsolved unsolved -> Double.NaN;
    };
  }

  /** Gives the lights and the crystals that can be looked at. */
  List<String> lookable() {
    return lookable;
  }

  /** Tells whether what is looked at is a clock, which runs or stands. */
  boolean isClock(String ref) {
    return clocks.containsKey(ref);
  }

  /** Gives what may be seen of something looked at. */
  List<Sight> sights(String ref) {
    return isClock(ref)
        ? List.of(Sight.RUNNING, Sight.STILL)
        : List.of(Sight.LIT, Sight.DIM, Sight.DARK);
  }

  private Sight clock(int s, Running.Clock clock) {
    boolean runs =
        solved(s)
            && parts.get(clock.chip()).model() instanceof Model.Load load
            && running.runs(
                clock,
                faults(s),
                value(s, new Measure.Volts(clock.chip() + "." + load.plus())).mean()
                    - value(s, new Measure.Volts(clock.chip() + "." + load.minus())).mean());
    return runs ? Sight.RUNNING : Sight.STILL;
  }

  /**
   * Gives what a part looks like with a suspect: lit, dim or dark; of a clock, running or still.
   */
  Sight look(int s, String light) {
    Running.Clock clock = clocks.get(light);
    if (clock != null) {
      return clock(s, clock);
    }
    int l = lights.indexOf(light);
    if (!solved(s) || l < 0) {
      return Sight.DARK;
    }
    return Sight.of(lightAmps[row(s)][l], lightAmps[0][l]);
  }

  /** Gives the board with several faults at once; empty when no operating point was found. */
  Optional<Snapshot> together(List<Fault> faults) {
    return solver.with(faults);
  }

  /** Gives what the ohmmeter shows with several faults at once; infinite when open. */
  double exact(List<Fault> faults, Measure.Ohms m) {
    return ohms(ohms.between(m.red(), m.black(), faults));
  }

  /** Gives the current of a light on the board as designed, in amperes. */
  double designedAmps(String light) {
    int l = lights.indexOf(light);
    return l < 0 || designed == null ? 0 : lightAmps[0][l];
  }

  /** Gives the heat in a part with a suspect, in watts. */
  double watts(int s, String ref) {
    Snapshot at = solved(s) ? points.get(row(s)) : null;
    return at == null ? 0 : at.watts(ref);
  }

  /**
   * A value with one σ, in base units; not a number when nothing is known.
   *
   * @param own one σ of what moves it alone
   * @param loose by how much more it may differ where nothing holds it and leaks decide, else 0
   * @param shared by how much each thing that moves many points at once moves it
   * @param feeds so many of these are feeds
   */
  record Value(double mean, double own, double loose, double[] shared, int feeds) {
    private static final double[] NONE = {};
    static final Value UNKNOWN = new Value(Double.NaN, 0);

    Value(double mean, double own) {
      this(mean, own, 0, NONE, 0);
    }

    /** Gives one σ of all that moves it where the volts of the feed are known. */
    double sigma() {
      return whole(Math.hypot(own, loose), shared, feeds);
    }

    boolean floats() {
      return loose > 0;
    }

    double move(int i) {
      return i < shared.length ? shared[i] : 0;
    }
  }
}
