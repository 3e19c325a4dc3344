package humble.core.kit;

import java.util.Optional;

/**
 * One pin of one part, written {@code REF.PIN}.
 *
 * @param ref reference designator
 * @param pin pin number or alias ({@code k a + -})
 */
public record PinRef(String ref, String pin) {
  /** Reads {@code REF.PIN}; empty when there is no point with something on both sides. */
  public static Optional<PinRef> parse(String text) {
    int dot = text.lastIndexOf('.');
    if (dot <= 0 || dot == text.length() - 1) {
      return Optional.empty();
    }
    return Optional.of(new PinRef(text.substring(0, dot), text.substring(dot + 1)));
  }

  @Override
  public String toString() {
    return ref + "." + pin;
  }
}
