package humble.core.kit;

import java.util.List;
import java.util.Optional;

/**
 * A package: how high it is and where its pins are.
 *
 * @param id name, such as {@code dip-28}
 * @param heightMm height above the board when flush, in millimetres
 * @param pins pins in the order of their numbers
 * @param lead class of its leads
 */
public record PartPackage(String id, double heightMm, List<PackagePin> pins, LeadClass lead) {
  public PartPackage {
    pins = List.copyOf(pins);
  }

  /** Gives the pin of that number. */
  public Optional<PackagePin> pin(String number) {
    for (PackagePin pin : pins) {
      if (pin.number().equals(number)) {
        return Optional.of(pin);
      }
    }
    return Optional.empty();
  }

  /** Tells whether the pins stand in two rows, so that the part has a notch. */
  public boolean isDualInLine() {
    return id.startsWith("dip-") || id.startsWith("socket-dip-");
  }
}
