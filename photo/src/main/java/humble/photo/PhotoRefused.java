package humble.photo;

import humble.core.words.Phrase;
import java.util.Objects;

/** A picture cannot be taken for what it should be; the phrase says why and what now. */
public final class PhotoRefused extends Exception {
  private static final long serialVersionUID = 1L;

  private final transient Phrase phrase;

  public PhotoRefused(Phrase phrase) {
    super(phrase.toString());
    this.phrase = phrase;
  }

  /** Gives why, and what now. */
  public Phrase phrase() {
    return Objects.requireNonNull(phrase);
  }
}
