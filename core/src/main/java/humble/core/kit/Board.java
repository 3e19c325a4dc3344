package humble.core.kit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A board, bare or one that a conversion goes into.
 *
 * @param id name within the kit
 * @param revision what is printed on it
 * @param widthMm width, in millimetres
 * @param heightMm height, in millimetres
 * @param thicknessMm thickness, in millimetres
 * @param outline corners in order; a rectangle when the kit gives none
 * @param files board files by role, relative to the kit
 * @param host whether it was there before the kit: what sits on it is surveyed, not fitted
 * @param coated whether it is lacquered, so that what is bared is coated again
 * @param photos straightened photos of its sides
 */
public record Board(
    String id,
    String revision,
    double widthMm,
    double heightMm,
    double thicknessMm,
    List<PointMm> outline,
    Map<String, String> files,
    boolean host,
    boolean coated,
    List<BoardPhoto> photos) {
  public Board {
    outline = List.copyOf(outline);
    files = Map.copyOf(files);
    photos = List.copyOf(photos);
  }

  /** Gives this board with another thickness. */
  public Board thick(double otherMm) {
    return new Board(
        id, revision, widthMm, heightMm, otherMm, outline, files, host, coated, photos);
  }

  /** Gives this board with a photo, in place of the one of that side and kind. */
  public Board with(BoardPhoto photo) {
    List<BoardPhoto> all = new ArrayList<>(photos);
    all.removeIf(other -> other.side() == photo.side() && other.fitted() == photo.fitted());
    all.add(photo);
    return new Board(
        id, revision, widthMm, heightMm, thicknessMm, outline, files, host, coated, all);
  }

  /** Gives the photo of a side, bare or with its parts. */
  public Optional<BoardPhoto> photo(Side side, boolean fitted) {
    return photos.stream()
        .filter(photo -> photo.side() == side && photo.fitted() == fitted)
        .findFirst();
  }

  /** Makes one without photos. */
  public Board(
      String id,
      String revision,
      double widthMm,
      double heightMm,
      double thicknessMm,
      List<PointMm> outline,
      Map<String, String> files,
      boolean host,
      boolean coated) {
    this(id, revision, widthMm, heightMm, thicknessMm, outline, files, host, coated, List.of());
  }

  /** Makes a bare board. */
  public Board(
      String id,
      String revision,
      double widthMm,
      double heightMm,
      double thicknessMm,
      List<PointMm> outline,
      Map<String, String> files) {
    this(id, revision, widthMm, heightMm, thicknessMm, outline, files, false, false);
  }
}
