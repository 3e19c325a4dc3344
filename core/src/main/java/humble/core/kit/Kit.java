package humble.core.kit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Everything a kit file says, as one immutable value.
 *
 * @param id name used in files and commands
 * @param name name for people
 * @param revision revision of the kit
 * @param kind badge, computer, console, controller, instrument, module or conversion
 * @param summary one or two sentences
 * @param boards boards
 * @param lines parts list
 * @param places where the parts sit
 * @param nets pins by net
 * @param loose items on no board
 * @param options choices
 * @param sheet the kit's own order of work
 * @param rules hard facts about the order
 * @param tasks work besides fitting
 * @param blocks blocks of the circuit
 * @param gates measurements that must read right
 * @param supplies what feeds the board
 * @param states situations that can be analysed
 * @param firmware programs and their targets
 * @param peripherals what is woken
 * @param enclosure the case, when there is one
 * @param cautions cautions
 * @param packages packages the kit brings along
 * @param hosts boards that a conversion goes into
 * @param handwork coils, wires and modules
 * @param faults what the kit knows may be wrong besides its circuit
 * @param use how the finished thing is used, and how not
 * @param finishing how it is calibrated, trimmed and proved
 */
public record Kit(
    String id,
    String name,
    String revision,
    String kind,
    String summary,
    List<Board> boards,
    List<Line> lines,
    List<Place> places,
    Map<String, List<PinRef>> nets,
    List<Loose> loose,
    List<KitOption> options,
    List<SheetEntry> sheet,
    List<Rule> rules,
    List<Task> tasks,
    List<Block> blocks,
    List<Gate> gates,
    List<Supply> supplies,
    List<BoardState> states,
    Firmware firmware,
    List<Peripheral> peripherals,
    @Nullable Enclosure enclosure,
    List<Caution> cautions,
    List<PartPackage> packages,
    List<Host> hosts,
    Handwork handwork,
    List<KitFault> faults,
    Use use,
    Finishing finishing) {

  /** Gives this kit with another parts list. */
  public Kit withLines(List<Line> others) {
    return copied(boards, others, places, nets, supplies, gates, states);
  }

  /**
   * Gives another reading of this kit with the marks that this one has of places that are the same:
   * what was once taken from the board files need not be read again.
   */
  public Kit marksFor(Kit other) {
    Map<String, Place> mine = new HashMap<>();
    places.forEach(place -> mine.put(place.ref(), place));
    List<Place> marked =
        other.places().stream()
            .map(place -> {
              Place was = mine.get(place.ref());
              if (was == null
                  || !place.marks().isEmpty()
                  || !was.at().equals(place.at())
                  || was.rotationDeg() != place.rotationDeg()) {
                return place;
              }
              return place.withMarks(was.marks());
            })
            .toList();
    return other.withBoard(marked, other.nets());
  }

  /** Gives this kit with other supplies. */
  public Kit withSupplies(List<Supply> others) {
    return copied(boards, lines, places, nets, others, gates, states);
  }

  /** Gives this kit with other places and nets: what its board says. */
  public Kit withBoard(List<Place> otherPlaces, Map<String, List<PinRef>> otherNets) {
    return copied(boards, lines, otherPlaces, otherNets, supplies, gates, states);
  }

  /** Gives this kit with other boards. */
  public Kit withBoards(List<Board> others) {
    return copied(others, lines, places, nets, supplies, gates, states);
  }

  /** Gives this kit with other gates and states. */
  public Kit withGates(List<Gate> otherGates, List<BoardState> otherStates) {
    return copied(boards, lines, places, nets, supplies, otherGates, otherStates);
  }

  /** Gives this kit with other cautions. */
  public Kit withCautions(List<Caution> others) {
    return new Kit(
        id,
        name,
        revision,
        kind,
        summary,
        boards,
        lines,
        places,
        nets,
        loose,
        options,
        sheet,
        rules,
        tasks,
        blocks,
        gates,
        supplies,
        states,
        firmware,
        peripherals,
        enclosure,
        others,
        packages,
        hosts,
        handwork,
        faults,
        use,
        finishing);
  }

  private Kit copied(
      List<Board> otherBoards,
      List<Line> otherLines,
      List<Place> otherPlaces,
      Map<String, List<PinRef>> otherNets,
      List<Supply> otherSupplies,
      List<Gate> otherGates,
      List<BoardState> otherStates) {
    return new Kit(
        id,
        name,
        revision,
        kind,
        summary,
        otherBoards,
        otherLines,
        otherPlaces,
        otherNets,
        loose,
        options,
        sheet,
        rules,
        tasks,
        blocks,
        otherGates,
        otherSupplies,
        otherStates,
        firmware,
        peripherals,
        enclosure,
        cautions,
        packages,
        hosts,
        handwork,
        faults,
        use,
        finishing);
  }

  /** Gives the package of that id: the kit's own first, then the built-in one. */
  public Optional<PartPackage> packageNamed(String id) {
    return packages.stream()
        .filter(pack -> pack.id().equals(id))
        .findFirst()
        .or(() -> PackageLibrary.find(id));
  }

  /**
   * Gives the tasks in which a cable is plugged in: those of kind {@code link} that the loose item
   * of its id is for.
   */
  public List<String> linksOf(Cable cable) {
    return loose.stream()
        .filter(item -> item.id().equals(cable.id()))
        .flatMap(item -> item.usedFor().stream())
        .filter(id -> task(id).filter(task -> task.kind() == TaskKind.LINK).isPresent())
        .toList();
  }

  /** Gives the parts that are on the board before anybody begins. */
  public Set<String> soldered() {
    Set<String> refs = new TreeSet<>(RefOrder.NATURAL);
    lines.stream().filter(Line::isOnBoard).forEach(line -> refs.addAll(line.refs()));
    return refs;
  }

  /** Gives the parts of a host that are taken off it for good. */
  public Set<String> comingOff() {
    Set<String> refs = new TreeSet<>(RefOrder.NATURAL);
    lines.stream()
        .filter(line -> line.particulars().comesOff())
        .forEach(line -> refs.addAll(line.refs()));
    return refs;
  }

  /** Gives the lines whose parts are handed over in the bag. */
  public List<Line> bagged() {
    return lines.stream().filter(line -> !line.isOnBoard()).toList();
  }

  /** Gives the line that supplies {@code ref}. */
  public Optional<Line> lineOf(String ref) {
    return lines.stream().filter(line -> line.refs().contains(ref)).findFirst();
  }

  /** Gives the line of that id. */
  public Optional<Line> line(String id) {
    return lines.stream().filter(line -> line.id().equals(id)).findFirst();
  }

  /** Gives the place of {@code ref}. */
  public Optional<Place> placeOf(String ref) {
    return places.stream().filter(place -> place.ref().equals(ref)).findFirst();
  }

  /** Gives the state of that id. */
  public Optional<BoardState> state(String id) {
    return states.stream().filter(state -> state.id().equals(id)).findFirst();
  }

  /** Gives the supply of that id. */
  public Optional<Supply> supply(String id) {
    return supplies.stream().filter(supply -> supply.id().equals(id)).findFirst();
  }

  /** Gives the gate of that id. */
  public Optional<Gate> gate(String id) {
    return gates.stream().filter(gate -> gate.id().equals(id)).findFirst();
  }

  /**
   * Gives the tasks of the kit, and those that follow from what else it says: a program that goes
   * in before its chip is fitted or inserted, the holes of a host board that are cleared, the coat
   * that is mended.
   */
  public List<Task> allTasks() {
    List<Task> early = firmware.earlyLoads();
    List<Task> onHosts = HostWork.of(this);
    if (early.isEmpty() && onHosts.isEmpty()) {
      return tasks;
    }
    List<Task> all = new ArrayList<>(tasks);
    all.addAll(onHosts);
    all.addAll(early);
    return List.copyOf(all);
  }

  /** Gives the task of that id, of those that follow too. */
  public Optional<Task> task(String id) {
    return tasks.stream()
        .filter(task -> task.id().equals(id))
        .findFirst()
        .or(() -> allTasks().stream().filter(task -> task.id().equals(id)).findFirst());
  }

  /**
   * Gives what a person calls a gate, a task or an option; a name that is none of these as it is.
   */
  public String titleOf(String id) {
    return gate(id)
        .map(Gate::title)
        .or(() -> task(id).map(Task::title))
        .or(() ->
            options.stream().filter(o -> o.id().equals(id)).map(KitOption::question).findFirst())
        .filter(title -> !title.isEmpty())
        .map(title -> "“" + title + "”")
        .orElse(id);
  }

  /** Gives the board of that id. */
  public Optional<Board> board(String id) {
    return boards.stream().filter(board -> board.id().equals(id)).findFirst();
  }

  /** Gives the case. */
  public Optional<Enclosure> casing() {
    return Optional.ofNullable(enclosure);
  }
}
