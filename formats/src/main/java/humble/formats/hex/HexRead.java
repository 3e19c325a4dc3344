package humble.formats.hex;

import humble.core.firmware.ProgramImage;
import humble.core.kit.Finding;
import java.util.List;

/** The outcome of reading an image file. */
public sealed interface HexRead {
  /** An image. */
  record Image(ProgramImage image) implements HexRead {}

  /** A damaged file: everything that is wrong with it, each with its line. */
  record Damaged(List<Finding> findings) implements HexRead {
    public Damaged {
      findings = List.copyOf(findings);
    }
  }
}
