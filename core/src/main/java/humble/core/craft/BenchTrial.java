package humble.core.craft;

import humble.core.kit.Line;
import humble.core.kit.PartKind;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** What can be tried on the bench before it is soldered, and how. */
public enum BenchTrial {
  /** A light, on the meter's diode range. */
  LIGHT(Set.of(PartKind.LED)),
  /** Contacts, on the meter's beep. */
  CONTACT(Set.of(PartKind.SWITCH, PartKind.BUTTON)),
  /** A module, on its supply alone. */
  MODULE(Set.of(PartKind.DISPLAY, PartKind.MODULE));

  private final Set<PartKind> kinds;

  BenchTrial(Set<PartKind> kinds) {
    this.kinds = kinds;
  }

  /**
   * Gives how parts of a line are tried; a light that has to be lit to be known is a step anyway.
   */
  public static Optional<BenchTrial> of(Line line) {
    for (BenchTrial each : values()) {
      if (each.kinds.contains(line.kind()) && !line.isLitToBeKnown() && !line.isOnBoard()) {
        return Optional.of(each);
      }
    }
    return Optional.empty();
  }

  /** Gives the name used in words. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }
}
