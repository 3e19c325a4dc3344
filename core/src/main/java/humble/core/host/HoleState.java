package humble.core.host;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How a hole of a board that was there before was last seen. */
public enum HoleState {
  /** Light shows through it. */
  OPEN,
  /** There is solder in it. */
  FILLED,
  /** Its pad has come off. */
  LIFTED;

  /** Gives the one of that name. */
  public static Optional<HoleState> named(String name) {
    return Arrays.stream(values()).filter(each -> each.text().equals(name)).findFirst();
  }

  /** Gives the name used in journals and output. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }
}
