package humble.formats.board;

import java.nio.charset.StandardCharsets;

/** The text of a layer, taken word by word, with the line that is being read. */
final class GerberText {
  private final String file;
  private final String text;
  private int at;
  private int line = 1;

  GerberText(String file, byte[] bytes) {
    this.file = file;
    this.text = new String(bytes, StandardCharsets.ISO_8859_1);
  }

  int line() {
    return line;
  }

  /** Gives damage at the line that is being read. */
  BoardFileDamage damage(String what) {
    return damage(line, what);
  }

  /** Gives damage of a file that lacks nothing but its unit. */
  BoardFileDamage unitless(String what) {
    return new BoardFileDamage(file, line, what, true);
  }

  /** Gives damage at a line. */
  BoardFileDamage damage(int where, String what) {
    return new BoardFileDamage(file, where, what);
  }

  /** Skips what stands between words; tells whether anything follows. */
  boolean next() {
    while (at < text.length() && text.charAt(at) <= ' ') {
      if (text.charAt(at) == '\n') {
        line++;
      }
      at++;
    }
    return at < text.length();
  }

  /** Tells whether an extended command begins or ends here, and takes its sign. */
  boolean takesPercent() {
    boolean percent = text.charAt(at) == '%';
    if (percent) {
      at++;
    }
    return percent;
  }

  boolean startsWith(String word) {
    return text.startsWith(word, at);
  }

  /** Takes the text up to the next asterisk. */
  String upToAsterisk() throws BoardFileDamage {
    int end = text.indexOf('*', at);
    if (end < 0) {
      throw damage("A command is not ended with an asterisk.");
    }
    String word = text.substring(at, end);
    at = end + 1;
    if (word.indexOf('\n') >= 0) {
      for (int i = 0; i < word.length(); i++) {
        line += word.charAt(i) == '\n' ? 1 : 0;
      }
      word = word.replace("\n", "").replace("\r", "");
    }
    return word;
  }

  /** Reads a number, which is finite. */
  double number(String word) throws BoardFileDamage {
    try {
      double value = Double.parseDouble(word.strip());
      if (Double.isFinite(value)) {
        return value;
      }
    } catch (NumberFormatException e) {
      // Told below with the text that was read.
    }
    throw damage("'" + word + "' is no number.");
  }

  /** Reads the number after a letter. */
  double valueAfter(String word, char letter) throws BoardFileDamage {
    int from = word.indexOf(letter);
    if (from < 0) {
      throw damage("'" + letter + "' is missing in SR" + word + ".");
    }
    int end = from + 1;
    while (end < word.length() && "+-.0123456789".indexOf(word.charAt(end)) >= 0) {
      end++;
    }
    return number(word.substring(from + 1, end));
  }
}
