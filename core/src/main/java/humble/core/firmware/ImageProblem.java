package humble.core.firmware;

import humble.core.words.Phrase;
import java.util.Locale;

/**
 * Something that stands against loading an image.
 *
 * @param kind what it is
 * @param from first address, included
 * @param to last address, included
 */
public record ImageProblem(Kind kind, long from, long to) {
  /** What can stand against it. */
  public enum Kind {
    /** No memory of the target holds it. */
    OUTSIDE,
    /** It lies where the target's own loader is. */
    BOOT,
    /** Every byte of it is as erased memory is. */
    BLANK,
    /** The target would not know where to start. */
    VECTOR,
    /** It is defined twice. */
    OVERLAP;

    /** Gives the name used in output. */
    public String text() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** Gives it as a sentence. */
  public Phrase phrase() {
    return Phrase.of("image." + kind.text(), ImageCheck.hex(from), ImageCheck.hex(to));
  }
}
