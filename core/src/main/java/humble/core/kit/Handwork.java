package humble.core.kit;

import java.util.List;
import java.util.Optional;

/**
 * What a kit asks of the hands besides fitting parts into holes.
 *
 * @param windings coils to wind
 * @param wires wires to join
 * @param modules rows of holes for modules
 * @param cables cables between boards
 */
public record Handwork(
    List<Winding> windings, List<WireRun> wires, List<ModuleRows> modules, List<Cable> cables) {
  /** Nothing of the kind. */
  public static final Handwork NONE = new Handwork(List.of(), List.of(), List.of(), List.of());

  public Handwork {
    windings = List.copyOf(windings);
    wires = List.copyOf(wires);
    modules = List.copyOf(modules);
    cables = List.copyOf(cables);
  }

  /** Makes handwork without cables. */
  public Handwork(List<Winding> windings, List<WireRun> wires, List<ModuleRows> modules) {
    this(windings, wires, modules, List.of());
  }

  /** Gives the cable of that id. */
  public Optional<Cable> cable(String id) {
    return cables.stream().filter(cable -> cable.id().equals(id)).findFirst();
  }

  /** Gives the cable that ends at a part. */
  public Optional<Cable> cableAt(String ref) {
    return cables.stream().filter(cable -> cable.endsAt(ref)).findFirst();
  }

  /** Gives the winding of that id. */
  public Optional<Winding> winding(String id) {
    return windings.stream().filter(winding -> winding.id().equals(id)).findFirst();
  }

  /** Gives the winding that becomes the part {@code ref}. */
  public Optional<Winding> windingOf(String ref) {
    return windings.stream().filter(winding -> winding.ref().equals(ref)).findFirst();
  }

  /** Gives the rows for the module {@code ref}. */
  public Optional<ModuleRows> rowsOf(String ref) {
    return modules.stream().filter(module -> module.ref().equals(ref)).findFirst();
  }

  /** Gives the wires joined in a task. */
  public List<WireRun> wiresOf(String task) {
    return wires.stream().filter(wire -> wire.task().equals(task)).toList();
  }
}
