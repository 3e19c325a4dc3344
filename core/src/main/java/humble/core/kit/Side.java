package humble.core.kit;

import java.util.Locale;
import java.util.Optional;

/** A side of a board: the component side is the top. */
public enum Side {
  TOP,
  BOTTOM;

  /** Gives the side of that name, {@code top} or {@code bottom}. */
  public static Optional<Side> named(String name) {
    return switch (name) {
      case "top" -> Optional.of(TOP);
      case "bottom" -> Optional.of(BOTTOM);
      default -> Optional.empty();
    };
  }

  /** Gives the other side. */
  public Side other() {
    return switch (this) {
      case TOP -> BOTTOM;
      case BOTTOM -> TOP;
    };
  }

  /** Gives the name used in kit files. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }
}
