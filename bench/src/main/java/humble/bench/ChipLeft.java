package humble.bench;

import humble.core.words.Phrase;
import java.util.Locale;

/** What is in a chip after a load that did not come to its end. */
public enum ChipLeft {
  /** Nothing was changed in it. */
  AS_IT_WAS,
  /** A part of the program, without the page that starts it. */
  PART_THAT_DOES_NOT_START,
  /** All of the program, read back the same; it does not start. */
  ALL_THAT_DOES_NOT_START,
  /** Nobody can tell from here. */
  UNKNOWN;

  /** Gives it as a sentence. */
  public Phrase phrase() {
    return Phrase.of("chip-left." + name().toLowerCase(Locale.ROOT).replace('_', '-'));
  }
}
