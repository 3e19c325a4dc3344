package humble.formats.image;

import humble.core.budget.Budget;
import humble.core.firmware.ProgramImage;
import humble.formats.ReadingBudget;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** A file with a program in it, in whichever of the known formats. */
public final class ImageFile {
  /** The largest file that is read, in bytes. */
  public static final long MOST_BYTES = IntelHex.MOST_BYTES;

  private static final String RAW = "raw";
  private static final long ADDRESSES = 1L << 32;

  private static final List<ImageFormat> FORMATS =
      List.of(IntelHex.FORMAT, SRecord.FORMAT, Uf2.FORMAT, ElfImage.FORMAT);

  private ImageFile() {}

  /**
   * What is known of a file besides its bytes.
   *
   * @param base the address of the first byte of a raw file; null where it is said to be none
   * @param family the family of chips whose blocks count; null for all
   */
  public record Known(@Nullable Long base, @Nullable Long family) {
    /** Nothing. */
    public static final Known NOTHING = new Known(null, null);
  }

  /** Reads a file with the usual budget. */
  public static ImageRead read(String name, byte[] bytes) {
    return read(name, bytes, Known.NOTHING, ReadingBudget.usual());
  }

  /** Reads a file of which something is known, with the usual budget. */
  public static ImageRead read(String name, byte[] bytes, Known known) {
    return read(name, bytes, known, ReadingBudget.usual());
  }

  /**
   * Reads a file. One that says a base is raw whatever it begins with, one that ends in {@code
   * .bin} and is nothing else is raw from address 0; any other of no known format is damaged, and
   * says which are known.
   */
  public static ImageRead read(String name, byte[] bytes, Known known, Budget budget) {
    Long base = known.base();
    if (base != null) {
      return raw(name, bytes, base);
    }
    ImageFormat format =
        FORMATS.stream().filter(each -> each.looksLike(bytes)).findFirst().orElse(null);
    if (format == Uf2.FORMAT) {
      return Uf2.read(name, bytes, budget, known.family());
    }
    if (format != null) {
      return format.read(name, bytes, budget);
    }
    return name.toLowerCase(Locale.ROOT).endsWith(".bin") ? raw(name, bytes, 0) : unknown(name);
  }

  private static ImageRead raw(String name, byte[] bytes, long base) {
    if (base < 0 || base + bytes.length > ADDRESSES) {
      return ImageRead.Damaged.of(name, "From its base it runs past the last address there is.");
    }
    return new ImageRead.Image(new ProgramImage.Builder().add(base, bytes).build(), RAW);
  }

  private static ImageRead unknown(String name) {
    String known = FORMATS.stream().map(ImageFormat::title).collect(Collectors.joining(", "));
    return ImageRead.Damaged.of(
        name,
        "This is something else than an image that is read: "
            + known
            + "; a raw file needs the address of its first byte.");
  }
}
