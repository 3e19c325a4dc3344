package humble.core.kit;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What is out of the ordinary in the parts of a line.
 *
 * @param unpolarised whether they go in either way although most of their kind do not
 * @param colour what colour of light an LED gives, or empty where the kit does not say
 * @param clearLens whether the lens is clear, so that the colour shows only when it is lit
 * @param method how their joints are made
 * @param soldered who soldered them already, if anybody did
 * @param comesOff whether parts of a host are taken off it for good
 * @param ratings what they bear
 * @param aged the aged part of a host in whose place they go, null where they replace none
 */
public record Particulars(
    boolean unpolarised,
    String colour,
    boolean clearLens,
    Method method,
    Soldered soldered,
    boolean comesOff,
    Ratings ratings,
    @Nullable Aged aged) {
  /** Nothing out of the ordinary. */
  public static final Particulars NONE =
      new Particulars(false, "", false, Method.IRON, Soldered.NOT_YET);

  /** Makes those of parts that neither come off nor replace any. */
  public Particulars(
      boolean unpolarised, String colour, boolean clearLens, Method method, Soldered soldered) {
    this(unpolarised, colour, clearLens, method, soldered, false, Ratings.NONE, null);
  }

  /** Whether parts are on the board before anybody begins. */
  public enum Soldered {
    /** They are in the bag, and are fitted. */
    NOT_YET(""),
    /** Whoever makes the kit soldered them. */
    MAKER("maker"),
    /** They belong to the board that a conversion goes into. */
    HOST("host");

    private final String text;

    Soldered(String text) {
      this.text = text;
    }

    /** Gives who is named in a kit file. */
    public static Optional<Soldered> named(String name) {
      for (Soldered soldered : List.of(MAKER, HOST)) {
        if (soldered.text.equals(name)) {
          return Optional.of(soldered);
        }
      }
      return Optional.empty();
    }

    /** Gives the name used in kit files; empty where they are not on the board yet. */
    public String text() {
      return text;
    }
  }

  /** How joints are made. */
  public enum Method {
    /** One after the other, with an iron. */
    IRON,
    /** Paste on all pads of a side, then the parts, then heat for all of them at once. */
    PASTE;

    /** Gives the method of that name. */
    public static Optional<Method> named(String name) {
      for (Method method : values()) {
        if (method.text().equals(name)) {
          return Optional.of(method);
        }
      }
      return Optional.empty();
    }

    /** Gives the name used in kit files. */
    public String text() {
      return name().toLowerCase(java.util.Locale.ROOT);
    }
  }
}
