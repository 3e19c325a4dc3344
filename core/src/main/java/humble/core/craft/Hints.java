package humble.core.craft;

import humble.core.kit.LeadClass;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;

/** Says what is odd about the joints of a part: copper that soaks heat, plastic, enamel. */
public final class Hints {
  private Hints() {}

  /** Gives the hints for a part, the one that costs most when not known first. */
  public static List<Phrase> of(Parts parts, String ref) {
    Part part = parts.get(ref);
    Rails rails = Rails.of(parts);
    List<Phrase> hints = new ArrayList<>();
    PartKind kind = part.line().kind();
    if (kind == PartKind.COIL || parts.kit().handwork().windingOf(ref).isPresent()) {
      hints.add(Phrase.of("craft.hint.enamel"));
    }
    List<String> soaking =
        part.pack().pins().stream()
            .filter(pin -> rails.soaksHeat(new PinRef(ref, pin.number())))
            .map(pin -> pin.number())
            .toList();
    if (!soaking.isEmpty() && soaking.size() <= 4) {
      hints.add(Phrase.of("craft.hint.plane", soaking));
    }
    if (kind.is(PartKind.Fact.MELTS)) {
      hints.add(Phrase.of("craft.hint.plastic"));
    }
    if (part.line().fragile().contains("heat")) {
      hints.add(Phrase.of("craft.hint.heat"));
    }
    if (part.pack().lead() == LeadClass.TAB && soaking.isEmpty() && !kind.is(PartKind.Fact.MELTS)) {
      hints.add(Phrase.of("craft.hint.tab"));
    }
    if (part.line().fragile().contains("static")) {
      hints.add(Phrase.of("craft.hint.static"));
    }
    return hints;
  }
}
