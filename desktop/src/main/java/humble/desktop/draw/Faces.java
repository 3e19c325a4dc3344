package humble.desktop.draw;

import humble.core.kit.Board;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.formats.board.BoardLayers;
import java.awt.image.BufferedImage;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.scene.paint.Color;

/**
 * The faces of the boards in sight, drawn in the background as they are first asked for. Used on
 * the interface thread only.
 */
public final class Faces {
  private static final int MOST_KEPT = 6;

  /** Faces for kits without board files: none. */
  public static final Faces NONE =
      new Faces(board -> Optional.empty(), view -> Optional.empty(), (drawing, then) -> {});

  private final Function<Board, Optional<BoardLayers>> layers;
  private final Photos photos;
  private final Background background;
  private final Set<Key> asked = new HashSet<>();
  private final Map<Key, BoardFace> kept =
      new LinkedHashMap<>(MOST_KEPT, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, BoardFace> eldest) {
          return size() > MOST_KEPT;
        }
      };

  private record Key(
      String board, Side side, long scale, BoardFace.Colours colours, String photo) {}

  /** A photo of a side, straightened. */
  public record Photo(String file, Supplier<BufferedImage> picture) {}

  /** Gives the photo of the side in sight; empty where there is none, or it is not looked at. */
  public interface Photos {
    Optional<Photo> of(BoardView view);
  }

  /** Draws in the background and hands the face over on the interface thread. */
  public interface Background {
    /** Draws a face. */
    void run(Supplier<BoardFace> drawing, Consumer<BoardFace> then);
  }

  /**
   * Makes an empty set of faces.
   *
   * @param layers gives the layers of a board, once they are read
   * @param photos gives the photo of a side, which goes before its layers
   * @param background runs the drawing
   */
  public Faces(
      Function<Board, Optional<BoardLayers>> layers, Photos photos, Background background) {
    this.layers = layers;
    this.photos = photos;
    this.background = background;
  }

  /**
   * Gives the face of the side in sight: at that scale when it has been drawn, else at another;
   * empty when the board has no files or the first is still being drawn.
   */
  public Optional<BoardFace> of(BoardView view, double pxPerMm, Pen pen) {
    Optional<Photo> photo = photos.of(view);
    Optional<BoardLayers> read = photo.isPresent() ? Optional.empty() : layers.apply(view.board());
    if (read.isEmpty() && photo.isEmpty()) {
      return Optional.empty();
    }
    BoardFace.Colours colours = colours(pen);
    String file = photo.map(Photo::file).orElse("");
    Key key = new Key(view.board().id(), view.side(), Math.round(pxPerMm * 20), colours, file);
    BoardFace face = kept.get(key);
    if (face == null && asked.add(key)) {
      background.run(
          () ->
              photo
                  .map(of -> BoardFace.photo(of.picture().get(), view.board(), pxPerMm))
                  .orElseGet(() ->
                      BoardFace.draw(
                          view.board(), read.orElseThrow(), view.side(), pxPerMm, colours)),
          drawn -> {
            kept.put(key, drawn);
            asked.remove(key);
          });
    }
    return face != null
        ? Optional.of(face)
        : kept.entrySet().stream()
            .filter(e -> e.getKey().board().equals(key.board()) && e.getKey().side() == key.side())
            .filter(e -> e.getKey().colours().equals(colours))
            .filter(e -> e.getKey().photo().equals(file))
            .map(Map.Entry::getValue)
            .findFirst();
  }

  private static BoardFace.Colours colours(Pen pen) {
    Color board = pen.colour(Token.BOARD);
    return new BoardFace.Colours(
        argb(board),
        argb(board.interpolate(pen.colour(Token.MASK_PALE), 0.22)),
        argb(pen.colour(Token.COPPER_PALE)),
        argb(pen.colour(Token.MASK_PALE)));
  }

  private static int argb(Color colour) {
    return 0xff000000
        | (int) Math.round(colour.getRed() * 255) << 16
        | (int) Math.round(colour.getGreen() * 255) << 8
        | (int) Math.round(colour.getBlue() * 255);
  }
}
