package humble.desktop.session;

import java.util.Optional;

/** What is known of something that is worked out in the background. */
public sealed interface Known<T> {
  /** It is being worked out. */
  record Waiting<T>() implements Known<T> {}

  /** It is known. */
  record Is<T>(T value) implements Known<T> {}

  /** It is known that there is nothing: no operating point, no supply, nothing to judge. */
  record Nothing<T>() implements Known<T> {}

  /** It could not be worked out; one sentence says so. */
  record Failed<T>(String sentence) implements Known<T> {}

  /** Gives the value where there is one. */
  default Optional<T> found() {
    return this instanceof Is<T> is ? Optional.of(is.value()) : Optional.empty();
  }
}
