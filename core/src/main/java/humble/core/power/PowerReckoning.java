package humble.core.power;

import humble.core.circuit.Fault;
import humble.core.circuit.FaultSweep;
import humble.core.circuit.Feed;
import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.craft.Rails;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.RefOrder;
import humble.core.kit.Supply;
import humble.core.mend.Habits;
import humble.core.mend.Suspect;
import humble.core.mend.Suspects;
import humble.core.units.Band;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;

/**
 * Reckons the stages of powering a board from its circuit.
 *
 * <p>Windows are those of {@link BoardWindows}; everything else is nominal. The limit is that of
 * {@link SupplyLimit}.
 */
public final class PowerReckoning {
  private static final double SHOWN_MA = 0.1;
  private static final double AMBIENT_RISE_C = 15;
  private static final double HOTTEST_C = 125;
  private static final int MOST_FAULTS = 4;

  /** Twice of what good boards take at most is not a good board. */
  private static final double MUCH = 2;

  private final Parts parts;

  /** Makes the reckoning for one kit. */
  public PowerReckoning(Parts parts) {
    this.parts = parts;
  }

  /** Gives the states that something feeds, in the kit's order. */
  public List<BoardState> states() {
    return parts.kit().states().stream().filter(state -> feed(state).isPresent()).toList();
  }

  private Optional<Feed> feed(BoardState state) {
    return Feed.of(parts, state);
  }

  /**
   * Reckons the stage of a state; empty when the circuit has no operating point or nothing feeds
   * it.
   *
   * @throws humble.core.circuit.Cancelled when {@code cancelled} says so
   */
  public Optional<PoweredStage> stage(BoardState state, BooleanSupplier cancelled) {
    Feed feed = feed(state).orElse(null);
    BoardWindows windows = BoardWindows.of(parts, state).orElse(null);
    if (feed == null || windows == null) {
      return Optional.empty();
    }
    Snapshot board = windows.nominal();
    double nominal = windows.nominalMa(board);
    Band expect = windows.currentMa();
    Double limit =
        feed.limited()
            .map(supply -> SupplyLimit.ma(parts, supply, board, expect.high()))
            .orElse(null);
    double coulombs = Inrush.coulombs(parts, state, board);
    return Optional.of(
        new PoweredStage(
            state.id(),
            feed,
            nominal,
            expect,
            limit,
            SeriesResistor.of(feed.volts(), expect.high()),
            limit == null ? 0 : Inrush.seconds(coulombs, limit, nominal),
            rails(windows),
            hints(state, feed, limit, windows, cancelled),
            heats(windows.boards()),
            lights(board),
            pins(state, board),
            Multiplex.of(parts, state),
            OhmsBefore.of(parts, state, feed).orElse(null),
            Unmodelled.refs(parts, state)));
  }

  private List<PoweredStage.Rail> rails(BoardWindows windows) {
    Snapshot board = windows.nominal();
    List<PoweredStage.Rail> rails = new ArrayList<>();
    for (String net : Rails.of(parts).nets()) {
      if (board.openVolts(net).isPresent() && board.riseOhm(net) < Snapshot.FLOATING_OHM) {
        rails.add(new PoweredStage.Rail(net, windows.volts(net)));
      }
    }
    return rails;
  }

  /** A regulator is hottest at one end of what the supply may be, and in dropout at the other. */
  private static List<PoweredStage.Heat> heats(List<Snapshot> boards) {
    SequencedMap<String, PoweredStage.Heat> heats = new LinkedHashMap<>();
    for (Snapshot board : boards) {
      board
          .regulators()
          .forEach((ref, heat) ->
              heats.merge(
                  ref,
                  new PoweredStage.Heat(
                      ref,
                      heat.watts(),
                      heat.junctionC(),
                      heat.junctionC() + AMBIENT_RISE_C,
                      heat.inDropout()),
                  PowerReckoning::worse));
    }
    return List.copyOf(heats.values());
  }

  private static PoweredStage.Heat worse(PoweredStage.Heat a, PoweredStage.Heat b) {
    PoweredStage.Heat hotter = a.watts() >= b.watts() ? a : b;
    return new PoweredStage.Heat(
        hotter.ref(),
        hotter.watts(),
        hotter.junctionAt25C(),
        hotter.junctionAt40C(),
        a.inDropout() || b.inDropout());
  }

  private List<PoweredStage.Draw> lights(Snapshot board) {
    return board.lights().stream()
        .filter(board::lit)
        .map(ref -> new PoweredStage.Draw(ref, board.amps(ref) * 1000, most(ref)))
        .toList();
  }

  private @Nullable Double most(String ref) {
    return parts.part(ref).map(part -> part.line().maxMa()).orElse(null);
  }

  /** What a driven pin carries follows from the drop over its output's resistance. */
  private List<PoweredStage.Draw> pins(BoardState state, Snapshot board) {
    List<PoweredStage.Draw> pins = new ArrayList<>();
    state.drive().keySet().stream()
        .sorted(RefOrder.NATURAL)
        .forEach(text -> {
          PinRef pin = PinRef.parse(text).flatMap(parts::canonical).orElse(null);
          String level = state.drive().get(text);
          if (pin == null
              || level == null
              || level.equals("off")
              || !parts.isOn(pin.ref(), state)
              || !(parts.get(pin.ref()).model() instanceof Model.Load load)) {
            return;
          }
          String rail = pin.ref() + "." + (level.equals("high") ? load.plus() : load.minus());
          double drop = board.openVolts(rail).orElse(0) - board.openVolts(pin.toString()).orElse(0);
          double ma = 1000 * drop / load.outputOhm(pin.pin());
          if (Math.abs(ma) >= SHOWN_MA) {
            pins.add(new PoweredStage.Draw(pin.toString(), ma, most(pin.ref())));
          }
        });
    return pins;
  }

