package humble.core.craft;

import humble.core.kit.LeadClass;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.words.Phrase;
import java.util.Locale;

/** The tip and the solder that a joint wants: by its lead, and by the copper behind it. */
public enum Iron {
  /** Contacts on their pads: flux, a narrow tip, the thinnest solder. */
  NARROW,
  /** Leads and pins of chips. */
  MEDIUM,
  /** Tabs, and whatever hangs on wide copper. */
  WIDE;

  /** Gives what a part wants: the widest that one of its joints needs. */
  public static Iron of(Parts parts, Part part) {
    Rails rails = Rails.of(parts);
    boolean drinks =
        part.pack().pins().stream()
            .anyMatch(pin -> rails.soaksHeat(new PinRef(part.ref(), pin.number())));
    return switch (part.pack().lead()) {
      case SMD -> NARROW;
      case THIN, PIN -> drinks && part.pack().lead() == LeadClass.PIN ? WIDE : MEDIUM;
      case TAB -> WIDE;
    };
  }

  /** Gives the sentence that names tip, solder and, where large metal drinks the heat, flux. */
  public Phrase how() {
    return Phrase.of("craft.iron." + name().toLowerCase(Locale.ROOT));
  }
}
