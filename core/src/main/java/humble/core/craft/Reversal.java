package humble.core.craft;

import humble.core.kit.Harm;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.List;
import java.util.Optional;

/** What comes of reversing a part of a kit: by its kind, else by what its nets carry. */
public final class Reversal {
  private Reversal() {}

  /**
   * Gives it. What is keyed and brings a supply to where something else belongs does damage, even
   * where its kind alone would be harmless.
   */
  public static Harm of(Parts parts, Part part) {
    Harm ofKind = Harm.ifReversed(part);
    boolean keyed =
        !part.line().polarityMarks().isEmpty()
            && !part.line().isOriented()
            && !part.line().particulars().unpolarised();
    return ofKind == Harm.HARMLESS && keyed && bringsSupplyElsewhere(parts, part)
        ? Harm.DAMAGE
        : ofKind;
  }

  private static boolean bringsSupplyElsewhere(Parts parts, Part part) {
    Rails rails = Rails.of(parts);
    List<PackagePin> pins = part.pack().pins();
    for (int i = 0; i < pins.size(); i++) {
      Optional<String> here = rails.netOf(new PinRef(part.ref(), pins.get(i).number()));
      Optional<String> there =
          rails.netOf(new PinRef(part.ref(), pins.get(pins.size() - 1 - i).number()));
      if (here.filter(rails::isRail).isPresent() && !here.equals(there)) {
        return true;
      }
    }
    return false;
  }
}
