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
  /** The name of the suspect that nothing is wrong, as far as meters and eyes show. */
  public static final String NO_FAULT = "nothing";

  /** How likely that is where nothing was seen that is wrong. */
  static final double NOTHING_PRIOR = 0.3;

  /** That nothing is wrong that a meter shows. */
  static final Suspect NOTHING = new Suspect(NO_FAULT, null, null, NOTHING_PRIOR);

  /** A cold joint is one suspect, whatever its ohms. */
  static Suspect of(Fault fault, double prior) {
    String name =
        fault instanceof Fault.Cold cold ? new Fault.Cold(cold.pin()).toString() : fault.toString();
    return new Suspect(name, fault, null, prior);
  }

  /** Tells whether it is that nothing is wrong. */
  public boolean isNothing() {
    return edit == null && known == null;
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
