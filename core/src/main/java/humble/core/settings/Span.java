package humble.core.settings;

/**
 * Part of a text.
 *
 * @param from first character
 * @param to character after the last one
 */
public record Span(int from, int to) {
  /** Gives what stands there. */
  public String of(String text) {
    return text.substring(from, to);
  }
}
