package humble.desktop.stage;

/**
 * What may be typed on a card.
 *
 * @param figures whether digits, points and what follows them go into the field
 * @param sign whether a number may begin with a minus
 * @param text whether anything goes into the field, blanks and signs included
 * @param letters letters that a text may begin with besides digits
 */
public record Takes(boolean figures, boolean sign, boolean text, String letters) {
  /** Nothing: every key does something of its own. */
  public static final Takes NOTHING = new Takes(false, false, false, "");

  /** A number, with a prefix after it. */
  public static final Takes DIGITS = new Takes(true, false, false, "");

  /** A number that may be negative. */
  public static final Takes SIGNED = new Takes(true, true, false, "");

  /** Any text. */
  public static final Takes TEXT = new Takes(true, false, true, "");

  /** A text that begins with a letter: digits before it do something of their own. */
  public static final Takes WORDS = new Takes(false, false, true, "");

  /** Letters and the blanks between them; every other key does something of its own. */
  public static final Takes LETTERS = new Takes(false, false, true, "a-z");

  /** The name of a file or a device. */
  public static final Takes PATH = new Takes(true, false, true, "/");

  /** Gives a number, or a word that begins with one of {@code letters}. */
  public static Takes digitsOr(String letters) {
    return new Takes(true, false, false, letters);
  }

  /** Tells whether {@code c}, which is no sign, goes into a field that holds {@code typed}. */
  public boolean takes(char c, String typed) {
    boolean begun = !typed.isEmpty();
    if (this == LETTERS) {
      return Character.isLetter(c) || begun && c == ' ';
    }
    if (text) {
      boolean begins = figures ? Character.isLetterOrDigit(c) : Character.isLetter(c);
      return begun || begins || letters.indexOf(c) >= 0;
    }
    return figures
        && (Character.isDigit(c)
            || c == '.'
            || c == ','
            || (Character.isLetter(c)
                && (begun || letters.indexOf(Character.toLowerCase(c)) >= 0)));
  }
}
