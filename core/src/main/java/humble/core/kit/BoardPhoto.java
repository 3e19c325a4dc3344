package humble.core.kit;

import java.util.List;
import java.util.Optional;

/**
 * A photo of one side of a board, straightened: it shows the board from edge to edge, as that side
 * is looked at.
 *
 * @param side which side is seen
 * @param fitted whether the parts are on it already; else the board is bare
 * @param file the picture, relative to the kit
 * @param fitMm how far it may be off, in millimetres; empty where that is not known
 * @param holes where holes were seen; of both sides from the top
 */
public record BoardPhoto(
    Side side, boolean fitted, String file, Optional<Double> fitMm, List<SeenHole> holes) {
  public BoardPhoto {
    holes = List.copyOf(holes);
  }
}
