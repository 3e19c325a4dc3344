package humble.desktop.session;

import humble.core.kit.Board;
import humble.desktop.draw.Faces;
import humble.formats.board.BoardLayers;
import humble.formats.kit.KitFolder;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;
import java.util.function.Function;
import javax.imageio.ImageIO;

/** The faces of the boards of a build: their photos where they are looked at, else their files. */
public final class PhotosOfBuild {
  private PhotosOfBuild() {}

  /** Gives the faces of a build, drawn in its background. */
  public static Faces faces(OpenBuild open) {
    return faces(open, open::layers);
  }

  /** Gives the photos of a build alone: without one the kit's own geometry is drawn. */
  static Faces photos(OpenBuild open) {
    return faces(open, board -> Optional.empty());
  }

  private static Faces faces(OpenBuild open, Function<Board, Optional<BoardLayers>> layers) {
    KitFolder folder = open.folder();
    return new Faces(
        layers,
        view ->
            open.photo(view.board(), view.side())
                .map(photo -> new Faces.Photo(photo.file(), () -> picture(folder, photo.file()))),
        (drawing, then) -> open.works().start(calledOff -> drawing.get(), then));
  }

  private static BufferedImage picture(KitFolder folder, String file) {
    try {
      BufferedImage image = ImageIO.read(new ByteArrayInputStream(folder.bytes(file)));
      if (image == null) {
        throw new IOException(file + " is no picture");
      }
      return image;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
