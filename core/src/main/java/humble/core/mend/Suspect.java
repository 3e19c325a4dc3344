package humble.core.mend;

import humble.core.circuit.Fault;
import humble.core.kit.KitFault;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One thing that may be wrong.
 *
 * @param name as in commands: {@code open:R3.2}, {@code kit:wrong-cable}
 * @param edit the edit of the circuit, null for what a circuit cannot say
 * @param known the kit's own fault, null for an edit
 * @param prior how likely before anything was measured; all suspects together 1
 */
public record Suspect(String name, @Nullable Fault edit, @Nullable KitFault known, double prior) {
  static Suspect of(Fault fault, double prior) {
    return new Suspect(fault.toString(), fault, null, prior);
  }

  static Suspect of(KitFault fault, double prior) {
    return new Suspect("kit:" + fault.id(), null, fault, prior);
  }

  /** Gives the edit of the circuit. */
  public Optional<Fault> fault() {
    return Optional.ofNullable(edit);
  }

  /** Gives the kit's own fault. */
  public Optional<KitFault> kitFault() {
    return Optional.ofNullable(known);
  }

  Suspect times(double factor) {
    return new Suspect(name, edit, known, prior * factor);
  }
}
