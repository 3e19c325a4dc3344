package humble.core.kit;

import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Finds every contradiction within a kit: names that lead nowhere, parts placed twice, rules that
 * run in a circle.
 *
 * <p>As long as there is to check: a short method for each part of a kit.
 */
public final class KitCheck {
  private static final List<String> STAGES =
      List.of("shelf", "unpack", "sort", "plan", "fit", "power", "load", "wake", "close", "book");

  private final Kit kit;
  private final Parts parts;
  private final List<Finding> findings = new ArrayList<>();
  private final Set<String> refs = new HashSet<>();
  private final Set<String> taskIds = new HashSet<>();

  private KitCheck(Kit kit) {
    this.kit = kit;
    this.parts = Parts.of(kit);
  }

  /** Gives all findings; the pointers are those of the kit file the kit was read from. */
  public static List<Finding> of(Kit kit) {
    KitCheck check = new KitCheck(kit);
    check.names();
    check.lines();
    check.places();
    check.nets();
    check.work();
    check.power();
    check.wake();
    check.handwork();
    check.cautions();
    check.legends();
    check.cycle();
    check.findings.addAll(FinishingSense.of(check.parts));
    check.findings.addAll(PanelSense.of(kit, check.refs));
    check.findings.addAll(SettingSense.of(kit));
    check.findings.addAll(LineSense.of(kit));
    check.findings.addAll(CableSense.of(check.parts));
    check.findings.addAll(CircuitSense.of(check.parts));
    return List.copyOf(check.findings);
  }

  /**
   * Gives what cannot be on a board: asked of a kit without errors, for where names lead nowhere
   * the places are not what was meant.
   */
  public static List<Finding> board(Kit kit) {
    return BoardSense.of(Parts.of(kit));
  }

  private void names() {
    for (int i = 0; i < kit.lines().size(); i++) {
      List<String> refs = kit.lines().get(i).refs();
      for (int k = 0; k < refs.size(); k++) {
        object("/lines/" + i + "/refs/" + k, NameRule.ref(refs.get(k)));
      }
    }
    kit.nets().keySet().forEach(net -> object("/nets/" + escape(net), NameRule.net(net)));
    for (int i = 0; i < kit.packages().size(); i++) {
      List<PackagePin> pins = kit.packages().get(i).pins();
      for (int k = 0; k < pins.size(); k++) {
        object("/packages/" + i + "/pins/" + k + "/n", NameRule.pin(pins.get(k).number()));
      }
    }
  }

  private void object(String at, Optional<NameRule.Objection> objection) {
    objection.ifPresent(found -> {
      if (found.error()) {
        error(at, found.text());
      } else {
        warning(at, found.text());
      }
    });
  }

  /** What is printed stands at a part of the kit. */
  private void legends() {
    List<Enclosure.Legend> all = kit.casing().map(Enclosure::legends).orElse(List.of());
    for (int i = 0; i < all.size(); i++) {
      String ref = all.get(i).ref();
      if (kit.lines().stream().noneMatch(line -> line.refs().contains(ref))) {
        error("/enclosure/legends/" + i + "/ref", "There is no part '" + ref + "'.");
      }
    }
  }

  /** A caution whose place nothing bears would never be shown. */
  private void cautions() {
    Set<String> named = new HashSet<>(STAGES);
    named.addAll(kit.finishing().ids());
    named.addAll(refs);
    named.addAll(taskIds);
    named.addAll(kit.nets().keySet());
    kit.peripherals().forEach(each -> named.add(each.id()));
    kit.firmware().images().forEach(each -> named.add(each.id()));
    kit.firmware().toggled().forEach(each -> named.add(each.id()));
    named.addAll(kit.firmware().beside().ids());
    kit.handwork().wires().forEach(each -> named.add(each.id()));
    kit.handwork().cables().forEach(each -> named.add(each.id()));
    kit.loose().forEach(each -> named.add(each.id()));
    kit.options().forEach(each -> named.add(each.id()));
    for (int i = 0; i < kit.cautions().size(); i++) {
      String at = kit.cautions().get(i).at();
      if (!named.contains(at)) {
        error(
            "/cautions/" + i + "/at",
            "'"
                + at
                + "' is no part, net, gate, task, peripheral, image, wire, loose item, option,"
                + " trim, calibration, proof or stage of this kit: the caution would never be shown.");
      }
    }
  }

