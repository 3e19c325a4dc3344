package humble.formats.image;

import humble.core.firmware.ProgramImage;
import humble.core.kit.Finding;
import java.util.List;

/** The outcome of reading an image file. */
public sealed interface ImageRead {
  /**
   * An image.
   *
   * @param image the bytes
   * @param format the format it was in, {@code intel-hex}
   * @param families families of chips that the file says it is for, each once
   * @param remarks what of the file is not in the image, and why
   */
  record Image(ProgramImage image, String format, List<Long> families, List<String> remarks)
      implements ImageRead {
    public Image {
      families = List.copyOf(families);
      remarks = List.copyOf(remarks);
    }

    Image(ProgramImage image, String format) {
      this(image, format, List.of(), List.of());
    }
  }

  /** A damaged file: everything that is wrong with it, each with its place. */
  record Damaged(List<Finding> findings) implements ImageRead {
    public Damaged {
      findings = List.copyOf(findings);
    }

    static Damaged of(String where, String sentence) {
      return new Damaged(List.of(Finding.error(where, sentence)));
    }
  }
}
