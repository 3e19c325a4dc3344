package humble.desktop.session;

import humble.desktop.draw.Faces;
import humble.formats.kit.KitFolder;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;

/** The faces of the boards of a build: their photos where they are looked at, else their files. */
public final class PhotosOfBuild {
  private PhotosOfBuild() {}

  /** Gives the faces of a build, drawn in its background. */
  public static Faces faces(OpenBuild open) {
    KitFolder folder = open.folder();
    return new Faces(
        open::layers,
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
