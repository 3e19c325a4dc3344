package humble.cli;

import humble.core.firmware.ProgramImage;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.hex.HexRead;
import humble.formats.hex.IntelHex;
import java.io.IOException;
import java.nio.file.Path;

/** Reads image files for the commands. */
final class Images {
  private Images() {}

  static ProgramImage read(Path file) {
    byte[] bytes;
    try {
      bytes = InputFile.bytes(file, IntelHex.MOST_BYTES, ReadingBudget.usual());
    } catch (IOException e) {
      throw new BadInput(file + ": " + InputFile.reason(e));
    }
    if (!IntelHex.looksLike(bytes)) {
      throw new BadInput(file + ": this version reads Intel HEX; this is something else.");
    }
    return switch (IntelHex.read(String.valueOf(file.getFileName()), bytes)) {
      case HexRead.Image image -> image.image();
      case HexRead.Damaged damaged ->
          throw new BadInput(damaged.findings().stream().map(Object::toString).toList());
    };
  }
}
