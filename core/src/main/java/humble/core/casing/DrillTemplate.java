package humble.core.casing;

import humble.core.kit.Board;
import humble.core.kit.Choices;
import humble.core.kit.Enclosure;
import humble.core.kit.Enclosure.LayerKind;
import humble.core.kit.Kit;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Where a plate has to be open for what comes through it, looked at from its outer face.
 *
 * @param layer id of the plate
 * @param title what it is called
 * @param board the board that lies behind it
 * @param widthMm width of that board, in millimetres; the plate's own is not known
 * @param heightMm height of that board
 * @param holes what is to be opened, from the left; measured from the board's lower left
 */
public record DrillTemplate(
    String layer, String title, String board, double widthMm, double heightMm, List<Hole> holes) {
  /** How much wider a hole is than what goes through it. */
  private static final double PLAY_MM = 0.2;

  /** A round light by its width; a kit's own packages may be called anything. */
  private static final Pattern LIGHT = Pattern.compile("led-(\\d{1,2})");

  private static final double BODY_PLAY_MM = 0.3;

  /** The thread of a switch that is held by the panel. */
  private static final double TOGGLE_MM = 6;

  public DrillTemplate {
    holes = List.copyOf(holes);
  }

  /** One opening. */
  public sealed interface Hole {
    /** Gives the part it is for. */
    String ref();

    /** Gives its middle. */
    PointMm at();

    /** A drilled one. */
    record Round(String ref, PointMm at, double mm) implements Hole {}

    /** A sawn one. */
    record Window(String ref, PointMm at, double widthMm, double heightMm) implements Hole {}
  }

  /** Gives a template for every plate that something comes through. */
  public static List<DrillTemplate> of(Kit kit, Map<String, String> choices) {
    Parts parts = Parts.of(kit);
    Stack stack = Stack.of(kit);
    Set<String> out = Choices.leftOut(kit, choices);
    List<DrillTemplate> all = new ArrayList<>();
    for (Stack.Gap gap : stack.gaps()) {
      boolean front = gap.front().kind() == LayerKind.PLATE;
      boolean back = gap.back().kind() == LayerKind.PLATE;
      Stack.Level plate = front ? gap.front() : gap.back();
      Stack.Level other = front ? gap.back() : gap.front();
      Optional<Board> board = kit.board(other.id());
      if (front != back && board.isPresent()) {
        DrillTemplate made = of(parts, stack, plate, board.get(), gap, front, out);
        if (!made.holes().isEmpty()) {
          all.add(made);
        }
      }
    }
    return all;
  }

  private static DrillTemplate of(
      Parts parts,
      Stack stack,
      Stack.Level plate,
      Board board,
      Stack.Gap gap,
      boolean front,
      Set<String> out) {
    Side side = front ? stack.face(board.id()) : stack.face(board.id()).other();
    Enclosure casing = parts.kit().casing().orElseThrow();
    List<Hole> holes = new ArrayList<>();
    for (Part part : parts.all()) {
      Place place = part.place();
      if (place == null
          || out.contains(part.ref())
          || !place.board().equals(board.id())
          || place.side() != side) {
        continue;
      }
      Optional<Enclosure.Cutout> cutout =
          casing.cutouts().stream()
              .filter(each -> each.ref().equals(part.ref()) && each.in().equals(plate.id()))
              .findFirst();
      if (cutout.isPresent()) {
        Enclosure.Cutout cut = cutout.get();
        holes.add(
            new Hole.Window(
                part.ref(), seen(board, side, cut.at()), cut.widthMm(), cut.heightMm()));
      } else if (comesThrough(parts, casing, plate, place, gap)) {
        holes.add(hole(part, place, board, side));
      }
    }
    holes.sort(
        Comparator.comparingDouble((Hole hole) -> hole.at().xMm())
            .thenComparingDouble(hole -> hole.at().yMm()));
    return new DrillTemplate(
        plate.id(),
        plate.layer().title().isBlank() ? plate.id() : plate.layer().title(),
        board.id(),
        board.widthMm(),
        board.heightMm(),
        holes);
  }

  /** Looked at from the side that it faces, a board shows its bottom mirrored. */
  private static PointMm seen(Board board, Side side, PointMm at) {
    return side == Side.TOP ? at : new PointMm(board.widthMm() - at.xMm(), at.yMm());
  }

  /** The kit says that it stands outside of the room, or it is higher than the room. */
  private static boolean comesThrough(
      Parts parts, Enclosure casing, Stack.Level plate, Place place, Stack.Gap gap) {
    boolean told =
        casing.rooms().stream()
            .filter(room -> room.board().equals(place.board()) && room.side() == place.side())
            .filter(room -> room.under().equals(plate.id()))
            .anyMatch(room -> room.but().contains(place.ref()));
    return told || gap.isSaid() && parts.fittedHeightMm(place.ref()) > gap.apartMm().high();
  }

  private static Hole hole(Part part, Place place, Board board, Side side) {
    String pack = part.pack().id();
    PointMm at = seen(board, side, place.at());
    Matcher light = LIGHT.matcher(pack);
    if (part.line().kind() == PartKind.LED && light.matches()) {
      return new Hole.Round(part.ref(), at, Double.parseDouble(light.group(1)) + PLAY_MM);
    }
    if (pack.equals("toggle-panel")) {
      return new Hole.Round(part.ref(), at, TOGGLE_MM + PLAY_MM);
    }
    Body body = Body.of(part, place);
    return new Hole.Window(
        part.ref(),
        seen(
            board,
            side,
            new PointMm((body.left() + body.right()) / 2, (body.low() + body.top()) / 2)),
        body.right() - body.left() + 2 * BODY_PLAY_MM,
        body.top() - body.low() + 2 * BODY_PLAY_MM);
  }
}
