package humble.bench;

import humble.core.words.Phrase;
import java.io.IOException;

/** A line that cannot be used, with what to say of it. */
public final class LineTrouble extends IOException {
  private static final long serialVersionUID = 1L;

  private final transient Phrase phrase;

  /** Makes it. */
  public LineTrouble(Phrase phrase) {
    super(phrase.key());
    this.phrase = phrase;
  }

  /** Gives what to say. */
  public Phrase phrase() {
    return phrase;
  }
}
