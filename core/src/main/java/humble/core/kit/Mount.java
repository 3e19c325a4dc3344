package humble.core.kit;

import java.util.Locale;
import java.util.Optional;

/** How a part sits on its board. */
public enum Mount {
  FLUSH,
  RAISED,
  PROUD,
  UPRIGHT,
  LYING,
  SOCKETED,
  FAR_SIDE;

  /** Gives the mount of that name in a kit file. */
  public static Optional<Mount> named(String name) {
    for (Mount mount : values()) {
      if (mount.text().equals(name)) {
        return Optional.of(mount);
      }
    }
    return Optional.empty();
  }

  /** Gives the name used in kit files. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
