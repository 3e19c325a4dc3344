package humble.core.craft;

import humble.core.kit.LeadClass;
import humble.core.kit.Mount;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Place;
import humble.core.words.Phrase;
import java.util.Locale;

/** What keeps a part in place while the board is over and the iron is in the hand. */
public enum Hold {
  /** The part it will mate with, plugged in, so that both end up square. */
  MATE,
  /** The panel it must meet. */
  PANEL,
  /** Tweezers on a part that lies on its own pads. */
  TWEEZERS,
  /** A strip of card of the right thickness under its body. */
  GAUGE,
  /** Something thicker than card under its body: a spacer. */
  SPACER,
  /** Its leads, bent outwards by 45° on the far side. */
  BENT_LEADS,
  /** Its own legs, which click in. */
  ITSELF,
  /** A card slid over all of them before the board is turned. */
  CARD,
  /** Tape across it. */
  TAPE,
  /** Putty round a tall body. */
  PUTTY,
  /** A clamp. */
  CLAMP;

  private static final double TALL_MM = 10;

  /** No card is thicker than this. */
  private static final double CARD_MM = 1.5;

  /** Gives the way to hold a part, from its mate, its leads, its height and its mount. */
  public static Hold of(Part part) {
    Place place = part.placed().orElseGet(() -> Place.unknown(part.ref()));
    if (place.jig() != null) {
      return MATE;
    }
    if (place.panel() != null) {
      return PANEL;
    }
    if (part.pack().lead() == LeadClass.SMD) {
      return TWEEZERS;
    }
    if (place.mount() == Mount.RAISED || place.mount() == Mount.PROUD) {
      return place.standoffMm() > CARD_MM ? SPACER : GAUGE;
    }
    return switch (part.pack().lead()) {
      case THIN -> part.pack().heightMm() > TALL_MM ? PUTTY : BENT_LEADS;
      case PIN -> byPins(part);
      case TAB -> part.pack().heightMm() > TALL_MM ? PUTTY : CLAMP;
      case SMD -> TWEEZERS;
    };
  }

  private static Hold byPins(Part part) {
    PartKind kind = part.line().kind();
    if (kind == PartKind.BUTTON) {
      return ITSELF;
    }
    if (kind == PartKind.SOCKET || part.pack().isDualInLine()) {
      return CARD;
    }
    return part.pack().heightMm() > TALL_MM ? PUTTY : TAPE;
  }

  /** Gives the sentence that says how. */
  public Phrase how() {
    return Phrase.of("craft.hold." + name().toLowerCase(Locale.ROOT).replace('_', '-'));
  }
}
