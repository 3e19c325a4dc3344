package humble.core.own;

import humble.core.kit.PackageLibrary;
import humble.core.kit.PackagePin;
import humble.core.kit.PartPackage;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * How a part lies on the holes that were clicked for it: the two that are furthest apart. Pitch and
 * turn follow from them, snapped to what is usual; a part that looks the same the other way round
 * may lie in two ways, which its marks decide.
 */
public final class Footing {
  /** A turn this near to a quarter, or an eighth, is meant as one. */
  private static final double QUARTER_DEG = 5;

  private static final double EIGHTH_DEG = 2.5;

  /** Pairs of pins this near to the longest are just as far apart. */
  private static final double SAME_SPAN = 0.995;

  /** What two clicks on the right holes may be off by, in millimetres. */
  private static final double CLICKS_MM = 0.8;

  private static final double SAME_MM = 0.02;

  /** Between the pins of the built-in dual in-line packages. */
  private static final double PITCH = 2.54;

  private Footing() {}

  /** Gives how many holes are clicked for a part: one where it has one, else two. */
  public static int clicks(PartPackage pack) {
    return pack.pins().size() < 2 ? 1 : 2;
  }

  /** Gives how a part of one pin lies on its hole. */
  public static Lie on(PartPackage pack, PointMm hole, Side side) {
    PointMm pin = pack.pins().isEmpty() ? new PointMm(0, 0) : pack.pins().getFirst().at();
    PointMm seen = side == Side.BOTTOM ? pin.mirrored() : pin;
    return new Lie(pack, rounded(hole.minus(seen)), 0, null, 0);
  }

  /**
   * Gives the ways in which a part may lie on two holes, the first clicked one at its lowest pin
   * first.
   *
   * @param pack package that the line names
   * @param first hole clicked first, on the board from the top
   * @param second hole clicked then
   * @param side side that the part is on
   * @return the ways; empty where the two are the same hole
   */
  public static List<Lie> on(PartPackage pack, PointMm first, PointMm second, Side side) {
    double span = first.distanceMm(second);
    if (span < SAME_MM || pack.pins().size() < 2) {
      return List.of();
    }
    if (pack.pins().size() == 2) {
      return twoLeads(pack, first, second, side);
    }
    return lies(fitted(pack, span), first, second, side, null);
  }

  private static List<Lie> twoLeads(PartPackage pack, PointMm first, PointMm second, Side side) {
    double pitch = UsualPitch.ofLeads(first.distanceMm(second));
    Double formed = Math.abs(pitch - pack.pitchMm()) < SAME_MM ? null : pitch;
    return lies(pack, first, second, side, formed);
  }

  /** The package that spans the clicked distance: the one named, else one of another pitch. */
  private static PartPackage fitted(PartPackage pack, double span) {
    double own = spanMm(pack);
    if (Math.abs(own - span) <= CLICKS_MM) {
      return pack;
    }
    if (isRow(pack)) {
      int gaps = pack.pins().size() - 1;
      return scaled(pack, UsualPitch.ofRow(span / gaps, gaps) * gaps / own);
    }
    if (pack.isDualInLine()) {
      return dual(pack, span);
    }
    return scaled(pack, span / own);
  }

  /** Tells whether all pins stand in one line. */
  public static boolean isRow(PartPackage pack) {
    double y = pack.pins().getFirst().at().yMm();
    double x = pack.pins().getFirst().at().xMm();
    return pack.pins().stream().allMatch(pin -> Math.abs(pin.at().yMm() - y) < SAME_MM)
        || pack.pins().stream().allMatch(pin -> Math.abs(pin.at().xMm() - x) < SAME_MM);
  }

  /** A dual in-line part whose rows are wider or narrower, or whose pins stand closer. */
  private static PartPackage dual(PartPackage pack, double span) {
    String id = pack.id();
    String other = id.endsWith("-wide") ? id.substring(0, id.length() - 5) : id + "-wide";
    PartPackage sibling = PackageLibrary.find(other).orElse(null);
    if (sibling != null && Math.abs(spanMm(sibling) - span) <= CLICKS_MM) {
      return sibling;
    }
    int gaps = pack.pins().size() / 2 - 1;
    double bestOff = Double.POSITIVE_INFINITY;
    double bestPitch = 0;
    double bestAcross = 0;
    for (double pitch : new double[] {2.54, 1.778, 1.27, 2.0}) {
      for (double across : UsualPitch.ACROSS) {
        double off = Math.abs(Math.hypot(gaps * pitch, across) - span);
        if (off < bestOff) {
          bestOff = off;
          bestPitch = pitch;
          bestAcross = across;
        }
      }
    }
    if (bestOff > CLICKS_MM) {
      return scaled(pack, span / spanMm(pack));
    }
    double x = bestAcross / (2 * Math.abs(pack.pins().getFirst().at().xMm()));
    double y = bestPitch / PITCH;
    String name = String.format(Locale.ROOT, "%s-%.2fx%.2f", id, bestPitch, bestAcross);
    return stretched(pack, name, x, y);
  }

