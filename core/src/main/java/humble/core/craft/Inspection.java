package humble.core.craft;

import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The joints of a board to look at under the magnifier, in order: pads whose bridge would hurt,
 * then joints that soak heat and are easily cold, then the rest part by part.
 *
 * @param joints joints in order
 */
public record Inspection(List<Joint> joints) {
  public Inspection {
    joints = List.copyOf(joints);
  }

  /**
   * One joint.
   *
   * @param pin its pin
   * @param close the neighbour to look at it for, when there is one
   * @param soaksHeat whether its copper soaks heat
   */
  public record Joint(PinRef pin, Optional<CloseCall> close, boolean soaksHeat) {}

  /** What is seen at a joint. */
  public enum Seen {
    GOOD,
    DRY,
    LITTLE,
    MUCH,
    BRIDGE;

    /** Gives the name used in the journal. */
    public String text() {
      return name().toLowerCase(java.util.Locale.ROOT);
    }
  }

  /** Lists the joints of the parts {@code fitted} on a board. */
  public static Inspection of(Parts parts, String board, Set<String> fitted) {
    Rails rails = Rails.of(parts);
    Set<PinRef> listed = new LinkedHashSet<>();
    List<Joint> joints = new ArrayList<>();
    for (CloseCall call : CloseCall.on(parts, board)) {
      boolean both = fitted.contains(call.a().ref()) && fitted.contains(call.b().ref());
      boolean one = fitted.contains(call.a().ref()) || fitted.contains(call.b().ref());
      PinRef look = fitted.contains(call.a().ref()) ? call.a() : call.b();
      // A blob may reach a pad that still waits for its part; one look serves both pads.
      if ((both || one) && listed.add(look)) {
        joints.add(new Joint(look, Optional.of(call), rails.soaksHeat(look)));
      }
    }
    List<PinRef> rest = new ArrayList<>();
    for (Part part : parts.all()) {
      Place place = part.place();
      if (place == null
          || !place.board().equals(board)
          || !fitted.contains(part.ref())
          || parts.socketOf(part.ref()).isPresent()) {
        continue;
      }
      part.pack().pins().stream()
          .filter(pin -> !place.leaveEmpty().contains(pin.number()))
          .forEach(pin -> rest.add(new PinRef(part.ref(), pin.number())));
    }
    rest.stream()
        .filter(rails::soaksHeat)
        .filter(listed::add)
        .forEach(pin -> joints.add(new Joint(pin, Optional.empty(), true)));
    rest.stream()
        .filter(listed::add)
        .forEach(pin -> joints.add(new Joint(pin, Optional.empty(), false)));
    return new Inspection(joints);
  }
}
