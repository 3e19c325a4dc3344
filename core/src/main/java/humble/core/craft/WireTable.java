package humble.core.craft;

import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.WireRun;
import humble.core.words.Phrase;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Function, colour and pads of the wires of a kit, with a warning where a colour usually means
 * something else: whatever was on the reel was used.
 */
public final class WireTable {
  private WireTable() {}

  /**
   * One wire.
   *
   * @param wire the wire
   * @param function net it carries, or empty when no end is on a net of the kit
   * @param warning what its colour usually means instead
   */
  public record Row(WireRun wire, String function, Optional<Phrase> warning) {}

  /** What a net is for, as far as colours care. */
  private enum Role {
    PLUS,
    GROUND,
    OTHER
  }

  /** Gives the rows of {@code wires}, in their order. */
  public static List<Row> of(Parts parts, List<WireRun> wires) {
    Rails rails = Rails.of(parts);
    return wires.stream().map(wire -> row(parts, rails, wire)).toList();
  }

  private static Row row(Parts parts, Rails rails, WireRun wire) {
    String net = net(parts, wire.from()).or(() -> net(parts, wire.to())).orElse("");
    Role role = rails.isGround(net) ? Role.GROUND : rails.isRail(net) ? Role.PLUS : Role.OTHER;
    return new Row(wire, net, net.isEmpty() ? Optional.empty() : warning(wire, net, role));
  }

  private static Optional<String> net(Parts parts, String end) {
    return PinRef.parse(end).flatMap(parts::netOf);
  }

  /** Red is taken for plus and black for minus nearly everywhere; green-and-yellow is for earth. */
  private static Optional<Phrase> warning(WireRun wire, String net, Role role) {
    String colour = wire.colour().toLowerCase(Locale.ROOT);
    Optional<String> usual =
        switch (colour) {
          case "red" -> role == Role.PLUS ? Optional.empty() : Optional.of("craft.wire.plus");
          case "black" -> role == Role.GROUND ? Optional.empty() : Optional.of("craft.wire.minus");
          case "green-yellow" -> Optional.of("craft.wire.earth");
          default -> Optional.empty();
        };
    return usual.map(key -> Phrase.of("craft.wire.lies", wire.id(), colour, Phrase.of(key), net));
  }
}
