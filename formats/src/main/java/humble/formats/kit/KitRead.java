package humble.formats.kit;

import humble.core.kit.Finding;
import humble.core.kit.Kit;
import java.util.List;

/** The outcome of reading a kit: a kit that may be opened, or all that stands against it. */
public sealed interface KitRead {
  /** Gives everything that was found, in the order of the file. */
  List<Finding> findings();

  /**
   * A kit without errors.
   *
   * @param kit the kit
   * @param findings warnings and notes
   */
  record Opened(Kit kit, List<Finding> findings) implements KitRead {
    public Opened {
      findings = List.copyOf(findings);
    }
  }

  /**
   * A kit that cannot be opened.
   *
   * @param findings everything found, with at least one error
   * @param parsed whether the file is JSON at all
   */
  record Refused(List<Finding> findings, boolean parsed) implements KitRead {
    public Refused {
      findings = List.copyOf(findings);
    }
  }
}
