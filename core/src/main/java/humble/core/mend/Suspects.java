package humble.core.mend;

import humble.core.circuit.Fault;
import humble.core.circuit.Running;
import humble.core.craft.CloseCall;
import humble.core.kit.Board;
import humble.core.kit.BoardState;
import humble.core.kit.Cable;
import humble.core.kit.KitFault;
import humble.core.kit.LeadClass;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.likeness.Eyes;
import humble.core.likeness.Light;
import humble.core.likeness.LookAlikes;
import humble.core.stock.MeterProfile;
import humble.core.units.Engineering;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * All single faults that a board in one state may have, with what each is worth before anything was
 * measured: the share of its kind, spread over the faults of the kind by the class of the joint,
 * the gap between pads, the marks that tell which way round, and how alike two lines look.
 */
public final class Suspects {
  private static final double NEIGHBOUR_PITCH_MM = 2.6;
  private static final double DECADE = 10;
  private static final double USUAL_WEIGHT = 1;
  private static final double LOOK_ALIKE_WEIGHT = 20;

  /** What a cold joint may have: one suspect, each as likely. */
  private static final double[] COLD_OHM = {30, Fault.Cold.USUAL_OHM, 300};

  private static final double LOOKED_GOOD = 0.3;
  private static final double LOOKED_BAD = 8;
  private static final double CABLE_TURNED = 4;
  private static final double CABLE_OFF = 3;

  /** What a machine soldered and somebody proved is wrong a tenth as often. */
  private static final double SOLDERED_BEFORE = 0.1;

  private final Parts parts;
  private final BoardState state;
  private final Running running;
  private final Set<String> clocks = new HashSet<>();
  private final Map<FaultKind, Map<Fault, Double>> weights = new EnumMap<>(FaultKind.class);
  private final List<Part> here = new ArrayList<>();
  private final Map<String, Double> confusion = new HashMap<>();
  private final Map<String, String> joints;

  private Suspects(Parts parts, BoardState state, Map<String, String> joints) {
    this.parts = parts;
    this.state = state;
    this.running = new Running(parts, state);
    running.clocks().forEach(clock -> clocks.add(clock.crystal()));
    this.joints = joints;
    Set<String> gone = parts.gone(state);
    parts.all().stream().filter(part -> !gone.contains(part.ref())).forEach(here::add);
    for (LookAlikes.Pair pair :
        LookAlikes.of(parts.kit(), Light.WARM, Eyes.NORMAL, MeterProfile.USUAL).pairs()) {
      confusion.put(pair.a() + "/" + pair.b(), pair.confusion());
      confusion.put(pair.b() + "/" + pair.a(), pair.confusion());
    }
  }

  /** Gives the suspects of {@code state} in a fixed order; their priors add up to 1. */
  public static List<Suspect> of(Parts parts, BoardState state, Habits habits) {
    return of(parts, state, habits, Map.of());
  }

  /**
   * Gives the suspects of {@code state} in a fixed order; their priors add up to 1.
   *
   * @param joints what was seen at joints under the magnifier, by {@code REF.PIN}: {@code good}, or
   *     what was wrong
   */
  public static List<Suspect> of(
      Parts parts, BoardState state, Habits habits, Map<String, String> joints) {
    Suspects all = new Suspects(parts, state, joints);
    all.here.forEach(all::joints);
    all.bridges();
    all.here.forEach(all::wholePart);
    all.outputs();
    all.cables();
    all.switchedOff();
    all.swaps();
    List<Suspect> suspects = new ArrayList<>();
    for (FaultKind kind : FaultKind.values()) {
      Map<Fault, Double> ofKind = all.weighed(kind);
      double sum = ofKind.values().stream().mapToDouble(w -> w).sum();
      ofKind.forEach(
          (fault, weight) -> suspects.add(Suspect.of(fault, habits.share(kind) * weight / sum)));
    }
    for (KitFault fault : parts.kit().faults()) {
      double moved = habits.share(FaultKind.KIT) / Habits.usual().share(FaultKind.KIT);
      suspects.add(Suspect.of(fault, fault.prior() * moved));
    }
    double total = suspects.stream().mapToDouble(Suspect::prior).sum();
    List<Suspect> weighed = new ArrayList<>();
    suspects.forEach(suspect -> weighed.add(suspect.times((1 - Suspect.NOTHING_PRIOR) / total)));
    weighed.add(Suspect.NOTHING);
    return List.copyOf(weighed);
  }

  private Map<Fault, Double> weighed(FaultKind kind) {
    return weights.computeIfAbsent(kind, key -> new LinkedHashMap<>());
  }

