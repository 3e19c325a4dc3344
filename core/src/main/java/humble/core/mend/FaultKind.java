package humble.core.mend;

import humble.core.circuit.Fault;
import java.util.Locale;
import java.util.Optional;

/** The kinds of fault a kit build has, with how often each is the one, before anybody's own log. */
public enum FaultKind {
  OPEN(0.30),
  COLD(0.06),
  SHORT(0.16),
  REVERSED(0.13),
  VALUE(0.09),
  SWAPPED(0.06),
  MISSING(0.05),
  DEAD(0.05),
  BLANK(0.03),
  STUCK(0.02),
  /** Not switched on, or the plug not home: hands, not solder. */
  OFF(0.02),
  KIT(0.03);

  private final double usualShare;

  FaultKind(double usualShare) {
    this.usualShare = usualShare;
  }

  /** Gives the share of all faults, 0 to 1: an estimate to begin with, told as such. */
  double usualShare() {
    return usualShare;
  }

  /** Gives the name that a fault begins with, such as {@code open}. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** Gives the kind that the text of a fault, {@code open:R3.2}, begins with. */
  public static Optional<FaultKind> of(String fault) {
    for (FaultKind kind : values()) {
      if (fault.startsWith(kind.text() + ":")) {
        return Optional.of(kind);
      }
    }
    return Optional.empty();
  }

  static FaultKind of(Fault fault) {
    return switch (fault) {
      case Fault.OpenJoint f -> OPEN;
      case Fault.Cold f -> COLD;
      case Fault.Bridge f -> SHORT;
      case Fault.Reversed f -> REVERSED;
      case Fault.Swapped f -> SWAPPED;
      case Fault.WrongValue f -> VALUE;
      case Fault.Missing f -> MISSING;
      case Fault.Dead f -> DEAD;
      case Fault.Blank f -> BLANK;
      case Fault.Stuck f -> STUCK;
      case Fault.Off f -> OFF;
    };
  }
}
