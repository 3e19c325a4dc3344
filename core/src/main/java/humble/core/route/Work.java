package humble.core.route;

import humble.core.kit.AsBuilt;
import humble.core.kit.Choices;
import humble.core.kit.Gate;
import humble.core.kit.Home;
import humble.core.kit.Kit;
import humble.core.kit.KitOption;
import humble.core.kit.LeadClass;
import humble.core.kit.Line;
import humble.core.kit.Mount;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Particulars;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.RefOrder;
import humble.core.kit.Side;
import humble.core.kit.Task;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * The nodes of a kit and the hard facts between them, before any school has its say.
 *
 * <p>Refs of one line, one board, one side, one mount and one standoff are one node; so are all
 * that are reflowed on one side. Where the facts stand between some of them, as a gate does that
 * needs one regulator and must see another absent, those that the facts bind alike stay together
 * and the others are nodes of their own.
 */
final class Work {
  private final Parts parts;
  private final Pace pace;
  private final Kit kit;
  private final Set<String> leftOut;
  private final Map<String, String> split;
  private final Map<String, Integer> blockOf;
  private final Map<Integer, Integer> jigOf = new LinkedHashMap<>();
  private final Map<String, Integer> faces = new HashMap<>();
  private final List<Node> nodes = new ArrayList<>();
  private final Map<String, Node> byName = new LinkedHashMap<>();
  private final Map<Integer, List<Node>> interim = new LinkedHashMap<>();
  private final Facts facts = new Facts();

  private Work(
      Parts parts,
      Set<String> leftOut,
      Map<String, String> split,
      Map<String, Integer> blockOf,
      Pace pace,
      GateNeeds needs) {
    this.parts = parts;
    this.pace = pace;
    this.split = Map.copyOf(split);
    this.blockOf = Map.copyOf(blockOf);
    this.kit = parts.kit();
    this.leftOut = leftOut;
    for (KitOption option : kit.options()) {
      add(Step.Act.CHOOSE, option.id(), List.of(), null, null, 0, 0.5, 0);
    }
    groups();
    byCount();
    tasks();
    gates();
    jigs();
    new HardFacts(parts, this, needs).gather();
  }

  /**
   * Gathers the work.
   *
   * @param lacking parts, tasks and gates that are left out
   * @param split a key by part: parts with different keys are not fitted together
   * @param blockOf number of the block by part or gate, empty where blocks do not matter
   * @param pace whose minutes are reckoned with
   */
  static Work of(
      Parts parts,
      Map<String, String> choices,
      Set<String> lacking,
      Map<String, String> split,
      Map<String, Integer> blockOf,
      Pace pace) {
    Parts whole = Parts.of(parts.kit(), new AsBuilt(choices, parts.built().rows(), Set.of()));
    Set<String> leftOut = new TreeSet<>(Choices.leftOut(parts.kit(), choices));
    leftOut.addAll(lacking);
    GateNeeds needs = new GateNeeds(whole);
    Work work = new Work(whole, leftOut, split, blockOf, pace, needs);
    BitSet torn = work.torn();
    if (torn.isEmpty()) {
      return work;
    }
    Map<String, String> single = new HashMap<>(split);
    parts.all().forEach(part -> single.put(part.ref(), part.ref()));
    Work apart = new Work(whole, leftOut, single, blockOf, pace, needs);
    if (!apart.torn().isEmpty()) {
      return work;
    }
    Map<String, String> finer = new HashMap<>(split);
    torn.stream()
        .mapToObj(work.nodes::get)
        .flatMap(node -> node.refs().stream())
        .forEach(ref ->
            finer.put(ref, split.getOrDefault(ref, "") + apart.bounds(apart.byName.get(ref))));
    return new Work(whole, leftOut, finer, blockOf, pace, needs);
  }

  /** What stands before and after a node through any chain, as a key. */
  private String bounds(@Nullable Node node) {
    if (node == null) {
      return "";
    }
    BitSet[] after = facts.closure(nodes.size());
    BitSet before = new BitSet();
    for (int i = 0; i < after.length; i++) {
      before.set(i, after[i].get(node.index()));
    }
    return "|" + before + after[node.index()];
  }

  /** Nodes that the facts have before themselves. */
  private BitSet torn() {
    BitSet[] after = facts.closure(nodes.size());
    BitSet torn = new BitSet();
    for (int i = 0; i < after.length; i++) {
      torn.set(i, after[i].get(i));
    }
    return torn;
  }

  List<Node> nodes() {
    return nodes;
  }

  Facts facts() {
    return facts;
  }

