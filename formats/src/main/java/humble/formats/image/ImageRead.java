package humble.formats.image;

import humble.core.firmware.ProgramImage;
import humble.core.kit.Finding;
import java.util.List;

/** The outcome of reading an image file. */
public sealed interface ImageRead {
  /** An image. */
  record Image(ProgramImage image) implements ImageRead {}

  /** A damaged file: everything that is wrong with it, each with its line. */
  record Damaged(List<Finding> findings) implements ImageRead {
    public Damaged {
      findings = List.copyOf(findings);
    }
  }
}
