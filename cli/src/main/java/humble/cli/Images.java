package humble.cli;

import humble.core.firmware.ProgramImage;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.image.ImageFile;
import humble.formats.image.ImageRead;
import java.io.IOException;
import java.nio.file.Path;

/** Reads image files for the commands. */
final class Images {
  private Images() {}

  static ProgramImage read(Path file) {
    byte[] bytes;
    try {
      bytes = InputFile.bytes(file, ImageFile.MOST_BYTES, ReadingBudget.usual());
    } catch (IOException e) {
      throw new BadInput(file + ": " + InputFile.reason(e));
    }
    return switch (ImageFile.read(String.valueOf(file.getFileName()), bytes)) {
      case ImageRead.Image image -> image.image();
      case ImageRead.Damaged damaged ->
          throw new BadInput(damaged.findings().stream().map(Object::toString).toList());
    };
  }
}
