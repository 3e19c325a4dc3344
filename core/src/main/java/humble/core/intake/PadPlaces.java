package humble.core.intake;

import humble.core.kit.Line;
import humble.core.kit.Mount;
import humble.core.kit.PackagePin;
import humble.core.kit.PartPackage;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Where parts sit, found from their pads: the turn and side that lay the package's pins on them.
 */
public final class PadPlaces {
  private static final double CLOSE_MM = 0.6;
  private static final double SAME_PITCH_MM = 0.05;

  private PadPlaces() {}

  /**
   * Gives the place of a part; empty when its pads are not all known or its package does not fit
   * them.
   *
   * @param ref reference
   * @param pack its package
   * @param pads pads by {@code REF.PIN}, in board coordinates
   */
  public static Optional<Place> of(String ref, PartPackage pack, Map<String, BoardFacts.Pad> pads) {
    List<PointMm> at = new ArrayList<>();
    Side side = null;
    for (PackagePin pin : pack.pins()) {
      BoardFacts.Pad pad = pads.get(ref + "." + pin.number());
      if (pad == null) {
        return Optional.empty();
      }
      at.add(pad.at());
      side = pad.side().orElse(side);
    }
    PointMm middle = middle(at);
    Place best = null;
    double least = CLOSE_MM;
    for (Side each : side == null ? List.of(Side.TOP, Side.BOTTOM) : List.of(side)) {
      for (int turn = 0; turn < 360; turn += 90) {
        Place place = place(ref, each, middle, turn, pack);
        double off = worst(place, pack, at);
        if (off < least - 1e-6) {
          least = off;
          best = place;
        }
      }
    }
    return Optional.ofNullable(best).map(place -> drilled(place, pack, at));
  }

  /** Two holes that are closer or wider than the leads of the package: the place says so. */
  private static Place drilled(Place place, PartPackage pack, List<PointMm> at) {
    double apart = at.size() == 2 ? at.getFirst().distanceMm(at.getLast()) : pack.pitchMm();
    return Math.abs(apart - pack.pitchMm()) > SAME_PITCH_MM
        ? place.withPitch(rounded(apart))
        : place;
  }

  private static PointMm middle(List<PointMm> points) {
    double x = 0;
    double y = 0;
    for (PointMm point : points) {
      x += point.xMm() / points.size();
      y += point.yMm() / points.size();
    }
    return new PointMm(x, y);
  }

  /** The middle of a pattern need not be its origin. */
  private static Place place(String ref, Side side, PointMm middle, int turnDeg, PartPackage pack) {
    PointMm own = middle(pack.pins().stream().map(PackagePin::at).toList());
    PointMm seen = side == Side.BOTTOM ? own.mirrored() : own;
    PointMm at = middle.minus(seen.turned(turnDeg));
    return new Place(
        ref,
        "main",
        side,
        new PointMm(rounded(at.xMm()), rounded(at.yMm())),
        turnDeg,
        Mount.FLUSH,
        0,
        null,
        null,
        null,
        null,
        List.of(),
        List.of(),
        0,
        1);
  }

  private static double rounded(double mm) {
    return Math.round(mm * 1e4) / 1e4;
  }

  private static double worst(Place place, PartPackage pack, List<PointMm> at) {
    double worst = 0;
    for (int i = 0; i < at.size(); i++) {
      worst = Math.max(worst, place.onBoard(pack.pins().get(i).at()).distanceMm(at.get(i)));
    }
    return worst;
  }

  /** Gives the package of a line: the kit's own or a built-in one. */
  static @Nullable PartPackage packageOf(Line line, Map<String, PartPackage> own) {
    PartPackage pack = own.get(line.packageId());
    return pack != null ? pack : humble.core.kit.PackageLibrary.find(line.packageId()).orElse(null);
  }
}
