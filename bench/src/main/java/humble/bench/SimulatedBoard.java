package humble.bench;

import humble.core.circuit.Fault;
import humble.core.circuit.Feed;
import humble.core.circuit.OhmBench;
import humble.core.circuit.Running;
import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Parts;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.mend.Sight;
import humble.core.power.SeriesDrop;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;

/**
 * A simulated board in one state, whose parts differ as parts as sold do, with a meter and a supply
 * on it. Every answer comes from the circuit with the faults in it; the meter adds its own error.
 * The same seed is the same board.
 */
public final class SimulatedBoard {
  private static final double DIODE_V = 2.5;
  private static final double DIODE_A = 1e-3;
  private static final double BEEP_OHM = 30;

  private final Parts parts;
  private final BoardState state;
  private final List<Fault> faults;
  private final Snapshot board;
  private final StateSolver solver;
  private final OhmBench ohms;
  private final SimulatedMeter meter;

  private SimulatedBoard(
      Parts parts,
      BoardState state,
      List<Fault> faults,
      StateSolver solver,
      Snapshot board,
      SimulatedMeter meter) {
    this.parts = parts;
    this.state = state;
    this.faults = List.copyOf(faults);
    this.solver = solver;
    this.board = board;
    this.ohms = new OhmBench(parts, state);
    this.meter = meter;
  }

  /** Makes a board; empty when its circuit has no operating point. */
  public static Optional<SimulatedBoard> of(
      Parts kit, BoardState state, List<Fault> faults, long seed) {
    Random random = new Random(seed);
    SimulatedMeter meter = new SimulatedMeter(random);
    Parts drawn = kit.with(PartsAsSold.of(kit, seed, random));
    StateSolver solver = new StateSolver(drawn, state);
    return solver.with(faults).map(b -> new SimulatedBoard(drawn, state, faults, solver, b, meter));
  }

  /** Gives the state the board is in. */
  public BoardState state() {
    return state;
  }

  /** Gives what is wrong with the board, for the end of a drill. */
  public List<Fault> faults() {
    return faults;
  }

  /** Measures. */
  public Observation answer(Measure measure) {
    return switch (measure) {
      case Measure.Volts m -> reading(m, board.meterVolts(m.point()).orElse(0));
      case Measure.Across m -> reading(m, board.meterVolts(m.red(), m.black()).orElse(0));
      case Measure.Amps m -> {
        SimulatedMeter.Shown shown = meter.amps(board.sourceA(m.source()));
        yield new Observation.Reading(m, shown.value(), shown.lastDigit());
      }
      case Measure.Ohms m -> {
        OhmBench.Tested found = ohms.tested(m.red(), m.black(), 0.2, 1e-4, faults).orElse(null);
        double value = found == null ? OhmBench.OPEN_OHM * 2 : found.volts() / found.amps();
        if (value > OhmBench.OPEN_OHM || value < 0) {
          yield new Observation.Reading(m, Double.POSITIVE_INFINITY, 0);
        }
        SimulatedMeter.Shown shown = meter.ohms(value);
        yield new Observation.Reading(m, shown.value(), shown.lastDigit());
      }
      case Measure.Look m -> new Observation.Seen(look(m.ref()), m.ref());
    };
  }

  private Observation reading(Measure measure, double volts) {
    SimulatedMeter.Shown shown = meter.volts(volts);
    return new Observation.Reading(measure, shown.value(), shown.lastDigit());
  }

  /** Looks at a light, or whether a clock runs. */
  public Sight look(String ref) {
    Running running = new Running(parts, state);
    for (Running.Clock clock : running.clocks()) {
      if (clock.crystal().equals(ref)) {
        return runs(running, clock) ? Sight.RUNNING : Sight.STILL;
      }
    }
    double amps = board.amps(ref);
    double full = solver.asDesigned().map(designed -> designed.amps(ref)).orElse(0.0);
    return Sight.of(board.amps(ref), full);
  }

  private boolean runs(Running running, Running.Clock clock) {
    return parts.get(clock.chip()).model() instanceof Model.Load load
        && running.runs(
            clock,
            faults,
            board
                .meterVolts(clock.chip() + "." + load.plus(), clock.chip() + "." + load.minus())
                .orElse(0));
  }

  /** Gives what the supply or the batteries give, in amperes. */
  public double supplyAmps() {
    double amps = Feed.of(parts, state).map(feed -> feed.ma(board) / 1000).orElse(0.0);
    return meter.amps(amps).value();
  }

  /** Reads the volts across a resistor in the plus lead; empty when nothing feeds the board. */
  public OptionalDouble seriesVolts(double seriesOhms) {
    return new SeriesDrop(parts, state, faults)
        .volts(seriesOhms).stream().map(volts -> meter.volts(volts).value()).findFirst();
  }

  /** Tells whether the supply's limit light is on. */
  public boolean limited() {
    return board.limited();
  }

  /** Tests a diode: volts at a milliampere, empty above 2.5 V. */
  public Optional<Double> diode(String red, String black) {
    return ohms.tested(red, black, DIODE_V, DIODE_A, faults)
        .filter(found -> found.amps() > 0.9 * DIODE_A)
        .map(found -> meter.volts(found.volts()).value());
  }

  /** Tells whether the meter beeps between two nets: less than 30 Ω. */
  public boolean continuity(String red, String black) {
    return beeps(ohms.tested(red, black, 0.2, DIODE_A, faults));
  }

  /** Tells whether it beeps with its probes on the leads of parts themselves. */
  public boolean goesThrough(String red, String black) {
    return beeps(ohms.testedOnLeads(red, black, 0.2, DIODE_A, faults));
  }

  private static boolean beeps(Optional<OhmBench.Tested> tested) {
    return tested
        .filter(found -> found.amps() > 0 && found.volts() / found.amps() < BEEP_OHM)
        .isPresent();
  }
}
