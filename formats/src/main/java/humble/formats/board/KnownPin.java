package humble.formats.board;

import humble.core.kit.Kit;
import humble.core.kit.LeadClass;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A pin whose pad is known to be at a point, from a netlist or from where a part is placed.
 *
 * @param ref component
 * @param pin its pin
 * @param net name of its net; empty when nobody says it
 * @param at its pad, in millimetres; in the coordinates of the netlist, or from the lower left of
 *     the board
 * @param side side it is reached from; null when from both
 * @param also another component whose pin of that number has the same pad: a chip's socket
 */
public record KnownPin(
    String ref, String pin, String net, PointMm at, @Nullable Side side, String also) {
  static KnownPin of(Netlist.Pin pin) {
    return new KnownPin(pin.ref(), pin.pin(), pin.net(), pin.at(), pin.side(), "");
  }

  /**
   * Gives the pins of a kit's parts on a board, where the places put them.
   *
   * @param kit the kit
   * @param board which of its boards
   */
  public static List<KnownPin> of(Kit kit, String board) {
    List<KnownPin> pins = new ArrayList<>();
    Parts parts = Parts.of(kit);
    for (Part part : parts.all()) {
      Place place = part.place();
      // Pads under a socket are named by the chip in it, as nets name them.
      if (place == null || !place.board().equals(board) || parts.chipIn(part.ref()).isPresent()) {
        continue;
      }
      String also = parts.socketOf(part.ref()).orElse("");
      Side side = part.pack().lead() == LeadClass.SMD ? place.side() : null;
      for (PackagePin pin : part.pack().pins()) {
        pins.add(new KnownPin(part.ref(), pin.number(), "", place.onBoard(pin.at()), side, also));
      }
    }
    return pins;
  }

  /** Gives this pin moved, as from the corner of a board to the coordinates of its files. */
  KnownPin moved(PointMm by) {
    return new KnownPin(ref, pin, net, at.plus(by), side, also);
  }

  String name() {
    return ref + "." + pin;
  }
}