  /**
   * Draws one of {@code suspects} that is a fault of the board, each as often as its prior says: a
   * bench that is not switched on is none.
   */
  public static Suspect drawn(List<Suspect> suspects, Random random) {
    List<Suspect> faults =
        suspects.stream()
            .filter(each -> !each.isNothing())
            .filter(each -> each.fault().filter(Fault.Off.class::isInstance).isEmpty())
            .toList();
    double at = random.nextDouble() * faults.stream().mapToDouble(Suspect::prior).sum();
    for (Suspect suspect : faults) {
      at -= suspect.prior();
      if (at <= 0) {
        return suspect;
      }
    }
    return faults.getLast();
  }

  private void add(Fault fault, double weight) {
    weighed(FaultKind.of(fault)).merge(fault, weight, Math::max);
  }

  /**
   * A joint on tabs or copper that soaks heat is the one that stays dry; so is a small flat one.
   */
  private void joints(Part part) {
    double weight =
        switch (part.pack().lead()) {
          case THIN -> 1;
          case PIN -> 1.1;
          case TAB -> 1.4;
          case SMD -> 1.8;
        };
    // What carries no direct current shows later or never; it rarely is what somebody noticed.
    boolean cabled = parts.kit().handwork().cableAt(part.ref()).isPresent();
    double noticed = part.model() instanceof Model.Open && !cabled ? 0.25 : 1;
    boolean socketed = parts.socketOf(part.ref()).isPresent();
    for (PackagePin pin : part.pack().pins()) {
      PinRef ref = new PinRef(part.ref(), pin.number());
      if (parts.netOf(ref).isPresent()) {
        double own = seen(ref) * hand(part.ref()) * noticed * (socketed ? 1.5 * weight : weight);
        add(new Fault.OpenJoint(ref), own);
        for (double ohms : COLD_OHM) {
          add(new Fault.Cold(ref, ohms), own);
        }
      }
    }
  }

  /** What was seen under the magnifier makes a bad joint there more likely, or less. */
  private double seen(PinRef pin) {
    String looked = joints.get(pin.toString());
    return looked == null ? 1 : looked.equals("good") ? LOOKED_GOOD : LOOKED_BAD;
  }

  /** Tells how much likelier the mistakes of a hand are than those of whoever soldered before. */
  private double hand(String ref) {
    return parts.part(ref).filter(part -> part.line().isOnBoard()).isPresent()
        ? SOLDERED_BEFORE
        : 1;
  }

  /** What a chip does with its pins: no program, or one that stands. */
  private void outputs() {
    Set<String> programmed = new HashSet<>();
    parts.kit().firmware().targets().forEach(target -> programmed.add(target.ref()));
    for (Part part : here) {
      if (part.model() instanceof Model.Load load && running.drives(part.ref())) {
        if (load.starts().waits() || programmed.contains(part.ref())) {
          add(new Fault.Blank(part.ref()), USUAL_WEIGHT);
        }
      }
    }
    state
        .drive()
        .forEach((text, level) -> {
          PinRef pin = PinRef.parse(text).flatMap(parts::canonical).orElse(null);
          if (pin != null && !level.equals("off") && parts.isOn(pin.ref(), state)) {
            add(new Fault.Stuck(pin, level.equals(Fault.LOW)), USUAL_WEIGHT);
          }
        });
  }

  /** Before anything is broken: is it on, and is the plug home. */
  private void switchedOff() {
    if (state.supply() != null) {
      add(new Fault.Off(Fault.Off.SUPPLY), USUAL_WEIGHT);
    }
    state.closed().stream()
        .filter(ref -> here.stream().anyMatch(part -> part.ref().equals(ref)))
        .filter(ref ->
            parts.part(ref).map(Part::model).orElse(null) instanceof Model.Switch own
                && !own.closed())
        .forEach(ref -> add(new Fault.Off(ref), USUAL_WEIGHT));
  }

  /** A cable is plugged in the wrong way round at one end, or not at all. */
  private void cables() {
    Set<String> on = here.stream().map(Part::ref).collect(Collectors.toSet());
    for (Cable cable : parts.kit().handwork().cables()) {
      boolean plugged = !parts.built().notThere().contains(cable.id());
      if (plugged && on.contains(cable.a()) && on.contains(cable.b())) {
        add(new Fault.Reversed(cable.id()), CABLE_TURNED);
        add(new Fault.Missing(cable.id()), CABLE_OFF);
      }
    }
  }

