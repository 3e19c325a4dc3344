package humble.desktop.stage;

/** The stages of a build, in the order of the bench; F1 to F10. */
public enum StageId {
  SHELF,
  UNPACK,
  SORT,
  PLAN,
  FIT,
  POWER,
  LOAD,
  WAKE,
  CLOSE,
  BOOK;

  /** Gives the key of its name in the words. */
  public String key() {
    return "stage." + name().toLowerCase(java.util.Locale.ROOT);
  }
}
