package humble.formats.image;

import humble.core.budget.Budget;
import humble.core.kit.Finding;
import humble.formats.ReadingBudget;
import java.util.List;
import java.util.stream.Collectors;

/** A file with a program in it, in whichever of the known formats. */
public final class ImageFile {
  /** The largest file that is read, in bytes. */
  public static final long MOST_BYTES = IntelHex.MOST_BYTES;

  private static final List<ImageFormat> FORMATS = List.of(IntelHex.FORMAT);

  private ImageFile() {}

  /** Reads a file with the usual budget. */
  public static ImageRead read(String name, byte[] bytes) {
    return read(name, bytes, ReadingBudget.usual());
  }

  /** Reads a file; one of no known format is damaged, and says which are known. */
  public static ImageRead read(String name, byte[] bytes, Budget budget) {
    return FORMATS.stream()
        .filter(format -> format.looksLike(bytes))
        .findFirst()
        .map(format -> format.read(name, bytes, budget))
        .orElseGet(() -> unknown(name));
  }

  private static ImageRead unknown(String name) {
    String known = FORMATS.stream().map(ImageFormat::title).collect(Collectors.joining(", "));
    return new ImageRead.Damaged(
        List.of(
            Finding.error(
                name, "This is something else than an image that is read: " + known + ".")));
  }
}
