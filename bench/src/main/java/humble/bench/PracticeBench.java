package humble.bench;

import humble.bench.panel.FrontPanel;
import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcResult;
import humble.core.circuit.DcSolver;
import humble.core.circuit.Fault;
import humble.core.circuit.Feed;
import humble.core.craft.WindingPlan;
import humble.core.kit.BoardState;
import humble.core.kit.Firmware;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Measured;
import humble.core.kit.Model;
import humble.core.kit.Panel;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.stock.Meter;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.units.Spread;
import humble.core.wake.DisplaySetting;
import humble.core.wake.LightScan;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A simulated bench: board, meter and supply. Every answer comes from the circuit, with the meter's
 * own error on it; faults are put into the circuit, never into the answers. The same seed is the
 * same bench.
 */
public final class PracticeBench {
  private static final double RAIL_ALIVE_V = 2.0;

  /** Wires wound by hand differ by about so much in length. */
  private static final double COIL_SPREAD = 0.05;

  private static final double LEADS_OHM = 0.15;

  private volatile Parts parts;
  private final Kit kit;
  private final Meter meter;
  private volatile List<Fault> faults;
  private final double meterBias;
  private final long seed;
  private volatile @Nullable Powered underPower;
  private final Map<String, Optional<SimulatedBoard>> boards = new ConcurrentHashMap<>();
  private final Map<String, SimulatedDisplay> displays = new HashMap<>();
  private final Map<String, Double> truePartRatio = new HashMap<>();
  private final Map<String, SimulatedController> controllers = new HashMap<>();

  /**
   * Makes a bench.
   *
   * @param parts the kit
   * @param seed what the parts, the meter and the display's mounting are drawn from
   * @param faults what is wrong with the board
   */
  public PracticeBench(Parts parts, long seed, List<Fault> faults) {
    this.parts = parts;
    this.kit = parts.kit();
    this.faults = List.copyOf(faults);
    this.meter = Meter.USUAL;
    this.seed = seed;
    Random random = new Random(seed);
    this.meterBias = random.nextDouble() * 2 - 1;
    kit.lines()
        .forEach(line ->
            truePartRatio.put(
                line.id(), Math.clamp(Spread.sigma(random.nextGaussian()), -0.9, 0.9)));
    for (Peripheral peripheral : kit.peripherals()) {
      if (peripheral instanceof Peripheral.Display display) {
        displays.put(display.id(), SimulatedDisplay.drawn(display, random, seed));
      }
    }
    kit.firmware()
        .targets()
        .forEach(target -> controllers.put(target.id(), new SimulatedController(target)));
  }

  /** Gives the line to the controller of {@code target}. */
  public SerialLink link(Firmware.Target target) {
    return controllers.computeIfAbsent(target.id(), id -> new SimulatedController(target));
  }

  /**
   * Reads the value of a part of {@code line} with the bench's meter, to three and a half digits.
   */
  public OptionalDouble measureLine(String line) {
    return kit.line(line).stream()
        .flatMap(l ->
            Quantity.parse(l.value()) instanceof QuantityText.Read read
                ? Stream.of(
                    read.value()
                        * (1 + truePartRatio.getOrDefault(line, 0.0) * tolerance(l.tolerancePct())))
                : Stream.of())
        .mapToDouble(this::shown)
        .findFirst();
  }

  /**
   * Reads a coil from end to end: its copper, wound a little longer or shorter than planned, and
   * the leads of the meter, in tenths of an ohm.
   */
  public double measureCoil(WindingPlan.Coil coil) {
    Random random = new Random(seed * 31 + coil.id().hashCode());
    double copper = coil.ohms() * (1 + COIL_SPREAD * (random.nextDouble() * 2 - 1));
    double leads = LEADS_OHM * (1 + random.nextDouble());
    return Math.round((copper + leads) * 10) / 10.0;
  }

  private static double tolerance(@Nullable Double pct) {
    return (pct == null ? 5 : pct) / 100;
  }

  /** What the bench shows at a gate. */
  public record Shown(double reading, double supplyMa, boolean limited) {}

  /**
   * Reads a gate with the supply at {@code limitMa}, null where none limits; empty when the circuit
   * has no operating point, or nothing feeds what is measured powered.
   */
  public Optional<Shown> read(Gate gate, @Nullable Double limitMa) {
    BoardState state = kit.state(gate.state()).orElse(null);
    Measure measure = state == null ? null : measure(gate, state).orElse(null);
    if (state == null || measure == null) {
      return Optional.empty();
    }
    return board(state)
        .flatMap(board ->
            board.answer(measure) instanceof Observation.Reading reading
                ? Optional.of(
                    new Shown(
                        gate.measure() == Measured.CURRENT ? board.supplyAmps() : reading.value(),
                        board.supplyAmps() * 1000,
                        limitMa != null
                            && (board.limited() || board.supplyAmps() * 1000 >= limitMa)))
                : Optional.empty());
  }

