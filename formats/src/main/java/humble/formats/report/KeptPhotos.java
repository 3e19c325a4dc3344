package humble.formats.report;

import humble.core.build.BuildEvent;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.kit.KitFolder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** Where the photos that a build names are kept. */
public interface KeptPhotos {
  /** None are. */
  KeptPhotos NONE = photo -> Optional.empty();

  /** Larger ones than these are not put into a page. */
  long MOST_BYTES = 4L << 20;

  /** Gives the bytes of a photo, a JPEG; empty where it is not there. */
  Optional<byte[]> of(BuildEvent.PhotoKept photo);

  /** Gives those within a build as one file. */
  static KeptPhotos in(KitFolder archive) {
    return photo -> {
      try {
        byte[] bytes = archive.bytes(photo.file());
        return bytes.length <= MOST_BYTES ? Optional.of(bytes) : Optional.empty();
      } catch (IOException e) {
        // The report says that it is not there.
        return Optional.empty();
      }
    };
  }

  /** Gives those in a folder, by the name after the slash. */
  static KeptPhotos in(Path folder) {
    return photo -> {
      if (!photo.file().matches("photos/[0-9a-f]{16,64}\\.jpg")) {
        return Optional.empty();
      }
      Path file = folder.resolve(photo.file().substring("photos/".length()));
      try {
        return Files.isRegularFile(file)
            ? Optional.of(InputFile.bytes(file, MOST_BYTES, ReadingBudget.usual()))
            : Optional.empty();
      } catch (IOException e) {
        // The report says that it is not there.
        return Optional.empty();
      }
    };
  }
}
