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

  /**
   * Gives this package with its two leads formed to the holes of a place; as it is where the place
   * says nothing of them, or where it has more or fewer leads.
   */
  PartPackage formedFor(Place place) {
    Double holes = place.pitchMm();
    double now = pitchMm();
    if (holes == null || now <= 0) {
      return this;
    }
    double share = holes / now;
    PointMm a = pins.getFirst().at();
    PointMm b = pins.getLast().at();
    PointMm middle = new PointMm((a.xMm() + b.xMm()) / 2, (a.yMm() + b.yMm()) / 2);
    return new PartPackage(
        id,
        LeadForm.of(this, place).map(LeadForm::heightMm).orElse(heightMm),
        pins.stream()
            .map(pin -> {
              PointMm from = pin.at().minus(middle);
              return new PackagePin(
                  pin.number(), middle.plus(new PointMm(from.xMm() * share, from.yMm() * share)));
            })
            .toList(),
        lead);
  }

  /** Gives the distance of its two leads, in millimetres; 0 where it has more or fewer. */
  public double pitchMm() {
    return pins.size() == 2 ? pins.getFirst().at().distanceMm(pins.getLast().at()) : 0;
  }

  /** Tells whether the pins stand in two rows, so that the part has a notch. */
  public boolean isDualInLine() {
    return id.startsWith("dip-") || id.startsWith("socket-dip-");
  }
}
