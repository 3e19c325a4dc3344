package humble.core.practice;

import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.units.TypedReading;
import java.util.List;

/** What is right as an answer. */
public sealed interface Wanted {
  /**
   * A value that is typed.
   *
   * @param value in the base unit of {@code kind}
   * @param within how far an answer may be off, as a share of the value
   */
  record Value(double value, TypedReading.Kind kind, double within) implements Wanted {
    /**
     * Gives what a text amounts to; nothing is expected of it, since its prefix is a part of the
     * answer.
     */
    public TypedReading typed(String text, int moved) {
      return new TypedReading(text, kind, List.of(), moved);
    }

    /** Tells whether a value is right. */
    public boolean isRight(double given) {
      return Math.abs(given - value) <= Math.abs(value) * within;
    }
  }

  /** One of some pads, by the key of a keypad that lies the same way. */
  record Pad(char key) implements Wanted {
    /** Tells whether a key is right. */
    public boolean isRight(char given) {
      return given == key;
    }
  }

  /** Figures as they stand, leading noughts included or not. */
  record Figures(String text) implements Wanted {
    /** Tells whether figures are right. */
    public boolean isRight(String given) {
      return plain(given).equals(plain(text));
    }

    private static String plain(String figures) {
      String bare = figures.strip().toLowerCase(java.util.Locale.ROOT).replaceFirst("^0+", "");
      return bare.isEmpty() ? "0" : bare;
    }
  }

  /** Tells whether a text can be read as a value at all. */
  static boolean isReadable(String text) {
    return Quantity.parse(text) instanceof QuantityText.Read;
  }
}