  private void lines() {
    Map<String, String> ownerOf = new HashMap<>();
    Set<String> ids = new HashSet<>();
    Set<String> leftOut = Choices.leftOut(kit, Map.of());
    for (int i = 0; i < kit.lines().size(); i++) {
      Line line = kit.lines().get(i);
      String at = "/lines/" + i;
      if (!ids.add(line.id())) {
        error(at + "/id", "There are two lines '" + line.id() + "'.");
      }
      for (int k = 0; k < line.refs().size(); k++) {
        String ref = line.refs().get(k);
        refs.add(ref);
        String before = ownerOf.putIfAbsent(ref, line.id());
        if (before != null) {
          error(at + "/refs/" + k, ref + " already belongs to line '" + before + "'.");
        }
      }
      if (kit.packageNamed(line.packageId()).isEmpty()) {
        error(at + "/package", "There is no package '" + line.packageId() + "'.");
      }
      boolean valued = line.kind() == PartKind.RESISTOR || line.kind() == PartKind.CAPACITOR;
      if (valued
          && line.model() == null
          && Quantity.parse(line.value()) instanceof QuantityText.Unreadable bad) {
        if (line.value().isEmpty()) {
          warning(
              at + "/value",
              "Nothing says the value of line '"
                  + line.id()
                  + "'; what it should measure is not known.");
        } else {
          error(at + "/value", "The value cannot be read: " + bad.sentence());
        }
      }
      modelPins(at, line);
      marks(at + "/polarity_marks", line.polarityMarks(), line.refs());
      long needed = line.refs().stream().filter(ref -> !leftOut.contains(ref)).count();
      if (!line.isOnBoard()
          && line.supplied() < needed
          && line.kind() != PartKind.LINK
          && line.stripOf() == 0) {
        warning(
            at + "/supplied",
            "Line '"
                + line.id()
                + "' supplies "
                + line.supplied()
                + " but its places need "
                + needed
                + ".");
      }
      for (int k = 0; k < line.substitutes().size(); k++) {
        if (kit.line(line.substitutes().get(k)).isEmpty()) {
          error(at + "/substitutes/" + k, "There is no line '" + line.substitutes().get(k) + "'.");
        }
      }
    }
  }

  private void marks(String at, List<String> marks, List<String> refs) {
    Part part = refs.isEmpty() ? null : parts.part(refs.getFirst()).orElse(null);
    for (int k = 0; k < marks.size(); k++) {
      String mark = marks.get(k);
      if (!Marks.KNOWN.contains(Marks.shape(mark))) {
        error(
            at + "/" + k,
            "There is no mark '"
                + Marks.shape(mark)
                + "'. It is one of: "
                + String.join(", ", Marks.KNOWN)
                + ".");
      }
      String pin = Marks.pin(mark).orElse("");
      if (part != null && !pin.isEmpty() && part.pinNumber(pin).isEmpty()) {
        error(at + "/" + k, part.ref() + " has no pin '" + pin + "'.");
      }
    }
  }

  /** A model whose pins the package lacks could not be put into any circuit. */
  private void modelPins(String at, Line line) {
    Part part = line.refs().isEmpty() ? null : parts.part(line.refs().getFirst()).orElse(null);
    if (part == null) {
      return;
    }
    for (String pin : ModelPins.of(part.model())) {
      if (part.pinNumber(pin).isEmpty()) {
        error(
            at + "/model",
            "The model names pin '" + pin + "', which the package " + part.pack().id() + " lacks.");
      }
    }
  }

  private void places() {
    Set<String> placed = new HashSet<>();
    for (int i = 0; i < kit.places().size(); i++) {
      Place place = kit.places().get(i);
      String at = "/places/" + i;
      if (!refs.contains(place.ref())) {
        error(at + "/ref", "No line lists " + place.ref() + ".");
      }
      if (!placed.add(place.ref())) {
        error(at + "/ref", place.ref() + " is placed twice.");
      }
      if (kit.board(place.board()).isEmpty()) {
        error(at + "/board", "There is no board '" + place.board() + "'.");
      }
      knownRef(at + "/under", place.under());
      knownRef(at + "/jig", place.jig());
      if (place.panel() != null && kit.task(place.panel()).isEmpty()) {
        error(at + "/panel", "There is no task '" + place.panel() + "'.");
      }
      Part part = parts.part(place.ref()).orElse(null);
      marks(at + "/board_marks", place.marks(), List.of(place.ref()));
      if (part != null) {
        rowAndPins(place, part, at);
      }
    }
  }

  private void rowAndPins(Place place, Part part, String at) {
    if (place.rowHoles() > 0
        && (place.rowFrom() < 1
            || place.rowFrom() + part.pack().pins().size() - 1 > place.rowHoles())) {
      error(
          at + "/row",
          place.ref()
              + " does not fit into "
              + place.rowHoles()
              + " holes from hole "
              + place.rowFrom()
              + ".");
    }
    for (int k = 0; k < place.leaveEmpty().size(); k++) {
      if (part.pinNumber(place.leaveEmpty().get(k)).isEmpty()) {
        error(
            at + "/leave_empty/" + k,
            place.ref() + " has no pin '" + place.leaveEmpty().get(k) + "'.");
      }
    }
  }

