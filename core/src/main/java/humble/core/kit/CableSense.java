package humble.core.kit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a cable cannot be: an end that is no connector of the kit or has too few pins, both ends on
 * one board, or a net that runs along beside it as if it were soldered.
 */
final class CableSense {
  private final Parts parts;
  private final List<Finding> findings = new ArrayList<>();

  private CableSense(Parts parts) {
    this.parts = parts;
  }

  static List<Finding> of(Parts parts) {
    CableSense sense = new CableSense(parts);
    List<Cable> cables = parts.kit().handwork().cables();
    for (int i = 0; i < cables.size(); i++) {
      sense.cable("kit.json#/cables/" + i, cables.get(i));
    }
    return sense.findings;
  }

  private void cable(String at, Cable cable) {
    if (parts.part(cable.id()).isPresent()) {
      error(at + "/id", "A part is called '" + cable.id() + "' too.");
    }
    List<String> ends = List.of(cable.a(), cable.b());
    for (int end = 0; end < ends.size(); end++) {
      String ref = ends.get(end);
      Optional<Part> part = parts.part(ref);
      if (part.isEmpty()) {
        error(at + "/ends/" + end, "No line lists " + ref + ".");
      } else if (part.get().pack().pins().size() < cable.pins()) {
        error(
            at + "/ends/" + end,
            ref
                + " has "
                + part.get().pack().pins().size()
                + " pins, the cable "
                + cable.pins()
                + " conductors.");
      }
    }
    Optional<String> a = parts.part(cable.a()).flatMap(Part::placed).map(Place::board);
    Optional<String> b = parts.part(cable.b()).flatMap(Part::placed).map(Place::board);
    if (a.isPresent() && a.equals(b)) {
      error(at + "/ends", "Both ends are on board '" + a.get() + "'.");
    }
    beside(at, cable);
  }

  private void beside(String at, Cable cable) {
    for (Map.Entry<String, List<PinRef>> net : parts.kit().nets().entrySet()) {
      Set<String> ends = new HashSet<>();
      for (PinRef pin : net.getValue()) {
        if (cable.endsAt(pin.ref())) {
          ends.add(pin.ref());
        }
      }
      if (ends.size() == 2) {
        error(
            at + "/ends",
            "Net '"
                + net.getKey()
                + "' joins both ends beside the cable: write it for each board.");
      }
    }
  }

  private void error(String at, String text) {
    findings.add(Finding.error(at, text));
  }
}
