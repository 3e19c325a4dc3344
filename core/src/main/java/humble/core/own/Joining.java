package humble.core.own;

import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Pads that are joined by hand, one after the other, as the eye follows a track. */
public final class Joining {
  /** Begins the ids of such answers. */
  public static final String QUESTION = "join:";

  /** Begins the ids of pads that somebody said lead nowhere. */
  public static final String ALONE = "alone:";

  private Joining() {}

  /** Gives what a net is called that is made of pads: that of the first that has one. */
  public static Optional<String> net(Kit kit, List<PinRef> pads) {
    NetsByHand nets = new NetsByHand(kit);
    return pads.stream().flatMap(pad -> nets.netOf(pad).stream()).findFirst();
  }

  /** What follows when pads are joined: they are in one net with all that each was joined with. */
  public static Follows joined(Kit kit, List<PinRef> pads) {
    NetsByHand nets = new NetsByHand(kit);
    String net = net(kit, pads).orElseGet(() -> nets.free("N1"));
    pads.forEach(pad -> nets.join(net, pad));
    return new Follows(nets.edits(), List.of());
  }

  /** What follows when a pad belongs to nothing it was joined with. */
  public static Follows parted(Kit kit, PinRef pad) {
    NetsByHand nets = new NetsByHand(kit);
    nets.part(pad);
    return new Follows(nets.edits(), List.of());
  }

  /** Gives all pads on a side-blind board, the nearest to one first; that one is left out. */
  public static List<PinRef> nearest(Parts parts, PinRef to) {
    PointMm from = parts.padAt(to).orElse(new PointMm(0, 0));
    List<PinRef> pads = new ArrayList<>();
    parts.all().stream()
        .filter(part -> part.placed().isPresent() && parts.socketOf(part.ref()).isEmpty())
        .forEach(part ->
            part.pack().pins().forEach(pin -> pads.add(new PinRef(part.ref(), pin.number()))));
    pads.remove(to);
    pads.sort(
        Comparator.comparingDouble(
            pad -> parts.padAt(pad).map(at -> at.distanceMm(from)).orElse(1e9)));
    return pads;
  }
}
