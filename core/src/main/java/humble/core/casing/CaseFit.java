package humble.core.casing;

import humble.core.kit.Choices;
import humble.core.kit.Enclosure;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.RefOrder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Whether a kit fits its case.
 *
 * @param screws length of every screw
 * @param clearances every part with some room given, natural order
 * @param cutouts every part with a hole in the case
 */
public record CaseFit(List<ScrewFit> screws, List<Clearance> clearances, List<CutoutFit> cutouts) {
  private static final double CENTRE_MM = 0.5;
  private static final double ROUNDING_MM = 1e-9;

  public CaseFit {
    screws = List.copyOf(screws);
    clearances = List.copyOf(clearances);
    cutouts = List.copyOf(cutouts);
  }

  /** A part's height against the room over it, in millimetres. */
  public record Clearance(String ref, double roomMm, double needsMm, boolean ok) {}

  /** A part's top and middle against its hole; offsets are part minus hole, in millimetres. */
  public record CutoutFit(
      String id,
      String ref,
      double topMm,
      double lowMm,
      double highMm,
      double dxMm,
      double dyMm,
      boolean ok) {}

  /** Computes the fit of a kit with its options as {@code choices} say. */
  public static CaseFit of(Kit kit, Map<String, String> choices) {
    Parts parts = Parts.of(kit);
    Set<String> out = Choices.leftOut(kit, choices);
    Optional<Enclosure> enclosure = kit.casing();
    List<ScrewFit> screws =
        enclosure.stream()
            .flatMap(e -> e.screws().stream().map(screw -> ScrewFit.of(e, screw)))
            .toList();
    List<Clearance> clearances = new ArrayList<>();
    for (Place place : kit.places()) {
      if (!out.contains(place.ref()) && parts.part(place.ref()).isPresent()) {
        clearance(parts, enclosure, place).ifPresent(clearances::add);
      }
    }
    clearances.sort(Comparator.comparing(Clearance::ref, RefOrder.NATURAL));
    List<CutoutFit> cutouts =
        enclosure.stream()
            .flatMap(e -> e.cutouts().stream())
            .flatMap(c -> cutout(kit, parts, c).stream())
            .toList();
    return new CaseFit(screws, clearances, cutouts);
  }

  private static Optional<Clearance> clearance(
      Parts parts, Optional<Enclosure> enclosure, Place place) {
    double room = Double.POSITIVE_INFINITY;
    if (enclosure.isPresent()) {
      boolean cut = enclosure.get().cutouts().stream().anyMatch(c -> c.ref().equals(place.ref()));
      for (Enclosure.Room each : enclosure.get().rooms()) {
        boolean here = each.board().equals(place.board()) && each.side() == place.side();
        if (here && !cut && !each.but().contains(place.ref())) {
          room = Math.min(room, each.heightMm().low());
        }
      }
    }
    Double most = place.maxHeightMm();
    if (most != null) {
      room = Math.min(room, most);
    }
    if (Double.isInfinite(room)) {
      return Optional.empty();
    }
    double needs = parts.fittedHeightMm(place.ref());
    return Optional.of(new Clearance(place.ref(), room, needs, needs <= room + ROUNDING_MM));
  }

  private static Optional<CutoutFit> cutout(Kit kit, Parts parts, Enclosure.Cutout cutout) {
    Place place = kit.placeOf(cutout.ref()).orElse(null);
    if (place == null || parts.part(cutout.ref()).isEmpty()) {
      return Optional.empty();
    }
    double top = parts.fittedHeightMm(cutout.ref());
    double low = cutout.topMm() == null ? 0 : cutout.topMm().low();
    double high = cutout.topMm() == null ? top : cutout.topMm().high();
    double dx = place.at().xMm() - cutout.at().xMm();
    double dy = place.at().yMm() - cutout.at().yMm();
    boolean ok =
        top >= low - ROUNDING_MM
            && top <= high + ROUNDING_MM
            && Math.hypot(dx, dy) <= CENTRE_MM + ROUNDING_MM;
    return Optional.of(new CutoutFit(cutout.id(), cutout.ref(), top, low, high, dx, dy, ok));
  }

  /**
   * Tells whether everything fits: every clearance, every cut-out, and a length for every screw.
   */
  public boolean ok() {
    return clearances.stream().allMatch(Clearance::ok)
        && cutouts.stream().allMatch(CutoutFit::ok)
        && screws.stream().noneMatch(screw -> screw.chooseMm().isEmpty());
  }
}