  private void nets() {
    Map<PinRef, String> seen = new HashMap<>();
    kit.nets()
        .forEach((net, pins) -> {
          for (int k = 0; k < pins.size(); k++) {
            String at = "/nets/" + escape(net) + "/" + k;
            PinRef canonical = pin(at, pins.get(k));
            String before = canonical == null ? null : seen.putIfAbsent(canonical, net);
            if (before != null) {
              error(at, canonical + " is already on net " + before + ".");
            }
          }
        });
  }

  private @Nullable PinRef pin(String at, PinRef pin) {
    if (!refs.contains(pin.ref())) {
      error(at, "No line lists " + pin.ref() + ".");
      return null;
    }
    Part part = parts.part(pin.ref()).orElse(null);
    if (part == null) {
      return null;
    }
    if (part.pinNumber(pin.pin()).isEmpty()) {
      error(
          at,
          "The package "
              + part.pack().id()
              + " of "
              + pin.ref()
              + " has no pin '"
              + pin.pin()
              + "'.");
      return null;
    }
    return parts.canonical(pin).orElse(null);
  }

  private void work() {
    kit.allTasks().forEach(task -> taskIds.add(task.id()));
    kit.gates().forEach(gate -> taskIds.add(gate.id()));
    for (int i = 0; i < kit.rules().size(); i++) {
      steps("/rules/" + i + "/first", kit.rules().get(i).first());
      steps("/rules/" + i + "/then", kit.rules().get(i).then());
    }
    for (int i = 0; i < kit.tasks().size(); i++) {
      steps("/tasks/" + i + "/after", kit.tasks().get(i).after());
      steps("/tasks/" + i + "/before", kit.tasks().get(i).before());
    }
    for (int i = 0; i < kit.blocks().size(); i++) {
      steps("/blocks/" + i + "/refs", kit.blocks().get(i).refs());
      steps("/blocks/" + i + "/gates", kit.blocks().get(i).gates());
    }
    for (int i = 0; i < kit.sheet().size(); i++) {
      SheetEntry entry = kit.sheet().get(i);
      steps("/sheet/" + i + "/refs", entry.refs());
      if (!entry.id().isEmpty() && !taskIds.contains(entry.id())) {
        error("/sheet/" + i + "/id", "There is no task or gate '" + entry.id() + "'.");
      }
    }
    for (int i = 0; i < kit.options().size(); i++) {
      KitOption option = kit.options().get(i);
      if (option.choice(option.defaultChoice()).isEmpty()) {
        error("/options/" + i + "/default", "There is no choice '" + option.defaultChoice() + "'.");
      }
      for (int k = 0; k < option.choices().size(); k++) {
        steps("/options/" + i + "/choices/" + k + "/fit", option.choices().get(k).fit());
        steps("/options/" + i + "/choices/" + k + "/omit", option.choices().get(k).omit());
      }
    }
  }

  private void power() {
    for (int i = 0; i < kit.gates().size(); i++) {
      Gate gate = kit.gates().get(i);
      steps("/gates/" + i + "/before", gate.before());
      if (kit.state(gate.state()).isEmpty()) {
        error("/gates/" + i + "/state", "There is no state '" + gate.state() + "'.");
      }
      for (int k = 0; k < gate.at().size(); k++) {
        net("/gates/" + i + "/at/" + k, gate.at().get(k));
      }
    }
    for (int i = 0; i < kit.supplies().size(); i++) {
      net("/supplies/" + i + "/plus", kit.supplies().get(i).plus());
      net("/supplies/" + i + "/minus", kit.supplies().get(i).minus());
    }
    for (int i = 0; i < kit.states().size(); i++) {
      BoardState state = kit.states().get(i);
      String at = "/states/" + i;
      if (state.supply() != null && kit.supply(state.supply()).isEmpty()) {
        error(at + "/supply", "There is no supply '" + state.supply() + "'.");
      }
      steps(at + "/absent", state.absent());
      steps(at + "/closed", state.closed());
      settings(at, state);
      for (String held : new TreeSet<>(state.sources().keySet())) {
        net(at + "/sources/" + escape(held), held);
      }
      for (String driven : new TreeSet<>(state.drive().keySet())) {
        net(at + "/drive/" + escape(driven), driven);
      }
    }
  }

  /** A knob is a potentiometer, or the wiper of one track of several. */
  private boolean isKnob(String knob) {
    if (parts.part(knob).filter(part -> part.model() instanceof Model.Pot).isPresent()) {
      return true;
    }
    return PinRef.parse(knob)
        .filter(pin ->
            parts.part(pin.ref()).map(Part::model).orElse(null) instanceof Model.Pot pot
                && pot.tracks().stream().anyMatch(track -> track.get(1).equals(pin.pin())))
        .isPresent();
  }

