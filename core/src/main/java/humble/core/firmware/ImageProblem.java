package humble.core.firmware;

import humble.core.words.Phrase;
import java.util.List;
import java.util.Locale;

/**
 * Something that stands against loading an image.
 *
 * @param kind what it is
 * @param from first address, included
 * @param to last address, included
 * @param about what its sentence names beside the addresses
 */
public record ImageProblem(Kind kind, long from, long to, List<String> about) {
  public ImageProblem {
    about = List.copyOf(about);
  }

  /** Makes one whose sentence names its addresses alone. */
  public ImageProblem(Kind kind, long from, long to) {
    this(kind, from, to, List.of());
  }

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
    OVERLAP,
    /** It says that it is for another family of chips. */
    FAMILY,
    /** It sets the chip to a clock that the board does not have. */
    CLOCK,
    /** It sets the chip so that nobody gets in again. */
    LOCK;

    /** Tells whether it may be gone past by who knows what it does, after a stop. */
    public boolean isStop() {
      return this == LOCK;
    }

    /** Gives the name used in output. */
    public String text() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** Gives it as a sentence. */
  public Phrase phrase() {
    Object[] told = new Object[2 + about.size()];
    told[0] = ImageCheck.hex(from);
    told[1] = ImageCheck.hex(to);
    for (int i = 0; i < about.size(); i++) {
      told[2 + i] = about.get(i);
    }
    return Phrase.of("image." + kind.text(), told);
  }
}
