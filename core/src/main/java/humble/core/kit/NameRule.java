package humble.core.kit;

import humble.core.words.ForeignText;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * What ids, refs, pins and nets of a kit may hold. An id that breaks the rule, and a name that is
 * too long or holds what nobody can see, is an error; other characters of a name are a warning, and
 * become {@code _} wherever they leave the kit.
 */
public final class NameRule {
  /** The most characters of an id, a ref, a pin or a net. */
  public static final int LONGEST = 64;

  private static final Pattern ID = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._-]{0,63}");
  private static final String NOT_IN_PARTS = ".,:=-()";
  private static final String NOT_IN_NETS = ",()=";

  private NameRule() {}

  /**
   * What stands against a name.
   *
   * @param error whether the kit cannot be used with it
   * @param text one sentence
   */
  public record Objection(boolean error, String text) {}

  /** Judges an id. */
  public static Optional<Objection> id(String id) {
    return ID.matcher(id).matches()
        ? Optional.empty()
        : Optional.of(
            new Objection(
                true,
                "The id '"
                    + ForeignText.shown(shortened(id))
                    + "' is not 1 to 64 letters, digits, points, hyphens and underscores that begin"
                    + " with a letter or a digit."));
  }

  /** Judges a reference designator. */
  public static Optional<Objection> ref(String ref) {
    return name("ref", ref, NOT_IN_PARTS, true);
  }

  /** Judges the number or alias of a pin. The aliases {@code +} and {@code -} are names too. */
  public static Optional<Objection> pin(String pin) {
    return pin.equals("-") ? Optional.empty() : name("pin", pin, NOT_IN_PARTS, true);
  }

  /** Judges the name of a net. */
  public static Optional<Objection> net(String net) {
    return name("net", net, NOT_IN_NETS, false);
  }

  private static Optional<Objection> name(
      String what, String name, String banned, boolean blanksToo) {
    String shown = "The " + what + " '" + ForeignText.shown(shortened(name)) + "' ";
    if (name.isEmpty()) {
      return Optional.of(new Objection(true, "A " + what + " has no name."));
    }
    if (name.length() > LONGEST) {
      return Optional.of(
          new Objection(true, shown + "has " + name.length() + " characters; 64 are the most."));
    }
    if (name.codePoints().anyMatch(ForeignText::isHidden)) {
      return Optional.of(
          new Objection(true, shown + "holds a character that cannot be seen; type it anew."));
    }
    boolean odd =
        name.chars()
            .anyMatch(c ->
                banned.indexOf(c) >= 0
                    || (blanksToo && (Character.isWhitespace(c) || Character.isSpaceChar(c))));
    return odd
        ? Optional.of(
            new Objection(
                false,
                shown
                    + "holds one of "
                    + String.join(" ", banned.split(""))
                    + (blanksToo ? " or a blank" : "")
                    + "; it is written with _ wherever it leaves the kit."))
        : Optional.empty();
  }

  private static String shortened(String text) {
    return text.length() > 40 ? text.substring(0, 40) + "…" : text;
  }
}
