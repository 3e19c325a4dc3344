package humble.core.words;

import java.util.regex.Pattern;

/**
 * Text that a stranger wrote, in the forms in which it may leave a kit: as a word of a deck or of a
 * command, as the name of a file, or to be read by a person. There is no other way out.
 */
public final class ForeignText {
  /** Names of files are kept shorter than any file system's limit. */
  private static final int LONGEST_NAME = 100;

  private static final Pattern NOT_A_WORD = Pattern.compile("[^A-Za-z0-9_]");
  private static final Pattern NOT_A_NAME = Pattern.compile("[^A-Za-z0-9._-]");

  private ForeignText() {}

  /**
   * Gives {@code text} with everything but letters, digits and underscores of ASCII as {@code _}.
   */
  public static String word(String text) {
    return text.isEmpty() ? "_" : NOT_A_WORD.matcher(text).replaceAll("_");
  }

  /**
   * Gives {@code text} as the name of one file: letters, digits, {@code . _ -}, at most 100 of
   * them, none of which begins it with a point or a hyphen.
   */
  public static String fileName(String text) {
    String plain = NOT_A_NAME.matcher(text).replaceAll("_");
    String cut = plain.substring(0, Math.min(plain.length(), LONGEST_NAME));
    boolean legal = !cut.isEmpty() && cut.charAt(0) != '.' && cut.charAt(0) != '-';
    return legal ? cut : "_" + cut;
  }

  /**
   * Gives {@code text} for a person to read on one line: tabs and line breaks as blanks; other
   * control characters, direction marks and whatever else cannot be seen as their number between
   * angles, such as {@code ‹202E›}.
   */
  public static String shown(String text) {
    int at = 0;
    while (at < text.length() && isPlain(text.charAt(at))) {
      at++;
    }
    if (at == text.length()) {
      return text;
    }
    StringBuilder out = new StringBuilder(text.substring(0, at));
    text.substring(at).codePoints().forEach(point -> append(out, point));
    return out.toString();
  }

  /** Most text needs no second look. */
  private static boolean isPlain(char c) {
    return (c >= ' ' && c < 0x7f) || (c >= 0xa1 && c < 0x370 && c != 0xad);
  }

  private static void append(StringBuilder out, int point) {
    if (point == '\n' || point == '\r' || point == '\t') {
      out.append(' ');
    } else if (isSeen(point)) {
      out.appendCodePoint(point);
    } else {
      out.append(String.format(java.util.Locale.ROOT, "‹%04X›", point));
    }
  }

  /** Joiners belong to the spelling of some languages and move nothing. */
  private static boolean isSeen(int point) {
    return point == 0x200c || point == 0x200d || !isHidden(point);
  }

  /** Tells whether a code point is of the Unicode classes C, Zl or Zp: nothing that can be seen. */
  public static boolean isHidden(int point) {
    return switch (Character.getType(point)) {
      case Character.CONTROL,
          Character.FORMAT,
          Character.SURROGATE,
          Character.PRIVATE_USE,
          Character.UNASSIGNED,
          Character.LINE_SEPARATOR,
          Character.PARAGRAPH_SEPARATOR ->
          true;
      default -> false;
    };
  }
}
