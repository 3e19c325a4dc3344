package humble.core.mend;

import humble.core.kit.Part;
import humble.core.kit.PartKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What eyes, a finger held near, a nose and a hand at the keys say of a part. */
public enum Sight {
  LIT,
  DIM,
  DARK,
  FLICKER,
  HOT,
  SMELL,

  /** A clock runs: both ends stand at about half, and one moves when it is touched. */
  RUNNING,

  /** A clock stands: its ends stand at a rail, or nothing moves. */
  STILL,

  /** A key, a switch, a knob or a sensor does nothing. */
  IDLE;

  private static final double DARK_A = 1e-4;
  private static final double USUAL_LIGHT_A = 5e-3;

  /** A light that passes less than this part of what it should is seen to be dim. */
  private static final double DIM_PART = 0.35;

  /**
   * Gives how a light looks.
   *
   * @param amps current through it, in amperes
   * @param designedAmps current through it on a board as designed; where that leaves it dark, a
   *     usual one counts
   */
  public static Sight of(double amps, double designedAmps) {
    double full = designedAmps >= DARK_A ? designedAmps : USUAL_LIGHT_A;
    return amps < DARK_A ? DARK : amps < DIM_PART * full ? DIM : LIT;
  }

  /** Tells whether a part can look, sound or feel so: only a clock runs, only a key is idle. */
  public boolean mayBeOf(Part part) {
    return switch (this) {
      case LIT, DIM, DARK, FLICKER, HOT, SMELL -> true;
      case RUNNING, STILL ->
          part.line().kind() == PartKind.CRYSTAL || part.line().kind() == PartKind.RESONATOR;
      case IDLE -> part.mayBeIdle();
    };
  }

  /** Gives what is worth asking of a part, what only it may be first. */
  public static List<Sight> worthAsking(Part part) {
    List<Sight> all = new ArrayList<>();
    for (Sight sight : List.of(RUNNING, STILL, IDLE)) {
      if (sight.mayBeOf(part)) {
        all.add(sight);
      }
    }
    if (shines(part.line().kind())) {
      all.addAll(List.of(LIT, DIM, DARK, FLICKER));
    }
    all.addAll(List.of(HOT, SMELL));
    return List.copyOf(all);
  }

  private static boolean shines(PartKind kind) {
    return kind == PartKind.LED
        || kind == PartKind.LED_SMART
        || kind == PartKind.LED_MATRIX
        || kind == PartKind.LASER
        || kind == PartKind.DISPLAY
        || kind == PartKind.MODULE;
  }

  /** Gives the name used in commands. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** Gives the sight of that name. */
  public static Optional<Sight> named(String name) {
    for (Sight sight : values()) {
      if (sight.text().equals(name)) {
        return Optional.of(sight);
      }
    }
    return Optional.empty();
  }
}
