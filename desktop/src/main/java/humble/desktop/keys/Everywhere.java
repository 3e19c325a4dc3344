package humble.desktop.keys;

import java.util.List;

/** The keys that hold everywhere, whatever stands on the card. */
public enum Everywhere {
  STAGES("F1–F10"),
  GUIDE("?"),
  KIT("F11"),
  BLINK("F12"),
  ENTER("Enter"),
  BACK("−"),
  NOTE("*"),
  WRONG("/"),
  LEAVE("Esc"),
  WHY("H"),
  UNDO("Ctrl Z"),
  PASTE("Ctrl V"),
  OPEN("Ctrl O"),
  LARGER("Ctrl +"),
  SMALLER("Ctrl −"),
  AS_IT_WAS("Ctrl 0");

  private final String cap;

  Everywhere(String cap) {
    this.cap = cap;
  }

  /** Gives what stands on the key. */
  public String cap() {
    return cap;
  }

  /** Gives the key of its name in the words. */
  public String key() {
    return "everywhere." + name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
  }

  /** Gives all, in the order in which they are told. */
  public static List<Everywhere> all() {
    return List.of(values());
  }
}
