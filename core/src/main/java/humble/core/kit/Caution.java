package humble.core.kit;

/**
 * Something that can hurt somebody or something, where it can.
 *
 * @param at ref, task or gate it stands at
 * @param text short sentence
 * @param level how grave it is
 */
public record Caution(String at, String text, Level level) {
  /** How grave a caution is; {@code STOP} needs an acknowledgement. */
  public enum Level {
    CARE,
    DANGER,
    STOP
  }
}
