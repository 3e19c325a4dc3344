package humble.core.circuit;

import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Which chips run their program in a state: beyond direct current, but it decides what their pins
 * do. One whose reset is held low, or whose clock is broken, drives nothing.
 */
public final class Running {
  /** A reset that only this many ohms hold low is as good as left alone. */
  private static final double HELD_OHM = 1e6;

  /** Below this part of its supply a chip takes its reset for low. */
  private static final double LOW_PART = 0.4;

  /** No clock runs on less. */
  private static final double LEAST_CLOCK_V = 1.5;

  private final Parts parts;
  private final Set<String> gone;
  private final Set<String> driving = new LinkedHashSet<>();
  private final List<Clock> clocks;

  /** Looks at the chips of {@code parts} in {@code state}. */
  public Running(Parts parts, BoardState state) {
    this.parts = parts;
    this.gone = parts.gone(state);
    state
        .drive()
        .forEach((text, level) ->
            PinRef.parse(text)
                .flatMap(parts::canonical)
                .filter(pin -> !level.equals("off"))
                .ifPresent(pin -> driving.add(pin.ref())));
    this.clocks = found();
  }

  /** A chip with a crystal, and where both are: what a probe can find running or still. */
  public record Clock(String chip, String crystal, List<String> nets) {
    public Clock {
      nets = List.copyOf(nets);
    }
  }

  /** Gives the clocks that are on the board. */
  public List<Clock> clocks() {
    return clocks;
  }

  /**
   * Tells whether a clock runs: nothing breaks its way round, and its chip is there and fed.
   *
   * @param acrossV volts from the chip's minus to its plus
   */
  public boolean runs(Clock clock, List<Fault> faults, double acrossV) {
    boolean broken =
        faults.stream()
            .anyMatch(fault ->
                stillWith(fault).contains(clock.chip())
                    || fault.equals(new Fault.Missing(clock.chip()))
                    || fault.equals(new Fault.Dead(clock.chip())));
    return !broken
        && parts.get(clock.chip()).model() instanceof Model.Load load
        && acrossV >= Math.max(load.minV(), LEAST_CLOCK_V);
  }

  private List<Clock> found() {
    List<Clock> clocks = new ArrayList<>();
    for (Part chip : parts.all()) {
      if (chip.model() instanceof Model.Load load
          && load.starts().clocked()
          && !gone.contains(chip.ref())) {
        clock(chip, load).ifPresent(clocks::add);
      }
    }
    return List.copyOf(clocks);
  }

  private Optional<Clock> clock(Part chip, Model.Load load) {
    List<String> nets =
        load.starts().clockPins().stream()
            .flatMap(pin -> parts.netOf(new PinRef(chip.ref(), pin)).stream())
            .toList();
    return parts.all().stream()
        .filter(part ->
            part.line().kind() == PartKind.CRYSTAL || part.line().kind() == PartKind.RESONATOR)
        .filter(part -> !gone.contains(part.ref()))
        .filter(part -> nets.size() == 2 && on(part, nets.get(0)) && on(part, nets.get(1)))
        .map(part -> new Clock(chip.ref(), part.ref(), nets))
        .findFirst();
  }

  private boolean on(Part part, String net) {
    return parts.kit().nets().getOrDefault(net, List.of()).stream()
        .anyMatch(pin -> pin.ref().equals(part.ref()));
  }

  /** Gives the chips whose clock stands with a fault: no crystal between their two pins. */
  public List<String> stillWith(Fault fault) {
    return clocks.stream().filter(clock -> breaks(fault, clock)).map(Clock::chip).toList();
  }

  /** Gives the chips that drive pins in this state, and with a fault do not: their clock stands. */
  List<String> stoppedBy(Fault fault) {
    return stillWith(fault).stream().filter(driving::contains).toList();
  }

  /** Tells whether a chip drives any pin in this state. */
  public boolean drives(String ref) {
    return driving.contains(ref);
  }

  private boolean breaks(Fault fault, Clock clock) {
    return switch (fault) {
      case Fault.OpenJoint f -> isOf(f.pin(), clock);
      case Fault.Bridge f -> touches(f.a(), clock) || touches(f.b(), clock);
      case Fault.Missing f -> f.ref().equals(clock.crystal());
      case Fault.Dead f -> f.ref().equals(clock.crystal());
      case Fault.Swapped f -> f.a().equals(clock.crystal()) || f.b().equals(clock.crystal());
      // Some ohms in series do not stop it, and a crystal has no way round.
      case Fault.Cold f -> false;
      case Fault.Reversed f -> f.ref().equals(clock.chip());
      case Fault.WrongValue f -> false;
      case Fault.Blank f -> false;
      case Fault.Stuck f -> false;
      case Fault.Off f -> false;
    };
  }

  /** A joint of the chip or of the crystal on the way round; capacitors only pull the frequency. */
  private boolean isOf(PinRef pin, Clock clock) {
    boolean ends = pin.ref().equals(clock.chip()) || pin.ref().equals(clock.crystal());
    return ends && touches(pin, clock);
  }

  private boolean touches(PinRef pin, Clock clock) {
    return parts.canonical(pin).flatMap(parts::netOf).filter(clock.nets()::contains).isPresent();
  }

  /**
   * Gives, as faults, the chips that their reset holds still at an operating point, though the
   * state has them drive pins.
   */
  List<Fault> held(Newton run) {
    List<Fault> held = new ArrayList<>();
    for (String ref : driving) {
      if (parts.get(ref).model() instanceof Model.Load load
          && load.starts().resetPin() instanceof String pin
          && isLow(run, ref, pin, load)) {
        held.add(new Fault.Blank(ref));
      }
    }
    return held;
  }

  /** Gives {@code faults} and what follows from them. */
  static List<Fault> with(List<Fault> faults, List<Fault> held) {
    List<Fault> all = new ArrayList<>(faults);
    all.addAll(held);
    return all;
  }

  private boolean isLow(Newton run, String ref, String pin, Model.Load load) {
    String reset = ref + "." + pin;
    double minus = volts(run, ref + "." + load.minus());
    double supply = volts(run, ref + "." + load.plus()) - minus;
    return supply > 0.5
        && volts(run, reset) - minus < LOW_PART * supply
        && new Snapshot(parts, run, false, false).riseOhm(reset) < HELD_OHM;
  }

  private double volts(Newton run, String pin) {
    Integer lifted = run.circuit().nodeOfPin().get(pin);
    Integer node =
        lifted != null
            ? lifted
            : parts.net(pin).map(net -> run.circuit().nodeOfNet().get(net)).orElse(null);
    return node == null || node < 0 ? 0 : run.volts()[node];
  }
}
