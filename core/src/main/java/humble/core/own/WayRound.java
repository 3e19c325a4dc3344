package humble.core.own;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Marks;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartPackage;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The ways in which a part that has a place could sit on the same holes, and the marks by which a
 * board tells which is meant.
 *
 * @param part the part
 * @param turns turns of the place, counter-clockwise; the one it has now is the first
 * @param marks shapes that are usually printed beside such a part, the likeliest first
 */
public record WayRound(Part part, List<Double> turns, List<String> marks) {
  private static final double SAME_MM = 0.06;

  /** The flat of a case faces away from its round side, its tab stands behind; in millimetres. */
  private static final Map<String, Double> BESIDE_LEGS =
      Map.of("flat", -2.5, "tab", 2.5, "printed", -2.5);

  public WayRound {
    turns = List.copyOf(turns);
    marks = List.copyOf(marks);
  }

  /** Gives the ways of a part; empty where it has no place, or only one way to sit. */
  public static Optional<WayRound> of(Parts parts, String ref) {
    Part part = parts.part(ref).orElse(null);
    Place place = part == null ? null : part.place();
    if (part == null || place == null || !part.line().isOriented()) {
      return Optional.empty();
    }
    List<Double> turns = new ArrayList<>();
    for (double more : new double[] {0, 90, 180, 270}) {
      if (looksAlike(part, more)) {
        turns.add((place.rotationDeg() + more) % 360);
      }
    }
    return turns.size() < 2
        ? Optional.empty()
        : Optional.of(new WayRound(part, turns, marks(part.line(), part.pack())));
  }

  /**
   * The holes that were clicked do not tell one way from another: those furthest apart. Between
   * four corners of a square a part may also lie across.
   */
  private static boolean looksAlike(Part part, double turn) {
    List<PointMm> far = Footing.farthest(part.pack());
    return far.stream()
        .map(at -> at.turned(turn))
        .allMatch(at -> far.stream().anyMatch(pin -> pin.distanceMm(at) < SAME_MM));
  }

  private static List<String> marks(Line line, PartPackage pack) {
    if (pack.isDualInLine()) {
      return List.of("notch", "square-pad", "dot", "printed");
    }
    return switch (line.way()) {
      case PLUS_FIRST -> List.of("plus", "square-pad", "stripe", "printed");
      case CATHODE_FIRST ->
          line.kind() == humble.core.kit.PartKind.LED
              ? List.of("flat", "plus", "printed")
              : List.of("stripe", "plus", "printed");
      case THREE_LEGS ->
          pack.id().startsWith("tab")
              ? List.of("tab", "square-pad", "printed")
              : List.of("flat", "square-pad", "printed");
      case PIN_1, EITHER -> List.of("square-pad", "dot", "triangle", "printed");
    };
  }

  /**
   * Gives the pin at which a mark stands: the stripe of a diode at its cathode, that of a can at
   * its minus, a plus at the anode; all others at pin 1.
   */
  public String pinOf(String mark) {
    Line line = part.line();
    boolean second =
        switch (Marks.shape(mark)) {
          case "stripe" -> line.kind().hasPlus();
          case "plus" -> line.kind().isDiode();
          default -> false;
        };
    List<PackagePin> pins = part.pack().pins();
    return second && pins.size() > 1 ? pins.get(1).number() : pins.getFirst().number();
  }

  private static List<String> ofMark(String mark) {
    return mark.isEmpty() ? List.of() : List.of(mark);
  }

  /** Gives where a mark would be printed if the part sat in the way of that number, from 0. */
  public PointMm markAt(int way, String mark) {
    Place turned = turned(way);
    if (part.line().kind().isThreeLegged() && BESIDE_LEGS.containsKey(mark)) {
      return turned.onBoard(new PointMm(0, BESIDE_LEGS.getOrDefault(mark, 0.0)));
    }
    String pin = pinOf(mark);
    return turned.onBoard(part.pack().pin(pin).orElseThrow().at());
  }

  /** Gives the place with the part in the way of that number, from 0. */
  public Place turned(int way) {
    Place place = java.util.Objects.requireNonNull(part.place());
    return place.turnedTo(turns.get(way));
  }

  /**
   * Gives what follows when somebody saw the mark. A square pad of a diode decides nothing: some
   * boards give it to the cathode, some to the anode, so it is not among its marks.
   *
   * @param way number of the way, from 0
   * @param mark the mark that is printed; empty where none is
   */
  public List<Edit> edits(Parts parts, int way, String mark) {
    List<String> printed =
        mark.isEmpty() || mark.equals("printed") ? ofMark(mark) : List.of(mark + ":" + pinOf(mark));
    List<Edit> edits = new ArrayList<>();
    edits.add(new Edit.PutPlace(turned(way).withMarks(printed)));
    Kit kit = parts.kit();
    parts
        .chipIn(part.ref())
        .flatMap(kit::placeOf)
        .ifPresent(
            chip -> edits.add(new Edit.PutPlace(chip.turnedTo(turns.get(way)).withMarks(printed))));
    return edits;
  }
}