  private void bridges() {
    for (Board board : parts.kit().boards()) {
      for (CloseCall call : CloseCall.on(parts, board.id())) {
        bridge(carrier(call.a()), carrier(call.b()), call.gapMm() < CloseCall.CLOSE_MM ? 2 : 1);
      }
    }
    for (Part part : here) {
      if (part.line().kind() == PartKind.SOCKET) {
        continue;
      }
      double weight = part.pack().lead() == LeadClass.SMD ? 1.5 : 1;
      List<PackagePin> pins = part.pack().pins();
      for (int i = 0; i < pins.size(); i++) {
        for (int k = i + 1; k < pins.size(); k++) {
          if (pins.get(i).at().distanceMm(pins.get(k).at()) <= NEIGHBOUR_PITCH_MM) {
            bridge(
                new PinRef(part.ref(), pins.get(i).number()),
                new PinRef(part.ref(), pins.get(k).number()),
                weight);
          }
        }
      }
    }
  }

  /** A socket's pads carry the nets of the chip that goes into it. */
  private PinRef carrier(PinRef pad) {
    return parts.chipIn(pad.ref()).map(chip -> new PinRef(chip, pad.pin())).orElse(pad);
  }

  private void bridge(PinRef a, PinRef b, double weight) {
    Optional<String> netA = parts.netOf(a);
    Optional<String> netB = parts.netOf(b);
    if (netA.isPresent() && netB.isPresent() && !netA.equals(netB)) {
      Fault turned = new Fault.Bridge(b, a);
      add(
          weighed(FaultKind.SHORT).containsKey(turned) ? turned : new Fault.Bridge(a, b),
          weight * Math.max(hand(a.ref()), hand(b.ref())));
    }
  }

  private void wholePart(Part part) {
    Line line = part.line();
    if (clocks.contains(part.ref())) {
      whole(part);
    } else if (part.model() instanceof Model.Open) {
      if (line.kind() == PartKind.CAPACITOR_POLARISED && line.isOriented()) {
        turned(part);
      }
    } else {
      if (line.isOriented()) {
        turned(part);
      }
      whole(part);
    }
  }

  private void turned(Part part) {
    int marks = part.line().polarityMarks().size();
    int printed = part.placed().map(place -> place.marks().size()).orElse(0);
    add(
        new Fault.Reversed(part.ref()),
        hand(part.ref()) * 3.0 / (1 + Math.min(marks, 2) + Math.min(printed, 2)));
  }

  private void whole(Part part) {
    String ref = part.ref();
    Line line = part.line();
    if (part.model() instanceof Model.Resistor r && !line.isOnBoard()) {
      wrongValues(part, r.ohms());
    }
    add(new Fault.Missing(ref), hand(ref));
    if (!line.kind().is(PartKind.Fact.LASTS)) {
      add(new Fault.Dead(ref), line.fragile().isEmpty() ? 1 : 1.5);
    }
  }

  private void wrongValues(Part part, double ohms) {
    Map<Double, Double> values = new LinkedHashMap<>();
    values.put(ohms * DECADE, USUAL_WEIGHT);
    values.put(ohms / DECADE, USUAL_WEIGHT);
    for (Line other : parts.kit().lines()) {
      Double alike = confusion.get(part.line().id() + "/" + other.id());
      if (alike != null
          && !other.refs().isEmpty()
          && parts.part(other.refs().getFirst()).map(Part::model).orElse(null)
              instanceof Model.Resistor r
          && r.ohms() != ohms) {
        values.merge(r.ohms(), 1 + LOOK_ALIKE_WEIGHT * alike, Math::max);
      }
    }
    values.forEach((value, weight) ->
        add(
            new Fault.WrongValue(
                part.ref(), value, Engineering.nominal(value, "").replace(" ", "")),
            weight));
  }

  /** Two parts change places when the same hands may hold either: one package, two lines. */
  private void swaps() {
    for (int i = 0; i < here.size(); i++) {
      for (int k = i + 1; k < here.size(); k++) {
        Part a = here.get(i);
        Part b = here.get(k);
        boolean mayChange =
            a.line() != b.line()
                && a.pack().id().equals(b.pack().id())
                && !a.model().equals(b.model())
                && mayBeHeld(a)
                && mayBeHeld(b);
        if (mayChange) {
          double confused = confusion.getOrDefault(a.line().id() + "/" + b.line().id(), 0.0);
          double near =
              a.placed().isPresent()
                      && b.placed().isPresent()
                      && a.placed().get().board().equals(b.placed().get().board())
                      && a.placed().get().at().distanceMm(b.placed().get().at()) < 15
                  ? 2
                  : 1;
          add(new Fault.Swapped(a.ref(), b.ref()), near * (1 + LOOK_ALIKE_WEIGHT * confused));
        }
      }
    }
  }

  /** Whatever comes in the same case may be taken for each other, but what is plugged or wired. */
  private static boolean mayBeHeld(Part part) {
    PartKind kind = part.line().kind();
    return !part.line().isOnBoard()
        && !kind.is(PartKind.Fact.PULLED)
        && kind != PartKind.BATTERY
        && kind != PartKind.BATTERY_HOLDER;
  }
}
