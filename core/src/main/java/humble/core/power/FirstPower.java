package humble.core.power;

import humble.core.circuit.Feed;
import humble.core.kit.BoardState;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Measured;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Supply;
import humble.core.units.Engineering;
import humble.core.words.Phrase;
import humble.core.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * First power of a kit whose author gives no gate: gates at every empty socket, as far as nets,
 * supplies and models reach, else checks in plain words.
 */
public final class FirstPower {
  /** Begins the ids of what is added to a kit. */
  private static final String ADDED = "first-power";

  private final Kit kit;
  private final Parts parts;
  private final Words words;

  private FirstPower(Kit kit, Words words) {
    this.kit = kit;
    this.parts = Parts.of(kit);
    this.words = words;
  }

  /**
   * One check of first power.
   *
   * @param id what is checked: ohms, plug, limit, rails, chips, again, full
   * @param title the thing to do
   * @param how how to do it, and what is not known
   */
  public record Check(String id, Phrase title, List<Phrase> how) {
    /** Chips are not in while it is made. */
    private static final List<String> WITHOUT_CHIPS = List.of("ohms", "plug", "limit", "rails");

    public Check {
      how = List.copyOf(how);
    }

    /** Tells whether it is made before chips go into their sockets. */
    public boolean isBeforeChips() {
      return WITHOUT_CHIPS.contains(id);
    }
  }

  /**
   * Gives the kit with gates and states of its first power; the kit itself when it has gates, or
   * when nothing can be reckoned of it.
   *
   * @param words words of the core, for the titles
   */
  public static Kit given(Kit kit, Words words) {
    return kit.gates().isEmpty() ? new FirstPower(kit, words).given() : kit;
  }

  /** Tells whether a gate was added here, and is none of the kit's author. */
  public static boolean isAdded(Gate gate) {
    return isAdded(gate.id());
  }

  /** Tells whether a gate of that id was added here. */
  public static boolean isAdded(String gate) {
    return gate.startsWith(ADDED + "-");
  }

  private Kit given() {
    List<BoardState> states = new ArrayList<>(kit.states());
    List<String> chips = chips().stream().map(Part::ref).toList();
    BoardState empty = empty(chips).orElse(null);
    if (empty == null) {
      empty = state(ADDED, Phrase.of(chips.isEmpty() ? "first.whole" : "first.empty"), chips);
      states.add(empty);
      if (kit.states().isEmpty() && !chips.isEmpty()) {
        states.add(state(ADDED + "-chips", Phrase.of("first.chips-in"), List.of()));
      }
    }
    Feed feed = Feed.of(parts, empty).orElse(null);
    if (feed == null || parts.net(feed.plus()).isEmpty() || parts.net(feed.minus()).isEmpty()) {
      return kit;
    }
    List<Gate> gates = new ArrayList<>();
    String id = empty.id();
    // A current can be expected only where all that takes some is joined.
    boolean whole = parts.all().stream().noneMatch(part -> Unmodelled.isUnjoined(parts, part));
    if (chips.isEmpty() && whole) {
      gates.add(gate(1, Phrase.of("first.current"), Measured.CURRENT, List.of(), id, List.of()));
    }
    for (Part chip : chips()) {
      rail(chip)
          .ifPresent(at ->
              gates.add(
                  gate(
                      gates.size() + 1,
                      Phrase.of("first.rail", chip.ref()),
                      Measured.VOLTAGE,
                      at,
                      id,
                      chips)));
    }
    if (gates.isEmpty()) {
      return kit;
    }
    gates.set(gates.size() - 1, withUnknown(gates.getLast()));
    return kit.withGates(gates, states);
  }

  /** Sockets at which nothing can be reckoned are looked at by hand, with the last gate. */
  private Gate withUnknown(Gate last) {
    List<String> unknown =
        chips().stream().filter(chip -> rail(chip).isEmpty()).map(Part::ref).toList();
    return unknown.isEmpty()
        ? last
        : new Gate(
            last.id(),
            last.title(),
            last.measure(),
            last.at(),
            last.state(),
            last.expected(),
            last.before(),
            words.say(Phrase.of("first.unknown", String.join(", ", unknown))));
  }

  /** The state of the kit in which every chip is out, where it has one. */
  private Optional<BoardState> empty(List<String> chips) {
    return kit.states().stream()
        .filter(state -> Feed.of(parts, state).isPresent())
        .filter(state -> chips.stream().noneMatch(chip -> parts.isOn(chip, state)))
        .min(Comparator.comparingInt(state -> state.drive().size()));
  }

