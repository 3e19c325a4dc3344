package humble.core.kit;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A ring to be wound by hand.
 *
 * @param id name within the kit
 * @param ref part it becomes
 * @param core the ring
 * @param wireDiameterMm diameter over the enamel, in millimetres
 * @param tailsMm both tails of one coil together, in millimetres
 * @param coils coils in the order they are wound
 */
public record Winding(
    String id, String ref, Core core, double wireDiameterMm, double tailsMm, List<Coil> coils) {
  public Winding {
    coils = List.copyOf(coils);
  }

  /** Gives the coil of that id. */
  public Optional<Coil> coil(String id) {
    return coils.stream().filter(coil -> coil.id().equals(id)).findFirst();
  }

  /**
   * A ring.
   *
   * @param odMm outer diameter
   * @param idMm inner diameter
   * @param heightMm height
   * @param alNh inductance factor, nanohenries for one turn
   * @param colour how it is told from others, or empty
   */
  public record Core(double odMm, double idMm, double heightMm, double alNh, String colour) {}

  /**
   * One coil on the ring; a pass through the middle is a turn.
   *
   * @param id name within the winding
   * @param turns turns, 0 when they follow from {@code targetH}
   * @param targetH inductance wanted, in henries, when given instead of turns
   * @param sense {@code cw} or {@code ccw}, the ring looked at from above, the wire entering from
   *     above
   * @param ends pins of the part that its beginning and its end go to; empty where the kit does not
   *     say
   */
  public record Coil(
      String id, int turns, @Nullable Double targetH, String sense, List<String> ends) {
    public Coil {
      ends = List.copyOf(ends);
    }

    /** Makes a coil of which the kit does not say where its ends go. */
    public Coil(String id, int turns, @Nullable Double targetH, String sense) {
      this(id, turns, targetH, sense, List.of());
    }
  }
}
