package humble.core.route;

import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.KitOption;
import humble.core.kit.LeadClass;
import humble.core.kit.Line;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.Rule;
import humble.core.kit.Task;
import humble.core.kit.TaskKind;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * The hard facts between the nodes of a kit: first what the kit itself says, then what follows from
 * the kind of work, which gives way wherever the kit has it the other way round.
 */
final class HardFacts {
  private static final Set<TaskKind> BEFORE_ANYTHING =
      Set.of(
          TaskKind.INSPECT, TaskKind.PREPARE, TaskKind.REMOVE, TaskKind.WIND, TaskKind.CONFIGURE);
  private static final Set<TaskKind> ON_A_WHOLE_BOARD =
      Set.of(TaskKind.LOAD, TaskKind.TEST, TaskKind.TRIM, TaskKind.ALIGN, TaskKind.MEASURE);
  private static final Set<TaskKind> MAKES_IT_WHOLE =
      Set.of(TaskKind.CLEAN, TaskKind.WIRE, TaskKind.LINK, TaskKind.FIT_PANEL);
  private static final Set<TaskKind> AFTER_THE_BENCH =
      Set.of(TaskKind.LOAD, TaskKind.TEST, TaskKind.GLUE, TaskKind.CASE);

  private final Parts parts;
  private final Kit kit;
  private final Work work;
  private final Facts facts;
  private final GateNeeds needs;

  HardFacts(Parts parts, Work work, GateNeeds needs) {
    this.parts = parts;
    this.kit = parts.kit();
    this.work = work;
    this.facts = work.facts();
    this.needs = needs;
  }

  /** Adds all facts. */
  void gather() {
    places();
    surfaceMount();
    socketsByCount();
    options();
    rules();
    tasks();
    kit.gates().forEach(this::gate);
    water();
    for (Task task : kit.allTasks()) {
      if (task.after().contains("soldering")) {
        all(task, Node::isFit, "route.after-soldering");
      }
    }
    kit.allTasks().forEach(this::unsaid);
    cells();
    last(TaskKind.COAT, "route.coat-last");
    last(TaskKind.CASE, "route.case-last");
    room();
  }

  private void edge(String first, String then, Phrase because) {
    Node a = work.byName().get(first);
    Node b = work.byName().get(then);
    if (a != null && b != null) {
      facts.add(a, b, because);
    }
  }

  /** Adds a fact unless the other way round holds already. */
  private void unless(Node first, Node then, Phrase because) {
    if (first != then && !facts.precedes(then.index(), first.index())) {
      facts.add(first, then, because);
    }
  }

  private void places() {
    for (Node node : work.nodes()) {
      for (String ref : node.refs()) {
        Place place = Work.placeOf(parts.get(ref));
        place.covered().ifPresent(cover -> edge(ref, cover, Phrase.of("route.under", ref, cover)));
        String panel = place.panel();
        if (panel != null) {
          edge(panel, ref, Phrase.of("route.panel", ref));
        }
        parts
            .socketOf(ref)
            .ifPresent(socket -> edge(socket, ref, Phrase.of("route.socket", ref, socket)));
      }
    }
  }

  private void surfaceMount() {
    for (Node node : work.nodes()) {
      for (Node other : work.nodes()) {
        boolean pair = node.isFit() && other.isFit() && node.board().equals(other.board());
        if (pair && node.lead() == LeadClass.SMD && other.lead() != LeadClass.SMD) {
          facts.add(node, other, Phrase.of("route.smd", node.name()));
        }
      }
    }
  }

  /** A joint that a body on its own side would wall in is made before that body stands there. */
  private void room() {
    IronRoom.walls(parts, work.nodes())
        .forEach(wall ->
            unless(
                wall.joint(),
                wall.body(),
                Phrase.of("route.room", wall.pin().toString(), wall.by())));
  }

  private void options() {
    for (KitOption option : kit.options()) {
      for (KitOption.Choice choice : option.choices()) {
        List<String> changed = new ArrayList<>(choice.fit());
        changed.addAll(choice.omit());
        changed.forEach(ref -> edge(option.id(), ref, Phrase.of("route.choose", ref)));
      }
    }
  }

  private void rules() {
    for (Rule rule : kit.rules()) {
      for (String first : rule.first()) {
        for (String then : rule.then()) {
          edge(
              first,
              then,
              Phrase.of("route.rule", kit.titleOf(first), kit.titleOf(then), rule.because()));
        }
      }
    }
  }

  private void tasks() {
    for (Task task : kit.allTasks()) {
      task.before()
          .forEach(then ->
              edge(
                  task.id(),
                  then,
                  Phrase.of("route.task-before", task.title(), kit.titleOf(then))));
      for (String first : task.after()) {
        if (!first.equals("soldering")) {
          edge(first, task.id(), Phrase.of("route.task-after", task.title(), kit.titleOf(first)));
        }
      }
    }
  }

