package humble.formats.table;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.formats.InputFile;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/**
 * The text of a file of which nobody said how it is encoded: by its byte-order mark, by the noughts
 * that UTF-16 leaves between Latin letters, as UTF-8 where that is legal, else as Windows-1252. A
 * spreadsheet becomes text with tabs.
 */
public final class TableText {
  /** The largest file that is looked into, in bytes. */
  public static final long MOST_BYTES = 200_000_000;

  /** The most of it that is kept: a list of 200,000 rows has about as much. */
  private static final int MOST_TEXT_BYTES = 24 << 20;

  private static final int SAMPLE = 4096;

  private TableText() {}

  /**
   * Reads a file. Its size is looked at first: what is too large is not read.
   *
   * @param file the file
   * @param budget what its bytes come out of
   * @throws IOException with one sentence for people
   */
  public static String read(Path file, Budget budget) throws IOException {
    try {
      if (InputFile.size(file) > MOST_BYTES) {
        throw new IOException(
            "The file has "
                + InputFile.size(file) / 1_000_000
                + " MB; a list over 200 MB is not read.");
      }
      byte[] bytes = InputFile.bytes(file, MOST_TEXT_BYTES, budget);
      return Workbook.is(bytes) ? Workbook.text(bytes, budget) : of(bytes);
    } catch (Spent e) {
      throw new IOException(file + ": " + e.sentence(), e);
    } catch (IOException e) {
      throw new IOException(file + ": " + InputFile.reason(e), e);
    }
  }

  /** Gives the text of {@code bytes}, without a byte-order mark. */
  public static String of(byte[] bytes) {
    Charset charset = charset(bytes);
    String text = charset.decode(ByteBuffer.wrap(bytes)).toString();
    return text.startsWith("\ufeff") ? text.substring(1) : text;
  }

  private static Charset charset(byte[] bytes) {
    if (begins(bytes, 0xef, 0xbb, 0xbf)) {
      return StandardCharsets.UTF_8;
    }
    if (begins(bytes, 0xff, 0xfe)) {
      return StandardCharsets.UTF_16LE;
    }
    if (begins(bytes, 0xfe, 0xff)) {
      return StandardCharsets.UTF_16BE;
    }
    int sample = Math.min(bytes.length, SAMPLE);
    int evenZeros = 0;
    int oddZeros = 0;
    for (int i = 0; i < sample; i++) {
      if (bytes[i] == 0) {
        evenZeros += i % 2 == 0 ? 1 : 0;
        oddZeros += i % 2;
      }
    }
    if (oddZeros > sample / 4 && evenZeros < sample / 16) {
      return StandardCharsets.UTF_16LE;
    }
    if (evenZeros > sample / 4 && oddZeros < sample / 16) {
      return StandardCharsets.UTF_16BE;
    }
    try {
      StandardCharsets.UTF_8
          .newDecoder()
          .onMalformedInput(CodingErrorAction.REPORT)
          .onUnmappableCharacter(CodingErrorAction.REPORT)
          .decode(ByteBuffer.wrap(bytes));
      return StandardCharsets.UTF_8;
    } catch (CharacterCodingException e) {
      return Charset.forName("windows-1252");
    }
  }

  private static boolean begins(byte[] bytes, int... mark) {
    if (bytes.length < mark.length) {
      return false;
    }
    for (int i = 0; i < mark.length; i++) {
      if ((bytes[i] & 0xff) != mark[i]) {
        return false;
      }
    }
    return true;
  }
}
