package humble.core.route;

import humble.core.circuit.CircuitInput;
import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcSolver;
import humble.core.kit.BoardState;
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
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.RefOrder;
import humble.core.kit.Rule;
import humble.core.kit.Side;
import humble.core.kit.Task;
import humble.core.kit.TaskKind;
import humble.core.words.Phrase;
import java.util.ArrayList;
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
 * <p>As long as there are kinds of fact, one short method for each.
 */
final class Work {
  private static final double CARRIES_MA = 1e-6;

  private final Parts parts;
  private final Pace pace;
  private final Kit kit;
  private final Map<String, String> choices;
  private final Set<String> leftOut;
  private final Map<String, String> split;
  private final Map<String, Integer> blockOf;
  private final Map<Integer, Integer> jigOf = new LinkedHashMap<>();
  private final Map<String, Integer> faces = new HashMap<>();
  private final List<Node> nodes = new ArrayList<>();
  private final Map<String, Node> byName = new LinkedHashMap<>();
  private final Facts facts = new Facts();

  /**
   * Gathers the work.
   *
   * @param lacking parts, tasks and gates that are left out
   * @param split a key by part: parts with different keys are not fitted together
   * @param blockOf number of the block by part or gate, empty where blocks do not matter
   * @param pace whose minutes are reckoned with
   */
  Work(
      Parts parts,
      Map<String, String> choices,
      Set<String> lacking,
      Map<String, String> split,
      Map<String, Integer> blockOf,
      Pace pace) {
    this.parts = parts;
    this.pace = pace;
    this.split = Map.copyOf(split);
    this.blockOf = Map.copyOf(blockOf);
    this.kit = parts.kit();
    this.choices = choices;
    this.leftOut = new TreeSet<>(Choices.leftOut(kit, choices));
    leftOut.addAll(lacking);
    options();
    groups();
    tasks();
    gates();
    partFacts();
    kitFacts();
    waterAndStatic();
    jigs();
    for (Task task : kit.tasks()) {
      if (task.after().contains("soldering")) {
        afterSoldering(task);
      }
    }
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

  private void options() {
    for (KitOption option : kit.options()) {
      add(Step.Act.CHOOSE, option.id(), List.of(), null, 0, 0.5);
    }
  }

  /** Parts that hold each other while soldered form one jig; each gets the number of its jig. */
  private void jigs() {
    for (Node node : nodes) {
      for (String ref : node.refs()) {
        String jig = placeOf(parts.get(ref)).jig();
        Node mate = jig == null ? null : byName.get(jig);
        if (mate != null && mate != node && mate.isFit() && node.isFit()) {
          int one = jigOf.getOrDefault(node.index(), node.index());
          int other = jigOf.getOrDefault(mate.index(), mate.index());
          jigOf.putIfAbsent(node.index(), one);
          jigOf.putIfAbsent(mate.index(), other);
          jigOf.replaceAll((index, number) -> number == one ? other : number);
        }
      }
    }
  }

  /** Gives the number of the jig a node belongs to, −1 for none. */
  int jigOf(Node node) {
    return jigOf.getOrDefault(node.index(), -1);
  }

  /** Refs of one line, one side, one mount and one standoff are fitted together. */
  private void groups() {
    Map<String, List<String>> groups = new LinkedHashMap<>();
    for (Line line : kit.lines()) {
      for (String ref : line.refs()) {
        Part part = parts.part(ref).orElse(null);
        if (part != null && isFitted(part) && !leftOut.contains(ref)) {
          Place place = placeOf(part);
          String key =
              line.id()
                  + "/"
                  + place.board()
                  + "/"
                  + place.side()
                  + "/"
                  + place.mount()
                  + "/"
                  + place.standoffMm()
                  + "/"
                  + split.getOrDefault(ref, "")
                  + "/"
                  + blockOf.getOrDefault(ref, Node.NO_BLOCK);
          groups.computeIfAbsent(key, k -> new ArrayList<>()).add(ref);
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

  /** A kit that says where its parts sit fits those alone; one that does not fits all it lists. */
  private boolean isFitted(Part part) {
    return part.place() != null || (kit.places().isEmpty() && part.line().home() == Home.BOARD);
  }

  /** Without a placement list every part is taken to sit flush on the top. */
  private Place placeOf(Part part) {
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
          place.side(),
          0,
          pace.inserting(refs.size()));
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
        place.side(),
        joints,
        pace.fitting(part, refs.size(), joints));
  }

  private void tasks() {
    for (Task task : kit.tasks()) {
      if (!leftOut.contains(task.id())
          && task.kind() != TaskKind.CASE
          && task.kind() != TaskKind.LOAD
          && task.kind() != TaskKind.TEST) {
        add(Step.Act.TASK, task.id(), List.of(), null, 0, task.minutes());
      }
    }
  }

  private void gates() {
    kit.gates().stream()
        .filter(gate -> !leftOut.contains(gate.id()))
        .forEach(gate -> add(Step.Act.GATE, gate.id(), List.of(), null, 0, Minutes.GATE));
  }

  private void add(
      Step.Act act, String id, List<String> refs, @Nullable Side side, int joints, double minutes) {
    Part part = refs.isEmpty() ? null : parts.get(refs.getFirst());
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
            place == null ? "" : place.board(),
            face(place),
            side,
            part == null ? null : part.line().kind(),
            lead,
            part == null ? 0 : parts.fittedHeightMm(part.ref()),
            act == Step.Act.FIT && lead != LeadClass.SMD && !lying,
            fragile,
            joints,
            minutes,
            blockOf.getOrDefault(refs.isEmpty() ? id : refs.getFirst(), Node.NO_BLOCK));
    nodes.add(node);
    byName.put(id, node);
    refs.forEach(ref -> byName.put(ref, node));
  }

  /** Gives a number to each side of each board: what lies up at one time. */
  private int face(@Nullable Place place) {
    String key = place == null ? "" : place.board() + "/" + place.side();
    return faces.computeIfAbsent(key, k -> faces.size());
  }

  private void partFacts() {
    for (Node node : nodes) {
      for (String ref : node.refs()) {
        Place place = placeOf(parts.get(ref));
        place.covered().ifPresent(cover -> edge(ref, cover, Phrase.of("route.under", ref, cover)));
        String panel = place.panel();
        if (panel != null && byName.get(panel) instanceof Node fitted) {
          facts.add(fitted, node, Phrase.of("route.panel", ref));
        }
        parts
            .socketOf(ref)
            .map(byName::get)
            .ifPresent(socket -> facts.add(socket, node, Phrase.of("route.socket", ref)));
      }
      for (Node other : nodes) {
        if (node.isFit()
            && other.isFit()
            && node.lead() == LeadClass.SMD
            && other.lead() != LeadClass.SMD) {
          facts.add(node, other, Phrase.of("route.smd", node.refs().getFirst()));
        }
      }
    }
    for (KitOption option : kit.options()) {
      for (KitOption.Choice choice : option.choices()) {
        List<String> changed = new ArrayList<>(choice.fit());
        changed.addAll(choice.omit());
        changed.forEach(ref -> edge(option.id(), ref, Phrase.of("route.choose", ref)));
      }
    }
  }

  private void edge(String first, String then, Phrase because) {
    Node a = byName.get(first);
    Node b = byName.get(then);
    if (a != null && b != null) {
      facts.add(a, b, because);
    }
  }

  private void kitFacts() {
    for (Rule rule : kit.rules()) {
      for (String first : rule.first()) {
        for (String then : rule.then()) {
          edge(first, then, Phrase.of("route.rule", first, then, rule.because()));
        }
      }
    }
    for (Task task : kit.tasks()) {
      task.before()
          .forEach(
              then -> edge(task.id(), then, Phrase.of("route.task-before", task.title(), then)));
      for (String first : task.after()) {
        if (!first.equals("soldering")) {
          edge(first, task.id(), Phrase.of("route.task-after", task.title(), first));
        }
      }
    }
    for (Gate gate : kit.gates()) {
      gate.before()
          .forEach(ref -> edge(gate.id(), ref, Phrase.of("route.gate-before", gate.title(), ref)));
      carrying(gate)
          .forEach(ref -> edge(ref, gate.id(), Phrase.of("route.gate-needs", gate.title(), ref)));
    }
  }

  /**
   * A gate waits for every part that carries current in its state, and for the socket its probes go
   * into.
   */
  private Set<String> carrying(Gate gate) {
    Set<String> refs = new TreeSet<>(RefOrder.NATURAL);
    BoardState state = kit.state(gate.state()).orElse(null);
    if (state == null) {
      return refs;
    }
    try {
      if (new DcSolver(parts).solve(state, List.of()) instanceof DcOutcome.Solved solved) {
        solved
            .result()
            .parts()
            .forEach((ref, current) -> {
              if (Math.abs(current.ma()) > CARRIES_MA) {
                refs.add(ref);
              }
            });
        refs.addAll(solved.result().regulators().keySet());
      }
    } catch (CircuitInput e) {
      // A state that names what the kit lacks was reported by the check; the gate then waits for
      // its probes alone.
      refs.clear();
    }
    kit.supplies()
        .forEach(supply -> PinRef.parse(supply.plus()).ifPresent(pin -> refs.add(pin.ref())));
    gate.at()
        .forEach(
            at -> PinRef.parse(at).flatMap(pin -> parts.socketOf(pin.ref())).ifPresent(refs::add));
    // What the regulator's rails lean on goes in before power too: a regulator may swing without
    // its capacitors.
    Set<String> powered = new TreeSet<>();
    refs.forEach(
        ref -> parts.part(ref).flatMap(Part::placed).ifPresent(spot -> powered.add(spot.board())));
    for (Part part : parts.all()) {
      if (part.line().kind() == PartKind.CAPACITOR_POLARISED
          && part.placed().map(spot -> powered.contains(spot.board())).orElse(false)) {
        refs.add(part.ref());
      }
    }
    return refs;
  }

  /** All joints but those of parts that must follow the task. */
  private void afterSoldering(Task task) {
    Node node = byName.get(task.id());
    for (Node fit : nodes) {
      if (node != null && fit.isFit() && !facts.precedes(node.index(), fit.index())) {
        facts.add(fit, node, Phrase.of("route.after-soldering", task.title()));
      }
    }
  }

  /** What cleans with liquid goes before what hates water, unless a rule has it the other way. */
  private void waterAndStatic() {
    for (Task task : kit.tasks()) {
      Node wash = byName.get(task.id());
      if (wash == null || task.kind() != TaskKind.CLEAN) {
        continue;
      }
      for (Node node : nodes) {
        boolean hates =
            !node.refs().isEmpty()
                && parts.get(node.refs().getFirst()).line().fragile().contains("water");
        if (hates && !facts.precedes(node.index(), wash.index())) {
          facts.add(wash, node, Phrase.of("route.water", node.refs().getFirst()));
        }
        if (node.act() == Step.Act.INSERT && !facts.precedes(node.index(), wash.index())) {
          facts.add(wash, node, Phrase.of("route.wash-first", node.refs().getFirst()));
        }
      }
    }
  }
}
