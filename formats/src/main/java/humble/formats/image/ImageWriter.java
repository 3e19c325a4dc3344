package humble.formats.image;

import humble.core.firmware.ImageEdit;
import humble.core.firmware.ProgramImage;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Writes an image in the format that a file's ending names. */
public final class ImageWriter {
  /** The endings that are known. */
  public static final List<String> ENDINGS =
      List.of(".hex", ".s19", ".s28", ".s37", ".uf2", ".bin");

  private static final long MOST_RAW_BYTES = 256_000_000;

  private ImageWriter() {}

  /** What formats need to know besides the image: a raw file's gaps, a UF2's family. */
  public record As(int fill, @Nullable Long family) {}

  /**
   * Writes an image; empty where the ending is none that is known.
   *
   * @param name the file's name
   * @throws IllegalArgumentException with one sentence, when the format cannot hold the image
   */
  public static Optional<byte[]> write(String name, ProgramImage image, As as) {
    int dot = name.lastIndexOf('.');
    return Optional.ofNullable(
        switch (dot < 0 ? "" : name.substring(dot).toLowerCase(Locale.ROOT)) {
          case ".hex" -> IntelHex.write(image);
          case ".s19" -> SRecord.write(image, 2);
          case ".s28" -> SRecord.write(image, 3);
          case ".s37" -> SRecord.write(image, 4);
          case ".uf2" -> Uf2.write(image, as.family());
          case ".bin" -> raw(image, as.fill());
          default -> null;
        });
  }

  /** The bytes from the first address to the last, gaps filled. */
  private static byte[] raw(ProgramImage image, int fill) {
    if (image.segments().isEmpty()) {
      return new byte[0];
    }
    long from = image.segments().getFirst().from();
    long to = image.segments().getLast().to();
    if (to - from >= MOST_RAW_BYTES) {
      throw new IllegalArgumentException(
          "from its first address to its last it would be " + (to - from + 1) + " bytes");
    }
    return ImageEdit.bytes(image, from, to, fill);
  }
}
