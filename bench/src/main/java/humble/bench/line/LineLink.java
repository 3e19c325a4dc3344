package humble.bench.line;

import humble.bench.LineTrouble;
import humble.bench.SerialLink;
import humble.core.words.Phrase;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;

/** The link protocol over a line of bytes: a request, a line end, an answer, a line end. */
public final class LineLink implements SerialLink {
  private static final int LONGEST_ANSWER = 1 << 16;

  private final ByteLine line;
  private final int waitMs;
  private final byte[] piece = new byte[4096];
  private final ByteArrayOutputStream rest = new ByteArrayOutputStream();

  /**
   * Makes it.
   *
   * @param waitMs how long an answer may take, in milliseconds
   */
  public LineLink(ByteLine line, int waitMs) {
    this.line = line;
    this.waitMs = waitMs;
  }

  @Override
  public String description() {
    return line.description();
  }

  @Override
  public String ask(String request) throws IOException {
    // What came late belongs to a request that nobody waits for any more.
    rest.reset();
    while (line.read(piece, 1) > 0) {
      // Read away.
    }
    line.write((request + "\n").getBytes(StandardCharsets.US_ASCII));
    long end = System.nanoTime() + waitMs * 1_000_000L;
    while (true) {
      int left = (int) ((end - System.nanoTime()) / 1_000_000);
      int got = left > 0 ? line.read(piece, left) : 0;
      if (got == 0) {
        throw new LineTrouble(
            rest.size() == 0
                ? Phrase.of("line.no-answer", line.description())
                : Phrase.of("line.no-words", line.description()));
      }
      for (int i = 0; i < got; i++) {
        if (piece[i] == '\n') {
          return answer();
        }
        rest.write(piece[i]);
      }
      if (rest.size() > LONGEST_ANSWER) {
        throw new LineTrouble(Phrase.of("line.no-words", line.description()));
      }
    }
  }

  /** A wrong speed gives bytes, but none that are words. */
  private String answer() throws IOException {
    String text = rest.toString(StandardCharsets.US_ASCII).strip();
    boolean words = text.chars().allMatch(c -> c >= ' ' && c < 0x7f);
    if (!words || !(text.startsWith("ok") || text.startsWith("err"))) {
      throw new LineTrouble(Phrase.of("line.no-words", line.description()));
    }
    return text;
  }

  @Override
  public void close() {
    line.close();
  }
}
