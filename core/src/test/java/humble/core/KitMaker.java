package humble.core;

import humble.core.kit.Block;
import humble.core.kit.Board;
import humble.core.kit.BoardState;
import humble.core.kit.Caution;
import humble.core.kit.Enclosure;
import humble.core.kit.Firmware;
import humble.core.kit.Gate;
import humble.core.kit.Handwork;
import humble.core.kit.Home;
import humble.core.kit.Kit;
import humble.core.kit.KitFault;
import humble.core.kit.KitOption;
import humble.core.kit.LeadClass;
import humble.core.kit.Line;
import humble.core.kit.Loose;
import humble.core.kit.Measured;
import humble.core.kit.Model;
import humble.core.kit.Mount;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Particulars;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Rule;
import humble.core.kit.SheetEntry;
import humble.core.kit.Side;
import humble.core.kit.Supply;
import humble.core.kit.Task;
import humble.core.kit.TaskKind;
import humble.core.units.Band;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Makes small kits for tests, piece by piece. Every part gets a place of its own on one board. */
public final class KitMaker {
  private final List<Line> lines = new ArrayList<>();
  private final List<Place> places = new ArrayList<>();
  private final Map<String, List<PinRef>> nets = new LinkedHashMap<>();
  private final List<Loose> loose = new ArrayList<>();
  private final List<KitOption> options = new ArrayList<>();
  private final List<SheetEntry> sheet = new ArrayList<>();
  private final List<Rule> rules = new ArrayList<>();
  private final List<Task> tasks = new ArrayList<>();
  private final List<Block> blocks = new ArrayList<>();
  private final List<Gate> gates = new ArrayList<>();
  private final List<Supply> supplies = new ArrayList<>();
  private final List<BoardState> states = new ArrayList<>();
  private final List<Peripheral> peripherals = new ArrayList<>();
  private final List<PartPackage> packages = new ArrayList<>();
  private final List<Caution> cautions = new ArrayList<>();
  private final List<Board> others = new ArrayList<>();
  private Enclosure enclosure;
  private final List<KitFault> faults = new ArrayList<>();
  private humble.core.kit.Finishing finishing = humble.core.kit.Finishing.NONE;
  private Handwork handwork = Handwork.NONE;

  /** Starts a kit with one board of 80 × 60 mm. */
  public static KitMaker kit() {
    return new KitMaker();
  }

  /** Adds a line with its model; two-leaded parts by default. */
  public KitMaker line(
      String id, PartKind kind, String value, String pack, Model model, String... refs) {
    return line(id, kind, value, 5.0, pack, model, List.of(), refs);
  }

  /** Adds a line with everything that tests vary. */
  public KitMaker line(
      String id,
      PartKind kind,
      String value,
      Double tolerancePct,
      String pack,
      Model model,
      List<String> fragile,
      String... refs) {
    lines.add(
        new Line(
            id,
            kind,
            value,
            tolerancePct,
            0,
            pack,
            Arrays.asList(refs),
            refs.length,
            "",
            "",
            false,
            List.of(),
            List.of(),
            Home.BOARD,
            fragile,
            0,
            model,
            null));
    return this;
  }

  /** Adds a line of which only the number of pieces is known. */
  public KitMaker byCount(String id, PartKind kind, String value, String pack, int pieces) {
    lines.add(
        new Line(
            id,
            kind,
            value,
            5.0,
            0,
            pack,
            List.of(),
            pieces,
            "",
            "",
            false,
            List.of(),
            List.of(),
            Home.BOARD,
            List.of(),
            0,
            null,
            null));
    return this;
  }

  /** Adds a line of parts on pads that are reflowed. */
  public KitMaker pasted(String id, PartKind kind, String value, String... refs) {
    packages.add(
        new PartPackage(
            "pads-" + id,
            0.6,
            List.of(
                new PackagePin("1", new PointMm(-1, 0)), new PackagePin("2", new PointMm(1, 0))),
            LeadClass.SMD));
    return particular(
        id,
        kind,
        value,
        "pads-" + id,
        new Particulars(false, "", false, Particulars.Method.PASTE, Particulars.Soldered.NOT_YET),
        refs);
  }