  Map<String, Node> byName() {
    return byName;
  }

  /** Parts that hold each other while soldered form one jig; each gets the number of its jig. */
  private void jigs() {
    Map<String, Node> panels = new HashMap<>();
    for (Node node : nodes) {
      for (String ref : node.refs()) {
        Place place = placeOf(parts.get(ref));
        Node mate = place.jig() == null ? null : byName.get(place.jig());
        if (mate != null && mate.act() == Step.Act.INSERT && node.isFit()) {
          interim(node, mate);
        } else if (mate != null) {
          together(node, mate);
        }
        if (place.panel() != null && node.isFit()) {
          together(node, panels.computeIfAbsent(place.panel(), panel -> node));
        }
      }
    }
  }

  private void together(Node node, Node mate) {
    if (mate == node || !mate.isFit() || !node.isFit()) {
      return;
    }
    int one = jigOf.getOrDefault(node.index(), node.index());
    int other = jigOf.getOrDefault(mate.index(), mate.index());
    jigOf.putIfAbsent(node.index(), one);
    jigOf.putIfAbsent(mate.index(), other);
    jigOf.replaceAll((index, number) -> number == one ? other : number);
  }

  /** Gives the number of the jig a node belongs to, −1 for none. */
  int jigOf(Node node) {
    return jigOf.getOrDefault(node.index(), -1);
  }

  /** Notes that {@code guest} is put in for {@code host} alone and taken out again after it. */
  void interim(Node host, Node guest) {
    List<Node> guests = interim.computeIfAbsent(host.index(), index -> new ArrayList<>());
    if (!guests.contains(guest)) {
      guests.add(guest);
    }
  }

  /** Gives what is put in for a node alone: the cell of a gate, the mate that holds a header. */
  List<Node> guestsOf(Node host) {
    return interim.getOrDefault(host.index(), List.of());
  }

  private void groups() {
    Map<String, List<String>> groups = new LinkedHashMap<>();
    for (Line line : kit.bagged()) {
      for (String ref : line.refs()) {
        Part part = parts.part(ref).orElse(null);
        if (part != null && isFitted(part) && !leftOut.contains(ref)) {
          groups.computeIfAbsent(key(line, ref, placeOf(part)), k -> new ArrayList<>()).add(ref);
        }
      }
    }
    Map<String, List<String>> inOrder = new TreeMap<>(RefOrder.NATURAL);
    groups
        .values()
        .forEach(refs -> {
          refs.sort(RefOrder.NATURAL);
          inOrder.put(refs.getFirst(), refs);
        });
    inOrder.values().forEach(this::group);
  }

  /** Parts of which no place is known are planned by their line. */
  private void byCount() {
    for (Line line : kit.bagged()) {
      String id = "fit:" + line.id();
      PartPackage pack = kit.packageNamed(line.packageId()).orElse(null);
      if (line.isByCount() && pack != null && !leftOut.contains(id)) {
        int pieces = line.supplied();
        Part part = Part.anyOf(line, pack);
        boolean goesIn = goesIn(line, pack);
        int joints = goesIn ? 0 : pieces * pack.pins().size();
        add(
            goesIn ? Step.Act.INSERT : Step.Act.FIT,
            id,
            List.of(),
            part,
            Side.TOP,
            joints,
            goesIn ? pace.inserting(pieces) : pace.fitting(part, pieces, joints),
            0);
      }
    }
  }

  /** A cell or a card is put in; a chip is, where there are sockets enough of as many pins. */
  private boolean goesIn(Line line, PartPackage pack) {
    if (line.kind() == PartKind.BATTERY || line.kind() == PartKind.CARD) {
      return true;
    }
    int chips = line.kind() == PartKind.IC ? pieces(PartKind.IC, pack.pins().size()) : 0;
    return chips > 0 && pieces(PartKind.SOCKET, pack.pins().size()) >= chips;
  }

  private int pieces(PartKind kind, int pins) {
    return kit.bagged().stream()
        .filter(line -> line.kind() == kind && line.isByCount() && pins(kit, line) == pins)
        .mapToInt(Line::supplied)
        .sum();
  }

  private static int pins(Kit kit, Line line) {
    return kit.packageNamed(line.packageId()).map(pack -> pack.pins().size()).orElse(0);
  }

  /** Tells whether a chip of a list without places goes into a socket of it. */
  static boolean takes(Kit kit, Node socket, Node chip) {
    Line into = socket.line();
    Line line = chip.line();
    return into != null
        && line != null
        && into.kind() == PartKind.SOCKET
        && chip.act() == Step.Act.INSERT
        && line.kind() == PartKind.IC
        && pins(kit, into) == pins(kit, line);
  }

