package humble.core.power;

import humble.core.craft.Rails;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.List;

/** The parts of a board whose current nobody has told: what is reckoned is less than they take. */
final class Unmodelled {
  private Unmodelled() {}

  static List<String> refs(Parts parts, BoardState state) {
    Rails rails = Rails.of(parts);
    return parts.all().stream()
        .filter(part -> parts.isOn(part.ref(), state))
        .filter(part -> isOpen(parts, rails, part) || isUnjoined(parts, part))
        .map(Part::ref)
        .toList();
  }

  private static boolean isOpen(Parts parts, Rails rails, Part part) {
    return part.model() instanceof Model.Open
        && part.line().model() == null
        && part.line().kind().is(PartKind.Fact.POWERED)
        && wired(parts, rails, part);
  }

  /** What sits on the board and is joined with nothing that is known may take anything. */
  static boolean isUnjoined(Parts parts, Part part) {
    return part.placed().isPresent() && !part.line().isOnBoard() && !parts.unjoined(part).isEmpty();
  }

  /** A part takes current that hangs on a feeding net and on another one. */
  private static boolean wired(Parts parts, Rails rails, Part part) {
    List<String> nets =
        part.pack().pins().stream()
            .flatMap(pin -> parts.netOf(new PinRef(part.ref(), pin.number())).stream())
            .distinct()
            .toList();
    return nets.size() > 1 && nets.stream().anyMatch(rails.nets()::contains);
  }
}
