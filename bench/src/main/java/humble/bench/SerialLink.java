package humble.bench;

import java.io.IOException;

/** A line to a board: one request, one answer, both one line of text. */
public interface SerialLink extends AutoCloseable {
  /** Tells people what is at the other end; a stand-in says that it is simulated. */
  String description();

  /**
   * Sends a request and waits for the answer, both without the line end.
   *
   * @throws IOException when nothing answers
   */
  String ask(String request) throws IOException;

  @Override
  void close();
}
