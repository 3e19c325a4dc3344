package humble.core.casing;

import humble.core.kit.Enclosure;
import humble.core.kit.Place;
import humble.core.units.Band;
import humble.core.words.Phrase;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * One thing that does not fit, and what can be done.
 *
 * @param kind what does not fit
 * @param ref the part
 * @param against what it meets: a layer, a part, a cut-out; empty where only its place is limited
 * @param missingMm how much is missing, in millimetres
 * @param said it in words
 * @param cures what would cure it, the easiest first; none where nothing is known
 */
public record Misfit(
    Kind kind, String ref, String against, double missingMm, Phrase said, List<Cure> cures) {
  public Misfit {
    cures = List.copyOf(cures);
  }

  /** What does not fit. */
  public enum Kind {
    /** Too high for what lies over its board. */
    ROOM,
    /** Too high for the part that covers it. */
    COVER,
    /** Too high for what the kit allows at its place. */
    PLACE,
    /** It meets a part of the board that faces its own. */
    FACING,
    /** The ends of its leads meet what lies behind its board. */
    TAILS,
    /** Its top does not reach into its cut-out. */
    LOW,
    /** Its top comes out of its cut-out too far. */
    HIGH,
    /** It stands beside its cut-out. */
    BESIDE;

    /** Gives the name used in output. */
    public String text() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /**
   * One way to cure it.
   *
   * @param change what would be otherwise; empty where the kit cannot say it
   */
  public record Cure(Phrase how, Optional<Change> change) {
    static Cure of(String key, Object... values) {
      return new Cure(Phrase.of("case.cure." + key, values), Optional.empty());
    }

    Cure by(Change what) {
      return new Cure(how, Optional.of(what));
    }
  }

  /** What of a kit would be otherwise. */
  public sealed interface Change {
    /** A part sits so. */
    record Sits(Place place) implements Change {}

    /** A layer of the case is so thick. */
    record Thick(String layer, Band mm) implements Change {}

    /** The case has this cut-out. */
    record Hole(Enclosure.Cutout cutout) implements Change {}
  }
}
