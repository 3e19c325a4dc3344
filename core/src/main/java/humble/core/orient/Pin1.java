package humble.core.orient;

import humble.core.craft.Reversal;
import humble.core.kit.Harm;
import humble.core.kit.Model;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Where pin 1 of a part is in the view in hand; coordinates and directions are those of the view.
 *
 * @param ref the part
 * @param view the view
 * @param pin1 pad of pin 1
 * @param pins every pad with its net
 * @param clock direction of pin 1 from the middle of the part, in hours, to the half
 * @param points the same as {@code left}, {@code right}, {@code away} or {@code towards}
 * @param landmark what lies that way
 * @param harm what comes of reversing it
 * @param plusPins supply pins of a chip
 * @param minusPins ground pins of a chip
 */
public record Pin1(
    String ref,
    BoardView view,
    PointMm pin1,
    List<SeenPin> pins,
    double clock,
    String points,
    Landmark landmark,
    Harm harm,
    List<String> plusPins,
    List<String> minusPins) {
  private static final double CONE_DEG = 30;
  private static final int BIG_CHIP_PINS = 14;

  public Pin1 {
    pins = List.copyOf(pins);
    plusPins = List.copyOf(plusPins);
    minusPins = List.copyOf(minusPins);
  }

  /** A pad as seen, with its net when it has one. */
  public record SeenPin(String number, @Nullable String net, PointMm at) {}

  /**
   * Something unmistakable that lies in a direction; {@code ref} is null for an edge of the board.
   */
  public record Landmark(@Nullable String ref, Phrase phrase, PointMm at) {}

  /** Computes it; empty when the part has no place on the board of the view. */
  public static Optional<Pin1> of(Parts parts, String ref, BoardView view) {
    Part part = parts.part(ref).orElse(null);
    Place place = part == null ? null : part.place();
    if (part == null
        || place == null
        || part.pack().pins().isEmpty()
        || !place.board().equals(view.board().id())) {
      return Optional.empty();
    }
    List<SeenPin> pins = new ArrayList<>();
    for (PackagePin pin : part.pack().pins()) {
      String net = parts.netOf(new PinRef(ref, pin.number())).orElse(null);
      pins.add(new SeenPin(pin.number(), net, view.seen(place.onBoard(pin.at()))));
    }
    PointMm middle = view.seen(place.at());
    PointMm way = pins.getFirst().at().minus(middle);
    double clockwiseDeg = (Math.toDegrees(Math.atan2(way.xMm(), way.yMm())) + 360) % 360;
    double clock = Math.round(clockwiseDeg / 15) / 2.0;
    List<String> plus = part.model() instanceof Model.Load load ? List.of(load.plus()) : List.of();
    List<String> minus =
        part.model() instanceof Model.Load load ? List.of(load.minus()) : List.of();
    return Optional.of(
        new Pin1(
            ref,
            view,
            pins.getFirst().at(),
            pins,
            clock == 0 ? 12 : clock,
            points(clockwiseDeg),
            landmark(parts, part, view, middle, clockwiseDeg),
            Reversal.of(parts, part),
            plus,
            minus));
  }

  private static String points(double clockwiseDeg) {
    return switch ((int) Math.floor(((clockwiseDeg + 45) % 360) / 90)) {
      case 0 -> "away";
      case 1 -> "right";
      case 2 -> "towards";
      default -> "left";
    };
  }

  /**
   * The nearest connector, display, sounder or only big chip within 30° of the way; else the edge
   * of the board there.
   */
  private static Landmark landmark(
      Parts parts, Part part, BoardView view, PointMm middle, double clockwiseDeg) {
    Part best = null;
    double bestMm = Double.POSITIVE_INFINITY;
    for (Part other : parts.all()) {
      Place place = other.place();
      if (place == null
          || !place.board().equals(view.board().id())
          || other.ref().equals(part.ref())
          || !unmistakable(parts, other)) {
        continue;
      }
      PointMm way = view.seen(place.at()).minus(middle);
      double distance = Math.hypot(way.xMm(), way.yMm());
      double off = Math.abs(angle(Math.toDegrees(Math.atan2(way.xMm(), way.yMm())) - clockwiseDeg));
      boolean besides = distance > part.pack().pins().size() * 0.9;
      if (off <= CONE_DEG && besides && distance < bestMm) {
        best = other;
        bestMm = distance;
      }
    }
    if (best != null && best.place() != null) {
      Phrase name = Phrase.of("orient.thing." + best.line().kind().text());
      return new Landmark(
          best.ref(), Phrase.of("orient.towards", name, best.ref()), view.seen(best.place().at()));
    }
    String way = points(clockwiseDeg);
    PointMm edge =
        switch (way) {
          case "away" -> new PointMm(middle.xMm(), view.heightMm());
          case "towards" -> new PointMm(middle.xMm(), 0);
          case "left" -> new PointMm(0, middle.yMm());
          default -> new PointMm(view.widthMm(), middle.yMm());
        };
    return new Landmark(null, Phrase.of("orient.edge." + way), edge);
  }

  private static boolean unmistakable(Parts parts, Part part) {
    PartKind kind = part.line().kind();
    boolean only =
        parts.all().stream().filter(p -> p.line().kind() == kind && p.place() != null).count() == 1;
    boolean bigSocket = kind == PartKind.SOCKET && part.pack().pins().size() >= BIG_CHIP_PINS;
    return only && (kind.is(PartKind.Fact.LANDMARK) || bigSocket);
  }

  private static double angle(double degrees) {
    return ((degrees % 360) + 540) % 360 - 180;
  }
}