  /**
   * What the bridges and the parts the wrong way round do, and the joints that all current passes.
   */
  private List<PoweredStage.Hint> hints(
      BoardState state,
      Feed feed,
      @Nullable Double limitMa,
      BoardWindows windows,
      BooleanSupplier cancelled) {
    Band expect = windows.currentMa();
    Supply supply = feed.limited().orElse(null);
    Parts limited =
        supply == null || limitMa == null
            ? parts
            : parts.with(KitEdits.withSupply(parts.kit(), supply.with(supply.volts(), limitMa)));
    List<Suspect> suspects =
        Suspects.of(limited, state, Habits.usual()).stream()
            .filter(suspect -> tells(suspect.fault().orElse(null)))
            .filter(suspect ->
                suspect.fault().stream()
                    .flatMap(fault -> fault.refs().stream())
                    .allMatch(ref -> parts.isOn(ref, state)))
            .sorted((a, b) -> Double.compare(b.prior(), a.prior()))
            .toList();
    Map<Fault, Optional<Snapshot>> solved =
        new FaultSweep(limited, new StateSolver(limited, state))
            .of(suspects.stream().flatMap(s -> s.fault().stream()).toList(), cancelled);
    Map<PoweredStage.Sign, List<Fault>> shown = new EnumMap<>(PoweredStage.Sign.class);
    solved.forEach((fault, board) ->
        board
            .flatMap(at -> sign(at, windows.nominalMa(at), expect))
            .ifPresent(sign -> shown.computeIfAbsent(sign, key -> new ArrayList<>()).add(fault)));
    List<PoweredStage.Hint> hints = new ArrayList<>();
    shown.forEach((sign, faults) -> hints.add(new PoweredStage.Hint(sign, first(faults))));
    return hints;
  }

  private static Optional<PoweredStage.Sign> sign(Snapshot board, double ma, Band expect) {
    if (board.limited()) {
      return Optional.of(PoweredStage.Sign.LIMIT);
    }
    if (ma > MUCH * expect.high() + SHOWN_MA) {
      return Optional.of(PoweredStage.Sign.MUCH);
    }
    return ma < expect.low() / 2 ? Optional.of(PoweredStage.Sign.LITTLE) : Optional.empty();
  }

  private boolean tells(@Nullable Fault fault) {
    return switch (fault) {
      case Fault.Bridge f -> true;
      case Fault.Reversed f -> true;
      case Fault.OpenJoint f -> passesAll(f.pin().ref());
      case Fault.Cold f -> false;
      case Fault.Swapped f -> false;
      case Fault.WrongValue f -> false;
      case Fault.Missing f -> false;
      case Fault.Dead f -> false;
      case Fault.Blank f -> false;
      case Fault.Stuck f -> false;
      case Fault.Off f -> false;
      case null -> false;
    };
  }

  private boolean passesAll(String ref) {
    Part part = parts.get(ref);
    return part.line().kind().isThreeLegged()
        || part.line().kind().isDiode()
        || parts.kit().supplies().stream().anyMatch(supply -> SupplyLimit.feeds(supply, ref));
  }

  private static List<Fault> first(List<Fault> faults) {
    return faults.subList(0, Math.min(MOST_FAULTS, faults.size()));
  }

  /** What is to be warned of. */
  public sealed interface Warning {
    /** A regulator's junction passes 125 °C at 40 °C around. */
    record Hot(String state, String ref, double junctionC) implements Warning {}

    /** A regulator has too little above its output. */
    record Dropout(String state, String ref) implements Warning {}

    /** A light or an output carries more than the part survives. */
    record Over(String state, String at, double ma, double mostMa) implements Warning {}

    /** A battery is at or below its cut-off under load. */
    record Flat(String state, String ref, double volts, double cutoffV) implements Warning {}

    /** Parts take current of which the kit says nothing. */
    record Unknown(String state, List<String> refs) implements Warning {
      public Unknown {
        refs = List.copyOf(refs);
      }
    }

    /** The circuit has no operating point. */
    record Unsolved(String state) implements Warning {}
  }

  /** Gives the warnings of the stages reckoned, and of the batteries in {@code states}. */
  public List<Warning> warnings(List<PoweredStage> stages, List<BoardState> states) {
    List<Warning> warnings = new ArrayList<>();
    for (PoweredStage stage : stages) {
      for (PoweredStage.Heat heat : stage.heats()) {
        if (heat.junctionAt40C() > HOTTEST_C) {
          warnings.add(new Warning.Hot(stage.state(), heat.ref(), heat.junctionAt40C()));
        }
        if (heat.inDropout()) {
          warnings.add(new Warning.Dropout(stage.state(), heat.ref()));
        }
      }
      if (!stage.unmodelled().isEmpty()) {
        warnings.add(new Warning.Unknown(stage.state(), stage.unmodelled()));
      }
      for (List<PoweredStage.Draw> draws : List.of(stage.lights(), stage.pins())) {
        for (PoweredStage.Draw draw : draws) {
          Double most = draw.mostMa();
          if (most != null && Math.abs(draw.ma()) > most) {
            warnings.add(new Warning.Over(stage.state(), draw.at(), draw.ma(), most));
          }
        }
      }
    }
    for (BoardState state : states) {
      if (feed(state).isPresent()
          && stages.stream().noneMatch(stage -> stage.state().equals(state.id()))) {
        warnings.add(new Warning.Unsolved(state.id()));
      }
    }
    warnings.addAll(new BatteryLife(parts).flat(states));
    return warnings;
  }
}
