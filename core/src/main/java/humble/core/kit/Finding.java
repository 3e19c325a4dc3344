package humble.core.kit;

/**
 * Something a check found in an input.
 *
 * @param level how much it matters
 * @param where file and JSON pointer or line
 * @param text one plain sentence
 */
public record Finding(Level level, String where, String text) {
  /** How much a finding matters: errors stop a kit from opening. */
  public enum Level {
    ERROR,
    WARNING,
    NOTE
  }

  /** Gives an error. */
  public static Finding error(String where, String text) {
    return new Finding(Level.ERROR, where, text);
  }

  /** Gives a warning. */
  public static Finding warning(String where, String text) {
    return new Finding(Level.WARNING, where, text);
  }

  /** Gives a note. */
  public static Finding note(String where, String text) {
    return new Finding(Level.NOTE, where, text);
  }

  /** Tells whether it is an error. */
  public boolean isError() {
    return level == Level.ERROR;
  }

  @Override
  public String toString() {
    return where + ": " + text;
  }
}