  /** What a state sets has to be there, and has to be what can be set so. */
  private void settings(String at, BoardState state) {
    for (int k = 0; k < state.closed().size(); k++) {
      String ref = state.closed().get(k);
      if (parts.part(ref).filter(part -> !(part.model() instanceof Model.Switch)).isPresent()) {
        error(at + "/closed/" + k, ref + " has no contacts that could be closed.");
      }
    }
    for (String knob : new TreeSet<>(state.set().keySet())) {
      if (!isKnob(knob)) {
        error(at + "/set/" + escape(knob), "'" + knob + "' is no potentiometer of this kit.");
      }
    }
    state
        .choose()
        .forEach((id, choice) -> {
          KitOption option =
              kit.options().stream().filter(each -> each.id().equals(id)).findFirst().orElse(null);
          if (option == null) {
            error(at + "/choose/" + escape(id), "There is no option '" + id + "'.");
          } else if (option.choice(choice).isEmpty()) {
            error(
                at + "/choose/" + escape(id),
                "Option '" + id + "' has no choice '" + choice + "'.");
          }
        });
  }

  private void wake() {
    Set<String> awake = new HashSet<>(taskIds);
    kit.peripherals().forEach(each -> awake.add(each.id()));
    kit.firmware().images().forEach(each -> awake.add(each.id()));
    for (int i = 0; i < kit.peripherals().size(); i++) {
      Peripheral peripheral = kit.peripherals().get(i);
      for (int k = 0; k < peripheral.after().size(); k++) {
        String before = peripheral.after().get(k);
        if (!awake.contains(before)) {
          error(
              "/peripherals/" + i + "/after/" + k,
              "'" + before + "' is no peripheral, image, task or gate of this kit.");
        }
      }
      knownRef(
          "/peripherals/" + i + "/part", peripheral.part().isEmpty() ? null : peripheral.part());
    }
    findings.addAll(WakeSense.of(parts));
    for (int i = 0; i < kit.firmware().images().size(); i++) {
      String target = kit.firmware().images().get(i).target();
      if (kit.firmware().target(target).isEmpty()) {
        error("/firmware/images/" + i + "/target", "There is no target '" + target + "'.");
      }
    }
    for (int i = 0; i < kit.firmware().targets().size(); i++) {
      knownRef("/firmware/targets/" + i + "/ref", kit.firmware().targets().get(i).ref());
    }
  }

  private void handwork() {
    Handwork work = kit.handwork();
    for (int i = 0; i < work.windings().size(); i++) {
      String ref = work.windings().get(i).ref();
      knownRef("/windings/" + i + "/ref", ref.isEmpty() ? null : ref);
    }
    for (int i = 0; i < work.wires().size(); i++) {
      WireRun wire = work.wires().get(i);
      if (!wire.task().isEmpty() && kit.task(wire.task()).isEmpty()) {
        error("/wires/" + i + "/task", "There is no task '" + wire.task() + "'.");
      }
    }
    for (int i = 0; i < work.modules().size(); i++) {
      ModuleRows module = work.modules().get(i);
      String at = "/modules/" + i;
      knownRef(at + "/ref", module.ref());
      int pins = parts.part(module.ref()).map(part -> part.pack().pins().size()).orElse(0);
      for (int k = 0; k < module.rows().size(); k++) {
        int labels = module.rows().get(k).labels().size();
        if (pins > 0 && labels != pins) {
          error(
              at + "/rows/" + k + "/labels",
              "Row '"
                  + module.rows().get(k).id()
                  + "' names "
                  + labels
                  + " holes, but "
                  + module.ref()
                  + " has "
                  + pins
                  + " pins.");
        }
      }
    }
  }

  private void net(String at, String text) {
    if (parts.net(text).isEmpty()) {
      error(at, "'" + text + "' is neither a net nor a pin on a net.");
    }
  }

  private void steps(String at, Collection<String> names) {
    int k = 0;
    for (String name : names) {
      if (!refs.contains(name) && !taskIds.contains(name) && !name.equals("soldering")) {
        error(at + "/" + k, "'" + name + "' is neither a part nor a task or gate of this kit.");
      }
      k++;
    }
  }

  private void knownRef(String at, @Nullable String ref) {
    if (ref != null && !refs.contains(ref)) {
      error(at, "No line lists " + ref + ".");
    }
  }

  /** Rules alone must have no circle; depth-first search with the path kept. */
  private void cycle() {
    RuleCircle.of(kit.rules())
        .ifPresent(path ->
            error("/rules", "The rules run in a circle: " + String.join(" before ", path) + "."));
  }

  private static String escape(String key) {
    return key.replace("~", "~0").replace("/", "~1");
  }

  private void error(String pointer, String text) {
    findings.add(Finding.error("kit.json#" + pointer, text));
  }

  private void warning(String pointer, String text) {
    findings.add(Finding.warning("kit.json#" + pointer, text));
  }
}