  private static PartPackage scaled(PartPackage pack, double share) {
    String name = String.format(Locale.ROOT, "%s-s%.2f", pack.id(), spanMm(pack) * share);
    return stretched(pack, name, share, share);
  }

  private static PartPackage stretched(PartPackage pack, String id, double x, double y) {
    return new PartPackage(
        id,
        pack.heightMm(),
        pack.pins().stream()
            .map(pin ->
                new PackagePin(
                    pin.number(), rounded(new PointMm(pin.at().xMm() * x, pin.at().yMm() * y))))
            .toList(),
        pack.lead());
  }

  /** Gives the pins of a package that are as far from another as any two are. */
  static List<PointMm> farthest(PartPackage pack) {
    double longest = spanMm(pack);
    return pack.pins().stream()
        .map(PackagePin::at)
        .filter(at ->
            pack.pins().stream().anyMatch(pin -> pin.at().distanceMm(at) >= longest * SAME_SPAN))
        .toList();
  }

  /** Gives how far the outermost pins of a package are apart, in millimetres. */
  public static double spanMm(PartPackage pack) {
    double longest = 0;
    for (PackagePin a : pack.pins()) {
      for (PackagePin b : pack.pins()) {
        longest = Math.max(longest, a.at().distanceMm(b.at()));
      }
    }
    return longest;
  }

  /** One pair of pins on the two holes, and how far the turn is from a quarter. */
  private record Tried(Lie lie, double crookedDeg, int pin) {}

  private static List<Lie> lies(
      PartPackage pack, PointMm first, PointMm second, Side side, @Nullable Double pitch) {
    List<Tried> tried = new ArrayList<>();
    double longest = spanMm(pack);
    for (int i = 0; i < pack.pins().size(); i++) {
      for (int j = 0; j < pack.pins().size(); j++) {
        PointMm a = pack.pins().get(i).at();
        PointMm b = pack.pins().get(j).at();
        if (a.distanceMm(b) >= longest * SAME_SPAN && i != j) {
          tried.add(tried(pack, a, b, i, first, second, side, pitch));
        }
      }
    }
    double straightest = tried.stream().mapToDouble(Tried::crookedDeg).min().orElse(0);
    List<Lie> lies = new ArrayList<>();
    tried.stream()
        .filter(each -> each.crookedDeg() <= straightest + 1)
        .sorted(Comparator.comparingInt(Tried::pin))
        .map(Tried::lie)
        .filter(lie -> lies.stream().noneMatch(other -> isSame(other, lie)))
        .forEach(lies::add);
    return List.copyOf(lies);
  }

  private static Tried tried(
      PartPackage pack,
      PointMm a,
      PointMm b,
      int pin,
      PointMm first,
      PointMm second,
      Side side,
      @Nullable Double pitch) {
    PointMm from = side == Side.BOTTOM ? a.mirrored() : a;
    PointMm to = side == Side.BOTTOM ? b.mirrored() : b;
    double exact = degrees(second.minus(first)) - degrees(to.minus(from));
    double turn = straightened(exact);
    double share = pitch == null ? 1 : pitch / from.distanceMm(to);
    PointMm middle = middle(from, to);
    PointMm at = middle(first, second).minus(middle.turned(turn));
    PointMm onFirst = at.plus(middle.plus(from.minus(middle).times(share)).turned(turn));
    PointMm onSecond = at.plus(middle.plus(to.minus(middle).times(share)).turned(turn));
    double off = Math.max(onFirst.distanceMm(first), onSecond.distanceMm(second));
    double crooked = Math.abs(exact - Math.round(exact / 90) * 90.0);
    return new Tried(new Lie(pack, rounded(at), turn, pitch, off), crooked, pin);
  }

  /** A turn near to a quarter or an eighth is one; it is 0 to 360. */
  private static double straightened(double degrees) {
    double quarter = Math.round(degrees / 90) * 90.0;
    double eighth = Math.round(degrees / 45) * 45.0;
    double turn =
        Math.abs(degrees - quarter) <= QUARTER_DEG
            ? quarter
            : Math.abs(degrees - eighth) <= EIGHTH_DEG ? eighth : Math.round(degrees * 10) / 10.0;
    return ((turn % 360) + 360) % 360;
  }

  private static boolean isSame(Lie a, Lie b) {
    return a.at().distanceMm(b.at()) < SAME_MM && Math.abs(a.rotationDeg() - b.rotationDeg()) < 0.1;
  }

  private static PointMm middle(PointMm a, PointMm b) {
    return new PointMm((a.xMm() + b.xMm()) / 2, (a.yMm() + b.yMm()) / 2);
  }

  private static double degrees(PointMm way) {
    return Math.toDegrees(Math.atan2(way.yMm(), way.xMm()));
  }

  private static PointMm rounded(PointMm at) {
    return new PointMm(Math.round(at.xMm() * 1000) / 1000.0, Math.round(at.yMm() * 1000) / 1000.0);
  }
}
