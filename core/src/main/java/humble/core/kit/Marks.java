package humble.core.kit;

import java.util.List;
import java.util.Optional;

/** The marks that tell which way round a part goes, on the part and beside its place. */
public final class Marks {
  /** Every mark that is known, as kit files name them. */
  public static final List<String> KNOWN =
      List.of(
          "stripe",
          "long-lead",
          "flat",
          "notch",
          "dot",
          "plus",
          "square-pad",
          "printed",
          "bevel",
          "tab",
          "triangle",
          "label",
          "printed-side");

  private Marks() {}

  /** Gives the mark without the pin it stands at: {@code square-pad} of {@code square-pad:a}. */
  public static String shape(String mark) {
    int colon = mark.indexOf(':');
    return colon < 0 ? mark : mark.substring(0, colon);
  }

  /** Gives the pin that a mark stands at; empty where it names none. */
  public static Optional<String> pin(String mark) {
    int colon = mark.indexOf(':');
    return colon < 0 ? Optional.empty() : Optional.of(mark.substring(colon + 1));
  }
}
