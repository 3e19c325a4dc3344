package humble.core.own;

import humble.core.kit.Mount;
import humble.core.kit.PartPackage;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One way in which a part may lie on the holes that were clicked.
 *
 * @param pack its package: the one its line names, or one made from the holes
 * @param at middle of its pattern, on the board from the top
 * @param rotationDeg its turn, counter-clockwise on the board from the top
 * @param pitchMm distance of its two leads where they are formed; null where the package's is meant
 * @param offMm how far the clicks lie beside its pads, at most, in millimetres
 */
public record Lie(
    PartPackage pack, PointMm at, double rotationDeg, @Nullable Double pitchMm, double offMm) {
  /** Gives the place of a part that lies so. */
  public Place place(String ref, String board, Side side, Mount mount) {
    return new Place(
        ref,
        board,
        side,
        at,
        rotationDeg,
        mount,
        0,
        null,
        null,
        null,
        null,
        List.of(),
        List.of(),
        0,
        1,
        pitchMm);
  }
}
