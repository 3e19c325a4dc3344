package humble.core.kit;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Where and how one part sits.
 *
 * @param ref reference designator
 * @param board id of the board
 * @param side side it is fitted on
 * @param at middle of the pin pattern, board coordinates from the top
 * @param rotationDeg counter-clockwise as seen from the top
 * @param mount how it sits
 * @param standoffMm distance off the board, in millimetres
 * @param maxHeightMm tallest it may be, when limited
 * @param under part that will cover it, when any
 * @param jig part it is held by while soldered, when any
 * @param panel task that fits the panel it must meet, when any
 * @param leaveEmpty pins that get no solder
 * @param marks marks printed at the place, such as {@code square-pad:a}
 * @param rowHoles holes in the row it sits in, 0 when the row is its own
 * @param rowFrom hole of that row, from 1, that takes pin 1
 * @param pitchMm distance of its two holes where the board drills them otherwise than the package
 *     has its leads
 */
public record Place(
    String ref,
    String board,
    Side side,
    PointMm at,
    double rotationDeg,
    Mount mount,
    double standoffMm,
    @Nullable Double maxHeightMm,
    @Nullable String under,
    @Nullable String jig,
    @Nullable String panel,
    List<String> leaveEmpty,
    List<String> marks,
    int rowHoles,
    int rowFrom,
    @Nullable Double pitchMm) {
  public Place {
    leaveEmpty = List.copyOf(leaveEmpty);
    marks = List.copyOf(marks);
  }

  /** Makes a place whose holes are where the package has its leads. */
  public Place(
      String ref,
      String board,
      Side side,
      PointMm at,
      double rotationDeg,
      Mount mount,
      double standoffMm,
      @Nullable Double maxHeightMm,
      @Nullable String under,
      @Nullable String jig,
      @Nullable String panel,
      List<String> leaveEmpty,
      List<String> marks,
      int rowHoles,
      int rowFrom) {
    this(
        ref,
        board,
        side,
        at,
        rotationDeg,
        mount,
        standoffMm,
        maxHeightMm,
        under,
        jig,
        panel,
        leaveEmpty,
        marks,
        rowHoles,
        rowFrom,
        null);
  }

  /** Gives the place of a part of which nobody said where it sits: flush, on the top. */
  public static Place unknown(String ref) {
    return new Place(
        ref,
        "",
        Side.TOP,
        new PointMm(0, 0),
        0,
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

  /**
   * Gives where a point of the package lands on the board, from the top: bottom-side patterns are
   * mirrored first.
   */
  public PointMm onBoard(PointMm ofPackage) {
    PointMm seen = side == Side.BOTTOM ? ofPackage.mirrored() : ofPackage;
    return at.plus(seen.turned(rotationDeg));
  }

  /** Gives this place with other marks printed at it. */
  public Place withMarks(List<String> others) {
    return copied(board, at, others, pitchMm);
  }

  /** Gives this place with its part turned otherwise. */
  public Place turnedTo(double otherDeg) {
    return with(otherDeg, mount, standoffMm);
  }

  /** Gives this place with its part sitting otherwise, so far off the board. */
  public Place sitting(Mount how, double offMm) {
    return with(rotationDeg, how, offMm);
  }

  private Place with(double otherDeg, Mount how, double offMm) {
    return new Place(
        ref,
        board,
        side,
        at,
        otherDeg,
        how,
        offMm,
        maxHeightMm,
        under,
        jig,
        panel,
        leaveEmpty,
        marks,
        rowHoles,
        rowFrom,
        pitchMm);
  }

  /** Gives this place on another board. */
  public Place onBoardNamed(String other) {
    return copied(other, at, marks, pitchMm);
  }

  /** Gives this place elsewhere on its board. */
  public Place movedTo(PointMm elsewhere) {
    return copied(board, elsewhere, marks, pitchMm);
  }

  /** Gives the same place with its two holes so far apart. */
  public Place withPitch(double otherPitchMm) {
    return copied(board, at, marks, otherPitchMm);
  }

  private Place copied(
      String otherBoard, PointMm elsewhere, List<String> otherMarks, @Nullable Double otherPitch) {
    return new Place(
        ref,
        otherBoard,
        side,
        elsewhere,
        rotationDeg,
        mount,
        standoffMm,
        maxHeightMm,
        under,
        jig,
        panel,
        leaveEmpty,
        otherMarks,
        rowHoles,
        rowFrom,
        otherPitch);
  }

  /** Gives the part that will cover it. */
  public Optional<String> covered() {
    return Optional.ofNullable(under);
  }
}
