package humble.core.craft;

import humble.core.kit.PackagePin;
import humble.core.kit.PadSize;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Two pads so close that solder may bridge them, on nets that are not the same.
 *
 * @param a one pad
 * @param b the other
 * @param gapMm copper to copper, in millimetres; less than 0 where they would overlap
 * @param netA net of {@code a}
 * @param netB net of {@code b}
 * @param hurt what a bridge would do
 */
public record CloseCall(PinRef a, PinRef b, double gapMm, String netA, String netB, Hurt hurt) {
  /** Pads closer than this are looked at first. */
  public static final double CLOSE_MM = 0.6;

  /** Neighbours in a row of pins, which a blob reaches although the gap is wider. */
  private static final double ROW_MM = 1.0;

  /** What a bridge would do, the worst first. */
  public enum Hurt {
    /** A supply against ground, or against another supply: something burns. */
    SUPPLY,
    /** A supply against a signal: an output or a chip may die. */
    SIGNAL_TO_SUPPLY,
    /** Ground or another signal: it does not work. */
    SIGNAL
  }

  /** A pad where it lies. */
  private record Pad(PinRef pin, String net, PointMm at, double acrossMm) {}

  /**
   * Finds the pairs of one board that are closer than 0.6 mm, and neighbours in a row, closer than
   * 1 mm, whose bridge would short a supply; what would hurt most first, then the narrowest. Sorted
   * by x and swept: O(n log n) in the pads for boards that are not all one clump.
   */
  public static List<CloseCall> on(Parts parts, String board) {
    Rails rails = Rails.of(parts);
    List<Pad> pads = new ArrayList<>();
    for (Part part : parts.all()) {
      Place place = part.place();
      boolean socketed = parts.socketOf(part.ref()).isPresent();
      if (place == null || socketed || !place.board().equals(board)) {
        continue;
      }
      for (PackagePin pin : part.pack().pins()) {
        PinRef ref = new PinRef(part.ref(), pin.number());
        Optional<String> net = rails.netOf(ref);
        net.ifPresent(
            n -> pads.add(new Pad(ref, n, place.onBoard(pin.at()), PadSize.acrossMm(part.pack()))));
      }
    }
    pads.sort(Comparator.comparingDouble(pad -> pad.at().xMm()));
    List<CloseCall> calls = new ArrayList<>();
    for (int i = 0; i < pads.size(); i++) {
      Pad a = pads.get(i);
      for (int k = i + 1; k < pads.size(); k++) {
        Pad b = pads.get(k);
        double reach = (a.acrossMm() + b.acrossMm()) / 2 + ROW_MM;
        if (b.at().xMm() - a.at().xMm() > Math.max(reach, PadSize.THROUGH_MM + ROW_MM)) {
          break;
        }
        if (!a.net().equals(b.net())) {
          call(rails, a, b).ifPresent(calls::add);
        }
      }
    }
    calls.sort(
        Comparator.comparing((CloseCall call) -> call.hurt())
            .thenComparingDouble(CloseCall::gapMm)
            .thenComparing(call -> call.a().toString()));
    return calls;
  }

  private static Optional<CloseCall> call(Rails rails, Pad a, Pad b) {
    double gap = a.at().distanceMm(b.at()) - (a.acrossMm() + b.acrossMm()) / 2;
    Hurt hurt = hurtBetween(rails, a.net(), b.net());
    boolean row = a.pin().ref().equals(b.pin().ref()) && gap < ROW_MM && hurt == Hurt.SUPPLY;
    return gap < CLOSE_MM || row
        ? Optional.of(new CloseCall(a.pin(), b.pin(), gap, a.net(), b.net(), hurt))
        : Optional.empty();
  }

  private static Hurt hurtBetween(Rails rails, String a, String b) {
    boolean railA = rails.isRail(a);
    boolean railB = rails.isRail(b);
    if (railA && (railB || rails.isGround(b)) || railB && rails.isGround(a)) {
      return Hurt.SUPPLY;
    }
    return railA || railB ? Hurt.SIGNAL_TO_SUPPLY : Hurt.SIGNAL;
  }
}
