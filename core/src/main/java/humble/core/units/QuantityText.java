package humble.core.units;

/** The outcome of reading a quantity that somebody wrote or typed. */
public sealed interface QuantityText {
  /**
   * A quantity that could be read.
   *
   * @param value in the base unit of what was asked for
   * @param prefix the prefix letter that was written, as one of {@code f p n u m k M G}, or empty
   * @param resolution the worth of the last digit written, in the base unit
   */
  record Read(double value, String prefix, double resolution) implements QuantityText {}

  /**
   * A text that is no quantity.
   *
   * @param position index of the first character that cannot stand where it stands
   * @param sentence one plain sentence that names the character
   */
  record Unreadable(int position, String sentence) implements QuantityText {}
}