  /** A gate comes after what it needs, and before what its state does not have. */
  private void gate(Gate gate) {
    Node node = work.byName().get(gate.id());
    if (node == null) {
      return;
    }
    gate.before()
        .forEach(then ->
            edge(gate.id(), then, Phrase.of("route.gate-before", gate.title(), kit.titleOf(then))));
    kit.state(gate.state())
        .ifPresent(state ->
            state
                .absent()
                .forEach(ref ->
                    edge(gate.id(), ref, Phrase.of("route.gate-absent", gate.title(), ref))));
    for (String ref : needs.of(gate)) {
      Node needed = work.byName().get(ref);
      if (needed != null && needed.isCell()) {
        work.interim(node, needed);
        parts
            .socketOf(ref)
            .ifPresent(holder ->
                edge(holder, gate.id(), Phrase.of("route.gate-needs", gate.title(), holder)));
      } else {
        edge(ref, gate.id(), Phrase.of("route.gate-needs", gate.title(), ref));
      }
    }
  }

  /** What cleans with liquid goes before what hates water, unless the kit has it the other way. */
  private void water() {
    for (Task task : kit.allTasks()) {
      Node wash = work.byName().get(task.id());
      if (wash == null || task.kind() != TaskKind.CLEAN) {
        continue;
      }
      for (Node node : work.nodes()) {
        boolean hates = lineOf(node).filter(line -> line.fragile().contains("water")).isPresent();
        if (hates) {
          unless(wash, node, Phrase.of("route.water", node.name()));
        }
        if (node.act() == Step.Act.INSERT) {
          unless(wash, node, Phrase.of("route.wash-first", node.name()));
        }
      }
      for (Task hung : kit.allTasks()) {
        Node hangs = work.byName().get(hung.id());
        if (hangs != null && (hung.kind() == TaskKind.LINK || hung.kind() == TaskKind.WIRE)) {
          unless(wash, hangs, Phrase.of("route.wash-bare", hung.title()));
        }
      }
    }
  }

  private Optional<Line> lineOf(Node node) {
    return node.refs().isEmpty()
        ? Optional.ofNullable(node.line())
        : Optional.of(parts.get(node.refs().getFirst()).line());
  }

  /** A chip of a list without places goes into a socket of as many pins that is soldered first. */
  private void socketsByCount() {
    for (Node chip : work.nodes()) {
      for (Node socket : work.nodes()) {
        if (Work.takes(kit, socket, chip)) {
          facts.add(socket, chip, Phrase.of("route.socket", chip.name(), socket.name()));
        }
      }
    }
  }

  private void all(Task task, Predicate<Node> which, String because) {
    Node node = work.byName().get(task.id());
    if (node == null) {
      return;
    }
    for (Node first : work.nodes()) {
      if (which.test(first)) {
        unless(first, node, Phrase.of(because, task.title()));
      }
    }
  }

  /** A task of which the kit says neither before nor after comes where such work usually does. */
  private void unsaid(Task task) {
    Node node = work.byName().get(task.id());
    boolean said = !task.after().isEmpty() || !task.before().isEmpty();
    if (said || node == null || BEFORE_ANYTHING.contains(task.kind()) || isPanel(kit, task)) {
      return;
    }
    all(task, Node::isFit, "route.after-soldering");
    if (ON_A_WHOLE_BOARD.contains(task.kind())) {
      all(
          task,
          first ->
              first.act() == Step.Act.INSERT
                  || first.act() == Step.Act.GATE
                  || isKind(first, MAKES_IT_WHOLE),
          "route.whole-board");
    }
  }

  private static boolean isPanel(Kit kit, Task task) {
    return kit.places().stream().anyMatch(place -> task.id().equals(place.panel()));
  }

  /** A cell goes in for good when nothing is soldered, washed or lacquered any more. */
  private void cells() {
    for (Node cell : work.nodes()) {
      if (!cell.isCell()) {
        continue;
      }
      for (Node first : work.nodes()) {
        if (!isKind(first, AFTER_THE_BENCH) && !first.isCell()) {
          unless(first, cell, Phrase.of("route.cell-last", cell.name()));
        }
      }
    }
  }

  /** Everything comes before lacquer and before the case, but what the kit puts after them. */
  private void last(TaskKind kind, String because) {
    for (Task task : kit.allTasks()) {
      if (task.kind() == kind) {
        all(task, first -> !isKind(first, EnumSet.of(kind, TaskKind.CASE)), because);
      }
    }
  }

  private boolean isKind(Node node, Set<TaskKind> kinds) {
    return node.act() == Step.Act.TASK
        && kit.task(node.id()).map(task -> kinds.contains(task.kind())).orElse(false);
  }

  /** Tells whether a task wants to be done as soon as it may be. */
  static boolean isEarly(Kit kit, Task task) {
    return task.before().isEmpty()
        && !isPanel(kit, task)
        && task.kind() != TaskKind.COAT
        && task.kind() != TaskKind.GLUE
        && task.kind() != TaskKind.CASE;
  }
}
