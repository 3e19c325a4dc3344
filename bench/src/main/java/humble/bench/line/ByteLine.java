package humble.bench.line;

import java.io.IOException;

/** Bytes to and from a board, with two control lines. Used by one thread at a time. */
public interface ByteLine extends AutoCloseable {
  /** Tells people what is at the other end. */
  String description();

  /**
   * Reads what is there, waiting at most {@code waitMs} for the first byte.
   *
   * @return the number of bytes read into {@code into}; 0 when none came
   * @throws IOException when the line is gone
   */
  int read(byte[] into, int waitMs) throws IOException;

  /**
   * Writes all of {@code bytes}.
   *
   * @throws IOException when the line is gone
   */
  void write(byte[] bytes) throws IOException;

  /**
   * Sets the control lines.
   *
   * @throws IOException when the line has none, or is gone
   */
  void control(boolean dtr, boolean rts) throws IOException;

  @Override
  void close();
}