  /** Adds a line whose parts have something out of the ordinary. */
  public KitMaker particular(
      String id, PartKind kind, String value, String pack, Particulars own, String... refs) {
    lines.add(
        new Line(
            id,
            kind,
            value,
            5.0,
            0,
            pack,
            Arrays.asList(refs),
            refs.length,
            "",
            "",
            false,
            List.of(),
            List.of(),
            Home.BOARD,
            List.of(),
            0,
            null,
            null,
            own));
    return this;
  }

  /** Adds a board to the one of 80 × 60 mm. */
  public KitMaker board(String id, double width, double height) {
    others.add(new Board(id, "A1", width, height, 1.6, List.of(), Map.of()));
    return this;
  }

  private List<Board> boards() {
    List<Board> boards = new ArrayList<>();
    boards.add(new Board("main", "A1", 80, 60, 1.6, List.of(), Map.of()));
    boards.addAll(others);
    return boards;
  }

  /** Adds a caution. */
  public KitMaker caution(String at, String text) {
    cautions.add(new Caution(at, text, Caution.Level.CARE));
    return this;
  }

  /** Adds a resistor of the usual kind. */
  public KitMaker resistor(String ref, String value) {
    return line("line-" + ref, PartKind.RESISTOR, value, "axial-quarter-watt", null, ref);
  }

  /** Places a part on the top, flush. */
  public KitMaker place(String ref, double x, double y) {
    return place(ref, Side.TOP, x, y, 0, Mount.FLUSH, 0, null);
  }

  /** Places a part. */
  public KitMaker place(
      String ref,
      Side side,
      double x,
      double y,
      double turn,
      Mount mount,
      double standoff,
      String under) {
    places.add(
        new Place(
            ref,
            "main",
            side,
            new PointMm(x, y),
            turn,
            mount,
            standoff,
            null,
            under,
            null,
            null,
            List.of(),
            List.of(),
            0,
            1));
    return this;
  }

  /** Places a part that is held by another while both are soldered. */
  public KitMaker held(String ref, double x, double y, String jig) {
    return place(
        new Place(
            ref,
            "main",
            Side.TOP,
            new PointMm(x, y),
            0,
            Mount.FLUSH,
            0,
            null,
            null,
            jig,
            null,
            List.of(),
            List.of(),
            0,
            1));
  }

  /** Puts a place in as it is. */
  public KitMaker place(Place place) {
    places.add(place);
    return this;
  }

  /** Joins pins, written {@code REF.PIN}. */
  public KitMaker net(String name, String... pins) {
    nets.put(name, Arrays.stream(pins).map(p -> PinRef.parse(p).orElseThrow()).toList());
    return this;
  }

  /** Adds a supply between two nets. */
  public KitMaker supply(String id, double volts, double limitMa, String plus, String minus) {
    supplies.add(new Supply(id, volts, limitMa, plus, minus, null, ""));
    return this;
  }

  /** Adds a supply with a range. */
  public KitMaker supply(
      String id, double volts, double limitMa, String plus, String minus, Band range) {
    supplies.add(new Supply(id, volts, limitMa, plus, minus, range, ""));
    return this;
  }

  /** Adds a state on a supply. */
  public KitMaker state(String id, String supply, String... absent) {
    return state(state(id, supply, List.of(absent), List.of(), Map.of()));
  }

  /** Adds a state as it is. */
  public KitMaker state(BoardState state) {
    states.add(state);
    return this;
  }

  /** Gives a state. */
  public static BoardState state(
      String id,
      String supply,
      List<String> absent,
      List<String> closed,
      Map<String, String> drive) {
    return new BoardState(id, id, supply, absent, closed, drive, Map.of(), Map.of(), Map.of());
  }