  private BoardState state(String id, Phrase title, List<String> absent) {
    String supply = kit.supplies().isEmpty() ? null : kit.supplies().getFirst().id();
    List<String> closed =
        parts.all().stream()
            .filter(part -> part.line().kind() == PartKind.SWITCH)
            .filter(part -> part.model() instanceof Model.Switch)
            .map(Part::ref)
            .toList();
    return new BoardState(
        id, words.say(title), supply, absent, closed, Map.of(), Map.of(), Map.of(), Map.of());
  }

  private Gate gate(
      int number,
      Phrase title,
      Measured measure,
      List<String> at,
      String state,
      List<String> before) {
    return new Gate(ADDED + "-" + number, words.say(title), measure, at, state, null, before, "");
  }

  private List<Part> chips() {
    return parts.all().stream()
        .filter(part -> parts.socketOf(part.ref()).isPresent())
        .filter(part -> part.line().kind() != PartKind.BATTERY)
        .toList();
  }

  private Optional<List<String>> rail(Part chip) {
    return chip.model() instanceof Model.Load load
            && parts.netOf(new PinRef(chip.ref(), load.plus())).isPresent()
            && parts.netOf(new PinRef(chip.ref(), load.minus())).isPresent()
        ? Optional.of(List.of(chip.ref() + "." + load.plus(), chip.ref() + "." + load.minus()))
        : Optional.empty();
  }

  /**
   * Gives the checks in plain words of a kit that has no gate, in their order; empty when it has
   * one, or when nothing in it takes power.
   */
  public static List<Check> checks(Kit kit) {
    return kit.gates().isEmpty()
        ? new FirstPower(kit, Words.core(Locale.ROOT)).checks()
        : List.of();
  }

  private List<Check> checks() {
    if (parts.all().stream().noneMatch(part -> part.line().kind().is(PartKind.Fact.POWERED))) {
      return List.of();
    }
    List<Part> chips = chips();
    List<Check> checks = new ArrayList<>();
    checks.add(
        check(
            "ohms",
            kit.nets().isEmpty()
                ? List.of(Phrase.of("first.ohms.no-nets"), Phrase.of("first.ohms.how"))
                : List.of(Phrase.of("first.ohms.how"))));
    checks.add(check("plug", plug()));
    checks.add(check("limit", limit(chips)));
    boolean sockets = kit.lines().stream().anyMatch(line -> line.kind() == PartKind.SOCKET);
    if (chips.isEmpty() && sockets) {
      // A list without places does not say which chip goes where.
      checks.add(check("rails", List.of(Phrase.of("first.socket.any"))));
      checks.add(check("again", List.of(Phrase.of("first.again.how"))));
    } else if (!chips.isEmpty()) {
      checks.add(check("rails", chips.stream().map(FirstPower::socket).toList()));
      checks.add(check("again", List.of(Phrase.of("first.again.how"))));
    }
    checks.add(check("full", List.of(Phrase.of("first.full.how"))));
    return checks;
  }

  private static Check check(String id, List<Phrase> how) {
    return new Check(id, Phrase.of("first." + id), how);
  }

  private List<Phrase> plug() {
    if (kit.supplies().isEmpty()) {
      return List.of(Phrase.of("first.plug.unknown"));
    }
    Supply supply = kit.supplies().getFirst();
    String volts = Engineering.nominal(supply.volts(), "V");
    return List.of(
        supply.polarity().isEmpty()
            ? Phrase.of("first.plug.volts", volts)
            : Phrase.of("first.plug.known", volts, supply.polarity()));
  }

  private List<Phrase> limit(List<Part> chips) {
    List<Phrase> how = new ArrayList<>();
    if (!chips.isEmpty()) {
      how.add(Phrase.of("first.limit.empty"));
    }
    how.add(Phrase.of("first.limit.how"));
    if (kit.supplies().isEmpty()) {
      how.add(Phrase.of("first.limit.each-volt"));
    } else {
      SeriesResistor series = SeriesResistor.of(kit.supplies().getFirst().volts(), 0);
      how.add(
          Phrase.of("first.limit.series", Engineering.nominal(series.ohms(), "Ω"), series.watts()));
    }
    return how;
  }

  /**
   * On a dual in-line chip the supply usually sits at the last pin of each row; its sheet knows.
   */
  private static Phrase socket(Part chip) {
    int pins = chip.pack().pins().size();
    return chip.pack().isDualInLine()
        ? Phrase.of("first.socket.usual", chip.ref(), pins, pins / 2)
        : Phrase.of("first.socket.sheet", chip.ref());
  }
}
