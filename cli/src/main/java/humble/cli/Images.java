package humble.cli;

import humble.core.firmware.ImageCheck;
import humble.core.firmware.ProgramImage;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.WholeFile;
import humble.formats.image.ImageFile;
import humble.formats.image.ImageRead;
import humble.formats.image.ImageWriter;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** Reads and writes image files for the commands. */
final class Images {
  private Images() {}

  static ImageRead.Image read(Path file) {
    return read(file, ImageFile.Known.NOTHING);
  }

  static ImageRead.Image read(Path file, ImageFile.Known known) {
    byte[] bytes;
    try {
      bytes = InputFile.bytes(file, ImageFile.MOST_BYTES, ReadingBudget.usual());
    } catch (IOException e) {
      throw new BadInput(file + ": " + InputFile.reason(e));
    }
    return switch (ImageFile.read(String.valueOf(file.getFileName()), bytes, known)) {
      case ImageRead.Image image -> image;
      case ImageRead.Damaged damaged ->
          throw new BadInput(damaged.findings().stream().map(Object::toString).toList());
    };
  }

  /** Writes an image in the format of the file's ending, and says what is in it. */
  static Answer write(Path file, ProgramImage image, ImageWriter.As as) {
    String name = String.valueOf(file.getFileName());
    byte[] bytes;
    try {
      bytes =
          ImageWriter.write(name, image, as)
              .orElseThrow(() ->
                  new BadInput(
                      "-o: '"
                          + name
                          + "' ends in none of "
                          + String.join(" ", ImageWriter.ENDINGS)
                          + "."));
    } catch (IllegalArgumentException e) {
      throw new BadInput("-o: " + name + ": " + e.getMessage() + "; nothing was written.");
    }
    try {
      WholeFile.replace(file, bytes);
    } catch (IOException e) {
      throw new BadInput(file + ": " + InputFile.reason(e));
    }
    return info(read(file));
  }

  /** Says what is in an image. */
  static Answer info(ImageRead.Image read) {
    ProgramImage image = read.image();
    List<Object> segments = new ArrayList<>();
    List<String> text = new ArrayList<>(List.of(read.format() + ", " + image.length() + " bytes"));
    for (ProgramImage.Segment segment : image.segments()) {
      segments.add(
          Answer.object("from", segment.from(), "to", segment.to(), "bytes", segment.length()));
      text.add(
          "  "
              + ImageCheck.hex(segment.from())
              + " to "
              + ImageCheck.hex(segment.to())
              + ", "
              + segment.length()
              + " bytes");
    }
    text.addAll(read.remarks());
    var answer =
        Answer.object(
            "format",
            read.format(),
            "bytes",
            image.length(),
            "segments",
            segments,
            "entry",
            image.entry(),
            "crc32",
            image.crc32(),
            "sha256",
            image.sha256(),
            "blank",
            image.blank());
    if (!read.families().isEmpty()) {
      answer.put("families", read.families());
    }
    if (!read.remarks().isEmpty()) {
      answer.put("remarks", read.remarks());
    }
    return new Answer(answer, text, false);
  }

  /** Reads an address or a byte as the commands take it, {@code 0x7e00} or {@code 32256}. */
  static long number(String option, @Nullable String text, long most) {
    try {
      long value = Long.decode(text == null ? "" : text.strip());
      if (value >= 0 && value <= most) {
        return value;
      }
    } catch (NumberFormatException e) {
      // What is no number is told below.
    }
    throw new BadInput(
        String.format(Locale.ROOT, "%s: '%s' is no number from 0 to 0x%x.", option, text, most));
  }
}