  private Optional<Measure> measure(Gate gate, BoardState state) {
    boolean two = gate.at().size() == 2;
    return switch (gate.measure()) {
      case VOLTAGE ->
          two
              ? Optional.of(new Measure.Across(gate.at().getFirst(), gate.at().getLast()))
              : Optional.empty();
      case CURRENT -> Feed.of(parts, state).map(feed -> new Measure.Amps(feed.id()));
      case RESISTANCE, CONTINUITY ->
          two
              ? Optional.of(new Measure.Ohms(gate.at().getFirst(), gate.at().getLast()))
              : Optional.empty();
    };
  }

  /**
   * Gives the board in a state, with meter and supply on it: the same board every time. Empty when
   * its circuit has no operating point.
   */
  public Optional<SimulatedBoard> board(BoardState state) {
    return boards.computeIfAbsent(state.id(), id -> SimulatedBoard.of(parts, state, faults, seed));
  }

  /** Lays the board on the bench as it has been built so far; what is wrong with it stays. */
  public void lay(Parts built) {
    if (!parts.built().equals(built.built())) {
      parts = built;
      boards.clear();
    }
  }

  /** Puts other faults on the board, in every state of it; what its controller holds stays. */
  public void put(List<Fault> others) {
    if (!faults.equals(others)) {
      faults = List.copyOf(others);
      boards.clear();
    }
  }

  /** Gives what parts and meter are drawn from. */
  public long seed() {
    return seed;
  }

  private double volts(DcResult result, String at) {
    Double volts = parts.net(at).map(result::volts).orElse(null);
    return volts == null ? 0 : volts;
  }

  /** Puts the meter's error on a true value and rounds it to what a 2000-count display shows. */
  private double shown(double trueValue) {
    double digit =
        Math.pow(10, Math.floor(Math.log10(Math.max(Math.abs(trueValue), 1e-12) / 2)) - 2);
    double reading = trueValue + meterBias * 0.6 * meter.uncertainty(trueValue, digit);
    return Math.round(reading / digit) * digit;
  }

  /** Gives what the lights of a matrix show, scan step by scan step. */
  public LightScan lights(Peripheral.Matrix matrix, BoardState powered) {
    return new LightsShow(parts, matrix, powered).with(faults);
  }

  /**
   * Gives how the display's figure looks: the module's mounting after the setting the controller
   * was given.
   */
  public DisplaySetting.Seen figure(Peripheral.Display display, DisplaySetting setting) {
    return Objects.requireNonNull(displays.get(display.id()), display.id()).seen(setting);
  }

  /** Tells whether the display has its supply in {@code powered}. */
  public boolean displayPowered(Peripheral.Display display, BoardState powered) {
    if (parts.part(display.part()).map(p -> p.model()).orElse(null) instanceof Model.Load load
        && new DcSolver(parts).solve(powered, faults) instanceof DcOutcome.Solved solved) {
      double plus = lead(solved.result(), display.part() + "." + load.plus());
      double minus = lead(solved.result(), display.part() + "." + load.minus());
      return plus - minus > RAIL_ALIVE_V;
    }
    return false;
  }

  /** Gives the volts on the part's own lead, which an open joint lifts off its pad. */
  private double lead(DcResult result, String pin) {
    if (result.pins().containsKey(pin)) {
      Double volts = result.pins().get(pin);
      return volts == null ? 0 : volts;
    }
    return volts(result, pin);
  }

  /** Gives what the board shows when its peripherals are tried. */
  public SimulatedWake wake() {
    return new SimulatedWake(parts, faults);
  }

  /** A front panel under power, with what is wrong with its board. */
  private record Powered(FrontPanel front, SimulatedPanel wires, List<Fault> faults) {}

  /**
   * Does something at the front panel, which keeps its memory from one call to the next: it is
   * under power from the first on, until it is switched off or something else is wrong with the
   * board. Empty where the nets do not say which leg belongs to which line. For one thread at a
   * time.
   *
   * @param act takes the panel and what is left of each key
   */
  public synchronized <T> Optional<T> atPanel(
      Panel panel,
      BoardState powered,
      BiFunction<FrontPanel, Function<Panel.Key, Optional<Panel.Key>>, T> act) {
    Powered now = underPower;
    if (now == null || !now.faults().equals(faults)) {
      now =
          wake()
              .panel(panel, powered)
              .map(wires -> new Powered(new FrontPanel(new Random(seed), wires), wires, faults))
              .orElse(null);
      underPower = now;
    }
    return Optional.ofNullable(now).map(on -> act.apply(on.front(), on.wires()::pressed));
  }

  /** Switches the front panel off: what was in its memory is gone. */
  public void panelOff() {
    underPower = null;
  }

  /** Tells whether the front panel is under power. */
  public boolean isPanelOn() {
    return underPower != null;
  }

  /** Gives what is wrong with this board, for the end of a drill. */
  public List<Fault> faults() {
    return new ArrayList<>(faults);
  }
}
