package humble.bench;

import humble.core.kit.Firmware;
import humble.core.words.Phrase;
import java.util.List;
import java.util.Optional;

/** What a board answers when it is asked who is there. */
public final class Greeting {
  private static final String LANGUAGE = "humble-link/1";

  private Greeting() {}

  /**
   * Tells who answers instead of a target, by the name and by the identity that it gives; empty
   * when it is the target.
   *
   * @param hello the answer to {@code hello}
   */
  public static Optional<Phrase> stranger(String hello, Firmware.Target target) {
    if (!hello.startsWith("ok " + LANGUAGE)) {
      return Optional.of(Phrase.of("link.other-language", LANGUAGE, hello));
    }
    List<String> words = List.of(hello.split(" "));
    String name = words.size() < 3 ? "?" : words.get(2);
    if (!name.equals(target.id())) {
      return Optional.of(Phrase.of("line.identity", name, target.id()));
    }
    String wanted = target.facts().identity();
    int at = words.indexOf("id");
    String told = at > 2 && at + 1 < words.size() ? words.get(at + 1) : "";
    return wanted.isEmpty() || told.isEmpty() || told.equalsIgnoreCase(wanted)
        ? Optional.empty()
        : Optional.of(Phrase.of("line.identity-bytes", told, wanted));
  }
}
