package humble.core.kit;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One entry of the parts list: a kind of part and every place it goes to.
 *
 * @param id name within the kit
 * @param kind kind of part
 * @param value as written, such as {@code 10k}; empty when the kind needs none
 * @param tolerancePct tolerance in per cent, when given
 * @param bands number of painted bands, 0 when not banded
 * @param packageId package
 * @param refs reference designators
 * @param supplied pieces in the bag
 * @param bag label of the bag, or empty
 * @param marking what is printed on the part, or empty
 * @param spareOk whether more than needed is meant to be there
 * @param polarityMarks marks this part itself shows
 * @param substitutes lines whose parts may stand in
 * @param home where its parts belong
 * @param fragile what hurts it: heat, static, shock, water
 * @param stripOf positions of a supplied strip that it is snapped from, 0 when it is not
 * @param model electrical model, when the kit gives one
 * @param maxMa most current it survives, in milliamperes, when the kit says so
 * @param particulars what is out of the ordinary in its parts
 */
public record Line(
    String id,
    PartKind kind,
    String value,
    @Nullable Double tolerancePct,
    int bands,
    String packageId,
    List<String> refs,
    int supplied,
    String bag,
    String marking,
    boolean spareOk,
    List<String> polarityMarks,
    List<String> substitutes,
    Home home,
    List<String> fragile,
    int stripOf,
    @Nullable Model model,
    @Nullable Double maxMa,
    Particulars particulars) {
  public Line {
    refs = List.copyOf(refs);
    polarityMarks = List.copyOf(polarityMarks);
    substitutes = List.copyOf(substitutes);
    fragile = List.copyOf(fragile);
  }

  /** Makes a line whose parts have nothing out of the ordinary. */
  public Line(
      String id,
      PartKind kind,
      String value,
      @Nullable Double tolerancePct,
      int bands,
      String packageId,
      List<String> refs,
      int supplied,
      String bag,
      String marking,
      boolean spareOk,
      List<String> polarityMarks,
      List<String> substitutes,
      Home home,
      List<String> fragile,
      int stripOf,
      @Nullable Model model,
      @Nullable Double maxMa) {
    this(
        id,
        kind,
        value,
        tolerancePct,
        bands,
        packageId,
        refs,
        supplied,
        bag,
        marking,
        spareOk,
        polarityMarks,
        substitutes,
        home,
        fragile,
        stripOf,
        model,
        maxMa,
        Particulars.NONE);
  }

  /** Gives this line with other places and another model. */
  public Line with(List<String> otherRefs, @Nullable Model otherModel) {
    return new Line(
        id,
        kind,
        value,
        tolerancePct,
        bands,
        packageId,
        otherRefs,
        supplied,
        bag,
        marking,
        spareOk,
        polarityMarks,
        substitutes,
        home,
        fragile,
        stripOf,
        otherModel,
        maxMa,
        particulars);
  }

  /** Gives this line with another id. */
  public Line named(String otherId) {
    return new Line(
        otherId,
        kind,
        value,
        tolerancePct,
        bands,
        packageId,
        refs,
        supplied,
        bag,
        marking,
        spareOk,
        polarityMarks,
        substitutes,
        home,
        fragile,
        stripOf,
        model,
        maxMa,
        particulars);
  }

  /** Gives this line in another package; a model goes with the pins it names. */
  public Line inPackage(String otherPackageId, @Nullable Model otherModel) {
    return new Line(
        id,
        kind,
        value,
        tolerancePct,
        bands,
        otherPackageId,
        refs,
        supplied,
        bag,
        marking,
        spareOk,
        polarityMarks,
        substitutes,
        home,
        fragile,
        stripOf,
        otherModel,
        maxMa,
        particulars);
  }

  /** Gives which way round its parts go. */
  public PartKind.Way way() {
    return particulars.unpolarised() ? PartKind.Way.EITHER : kind.way();
  }

  /** Tells whether its parts have a right way round at all. */
  public boolean isOriented() {
    return way() != PartKind.Way.EITHER;
  }

  /** Tells whether it lists LEDs of a known colour whose lens does not show it. */
  public boolean isLitToBeKnown() {
    return particulars.clearLens() && !particulars.colour().isEmpty();
  }

  /** Tells whether its parts are on the board before anybody begins. */
  public boolean isOnBoard() {
    return particulars.soldered() != Particulars.Soldered.NOT_YET;
  }

  /**
   * Tells whether its parts go on a board but the kit does not say to which places: they are
   * planned by name and count.
   */
  public boolean isByCount() {
    boolean beside = kind == PartKind.WIRE || kind == PartKind.MECHANICAL || kind == PartKind.OTHER;
    return refs.isEmpty() && home == Home.BOARD && supplied > 0 && !isOnBoard() && !beside;
  }

  /**
   * Gives the number of pieces the work asks for: one a place, all of them where no place is
   * listed, none where they are soldered already.
   */
  public int needed() {
    return isOnBoard() ? 0 : isByCount() ? supplied : refs.size();
  }
}
