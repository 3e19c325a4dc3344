package humble.formats.board;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The text of an attribute of a Gerber layer, format 2024.05: UTF-8, with {@code \\uXXXX} for
 * characters that could not stand in it. Layers are read byte by byte; files of before that wrote
 * Latin-1 keep their letters.
 */
final class AttributeText {
  private static final Pattern ESCAPED = Pattern.compile("\\\\u([0-9A-Fa-f]{4})");

  private AttributeText() {}

  /** Gives the text whose bytes were read as one character each. */
  static String of(String bytes) {
    return ESCAPED
        .matcher(decoded(bytes))
        .replaceAll(
            m -> Matcher.quoteReplacement(String.valueOf((char) Integer.parseInt(m.group(1), 16))));
  }

  private static String decoded(String bytes) {
    if (bytes.chars().allMatch(c -> c < 0x80)) {
      return bytes;
    }
    try {
      return StandardCharsets.UTF_8
          .newDecoder()
          .onMalformedInput(CodingErrorAction.REPORT)
          .decode(ByteBuffer.wrap(bytes.getBytes(StandardCharsets.ISO_8859_1)))
          .toString();
    } catch (CharacterCodingException e) {
      // Not UTF-8: an older file, which meant the letters that its bytes are.
      return bytes;
    }
  }
}
