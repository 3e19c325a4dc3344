package humble.core.kit;

import java.util.Locale;
import java.util.Optional;

/** What kind of lead is soldered; it decides the tip, the heat and the time of a joint. */
public enum LeadClass {
  THIN,
  PIN,
  TAB,
  SMD;

  /** Gives the class of that name. */
  public static Optional<LeadClass> named(String name) {
    for (LeadClass lead : values()) {
      if (lead.text().equals(name)) {
        return Optional.of(lead);
      }
    }
    return Optional.empty();
  }

  /** Gives the name used in kit files. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }
}