  /** What is reflowed on one side of a board is one step, whatever lines it is of. */
  private String key(Line line, String ref, Place place) {
    boolean paste = line.particulars().method() == Particulars.Method.PASTE;
    return String.join(
        "/",
        paste ? "" : line.id(),
        place.board(),
        place.side().text(),
        paste ? "" : place.mount().text(),
        paste ? "" : Double.toString(place.standoffMm()),
        split.getOrDefault(ref, ""),
        Integer.toString(blockOf.getOrDefault(ref, Node.NO_BLOCK)));
  }

  /** A kit that says where its parts sit fits those alone; one that does not fits all it lists. */
  private boolean isFitted(Part part) {
    return part.place() != null || (kit.places().isEmpty() && part.line().home() == Home.BOARD);
  }

  /** Without a placement list every part is taken to sit flush on the top. */
  static Place placeOf(Part part) {
    Place place = part.place();
    return place != null ? place : Place.unknown(part.ref());
  }

  private void group(List<String> refs) {
    Part part = parts.get(refs.getFirst());
    Place place = placeOf(part);
    if (place.mount() == Mount.SOCKETED) {
      add(
          Step.Act.INSERT,
          "insert:" + refs.getFirst(),
          refs,
          part,
          place.side(),
          0,
          pace.inserting(refs.size()),
          0);
      return;
    }
    int joints = 0;
    for (String ref : refs) {
      Place each = placeOf(parts.get(ref));
      joints += parts.get(ref).pack().pins().size() - each.leaveEmpty().size();
    }
    add(
        Step.Act.FIT,
        "fit:" + refs.getFirst(),
        refs,
        part,
        place.side(),
        joints,
        pace.fitting(part, refs.size(), joints),
        0);
  }

  private void tasks() {
    for (Task task : kit.allTasks()) {
      if (!leftOut.contains(task.id())) {
        add(
            Step.Act.TASK,
            task.id(),
            List.of(),
            null,
            null,
            0,
            task.minutes(),
            task.minutesUnattended());
      }
    }
  }

  private void gates() {
    for (Gate gate : kit.gates()) {
      if (!leftOut.contains(gate.id())) {
        add(Step.Act.GATE, gate.id(), List.of(), null, null, 0, Minutes.GATE, 0);
      }
    }
  }

  private void add(
      Step.Act act,
      String id,
      List<String> refs,
      @Nullable Part part,
      @Nullable Side side,
      int joints,
      double minutes,
      double unattended) {
    Place place = part == null ? null : part.place();
    LeadClass lead = part == null ? null : part.pack().lead();
    boolean lying = place != null && place.mount() == Mount.LYING;
    boolean fragile =
        part != null
            && part.line().fragile().stream()
                .anyMatch(f -> f.equals("heat") || f.equals("static") || f.equals("shock"));
    Node node =
        new Node(
            nodes.size(),
            act,
            id,
            refs,
            part != null && refs.isEmpty() ? part.line() : null,
            place == null ? "" : place.board(),
            face(place),
            side,
            part == null ? null : part.line().kind(),
            lead,
            part == null ? 0 : refs.isEmpty() ? heightMm(part) : parts.fittedHeightMm(part.ref()),
            act == Step.Act.FIT && lead != LeadClass.SMD && !lying,
            fragile,
            joints,
            minutes,
            unattended,
            blockOf.getOrDefault(refs.isEmpty() ? id : refs.getFirst(), Node.NO_BLOCK));
    nodes.add(node);
    byName.put(id, node);
    refs.forEach(ref -> byName.put(ref, node));
  }

  /** What goes into a socket stands on it. */
  private double heightMm(Part part) {
    double socket =
        part.line().kind() == PartKind.IC && goesIn(part.line(), part.pack())
            ? kit.bagged().stream()
                .filter(line -> line.kind() == PartKind.SOCKET && line.isByCount())
                .flatMap(line -> kit.packageNamed(line.packageId()).stream())
                .filter(pack -> pack.pins().size() == part.pack().pins().size())
                .mapToDouble(PartPackage::heightMm)
                .max()
                .orElse(0)
            : 0;
    return part.pack().heightMm() + socket;
  }

  /** Gives a number to each side of each board: what lies up at one time. */
  private int face(@Nullable Place place) {
    String key = place == null ? "" : place.board() + "/" + place.side();
    return faces.computeIfAbsent(key, k -> faces.size());
  }
}