  /** Adds a voltage gate. */
  public KitMaker gate(String id, String state, String red, String black, String... before) {
    gates.add(
        new Gate(
            id,
            "gate " + id,
            Measured.VOLTAGE,
            List.of(red, black),
            state,
            null,
            List.of(before),
            ""));
    return this;
  }

  /** Adds a rule. */
  public KitMaker rule(String first, String then, String because) {
    rules.add(new Rule(List.of(first), List.of(then), because));
    return this;
  }

  /** Adds a block of the circuit. */
  public KitMaker block(String id, List<String> gates, List<String> then, String... refs) {
    blocks.add(new Block(id, "Block " + id, List.of(refs), gates, then));
    return this;
  }

  /** Adds a task. */
  public KitMaker task(String id, String kind, List<String> after, List<String> before) {
    tasks.add(new Task(id, TaskKind.named(kind).orElseThrow(), "task " + id, 5, 0, after, before));
    return this;
  }

  /** Adds a task that is then left alone for so many minutes. */
  public KitMaker task(
      String id, String kind, double unattended, List<String> after, List<String> before) {
    TaskKind known = TaskKind.named(kind).orElseThrow();
    tasks.add(new Task(id, known, "task " + id, 5, unattended, after, before));
    return this;
  }

  /** Adds a gate that measures something else than volts. */
  public KitMaker gate(Measured measure, String id, String state, String... at) {
    gates.add(new Gate(id, "gate " + id, measure, List.of(at), state, null, List.of(), ""));
    return this;
  }

  /** Adds an option of two choices, the first the default. */
  public KitMaker option(String id, String fitFirst, String fitSecond) {
    options.add(
        new KitOption(
            id,
            "Which?",
            "first",
            List.of(
                new KitOption.Choice("first", "first", List.of(fitFirst), List.of(fitSecond)),
                new KitOption.Choice("second", "second", List.of(fitSecond), List.of(fitFirst)))));
    return this;
  }

  /** Adds a step of the kit's own sheet. */
  public KitMaker sheet(String act, String id, String... refs) {
    sheet.add(new SheetEntry(act, List.of(refs), id));
    return this;
  }

  /** Adds a loose item. */
  public KitMaker loose(String id, int supplied, int needed) {
    loose.add(new Loose(id, id, supplied, needed, List.of("load")));
    return this;
  }

  /** Adds a peripheral. */
  public KitMaker peripheral(Peripheral peripheral) {
    peripherals.add(peripheral);
    return this;
  }

  /** Adds a package of the kit's own. */
  public KitMaker pack(PartPackage pack) {
    packages.add(pack);
    return this;
  }

  /** Sets the case. */
  public KitMaker casing(Enclosure casing) {
    enclosure = casing;
    return this;
  }

  /** Adds a fault that the kit knows of. */
  public KitMaker fault(KitFault fault) {
    faults.add(fault);
    return this;
  }

  /** Sets what is trimmed, calibrated and proved. */
  public KitMaker finishing(humble.core.kit.Finishing all) {
    finishing = all;
    return this;
  }

  /** Sets the coils, wires and modules. */
  public KitMaker handwork(Handwork work) {
    handwork = work;
    return this;
  }

  /** Gives the kit. */
  public Kit make() {
    return new Kit(
        "test",
        "A kit for tests",
        "A",
        "module",
        "",
        boards(),
        List.copyOf(lines),
        List.copyOf(places),
        new LinkedHashMap<>(nets),
        List.copyOf(loose),
        List.copyOf(options),
        List.copyOf(sheet),
        List.copyOf(rules),
        List.copyOf(tasks),
        List.copyOf(blocks),
        List.copyOf(gates),
        List.copyOf(supplies),
        List.copyOf(states),
        Firmware.NONE,
        List.copyOf(peripherals),
        enclosure,
        List.copyOf(cautions),
        List.copyOf(packages),
        List.of(),
        handwork,
        List.copyOf(faults),
        humble.core.kit.Use.UNSAID,
        finishing);
  }

  /** Gives the parts of the kit. */
  public Parts parts() {
    return Parts.of(make());
  }
}
