package humble.bench.line;

import humble.bench.LineTrouble;
import humble.core.words.Phrase;
import java.io.IOException;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;

/**
 * Sends bytes by XMODEM: with the checksum or the CRC, as the receiver asks, in blocks of 128 bytes
 * or, where it asks for the CRC, of 1 KiB.
 */
public final class XmodemSender {
  private static final int TRIES = 10;

  /** Receivers that leave at once may take their last answer with them. */
  private static final int END_MS = 1_000;

  private final ByteLine line;
  private final boolean longBlocks;
  private final int beginMs;
  private final int answerMs;
  private final byte[] one = new byte[1];

  /**
   * Makes it.
   *
   * @param longBlocks whether blocks have 1 KiB where the receiver can take them
   * @param beginMs how long to wait for a receiver, in milliseconds
   * @param answerMs how long an answer to a block may take, in milliseconds
   */
  public XmodemSender(ByteLine line, boolean longBlocks, int beginMs, int answerMs) {
    this.line = line;
    this.longBlocks = longBlocks;
    this.beginMs = beginMs;
    this.answerMs = answerMs;
  }

  /** How it ended. */
  public sealed interface Outcome {
    /** All was taken; {@code endConfirmed} tells whether the end mark was answered. */
    record Sent(long bytes, int retries, boolean endConfirmed) implements Outcome {}

    /** It was cancelled, and the receiver was told. */
    record Cancelled(long bytes) implements Outcome {}

    /** It did not work. */
    record Failed(Phrase why, long bytes) implements Outcome {}
  }

  /** Sends {@code bytes}; {@code cancelled} is asked before every block. */
  public Outcome send(byte[] bytes, DoubleConsumer progress, BooleanSupplier cancelled) {
    int at = 0;
    int retries = 0;
    try {
      int first = begin(cancelled);
      if (first == 0) {
        return cancelled.getAsBoolean()
            ? new Outcome.Cancelled(0)
            : new Outcome.Failed(Phrase.of("xmodem.no-receiver", beginMs / 1000), 0);
      }
      if (first == Xmodem.CAN) {
        return new Outcome.Failed(Phrase.of("xmodem.cancelled-there"), 0);
      }
      boolean crc = first == Xmodem.WANTS_CRC;
      int number = 1;
      while (at < bytes.length) {
        if (cancelled.getAsBoolean()) {
          line.write(new byte[] {Xmodem.CAN, Xmodem.CAN, Xmodem.CAN});
          return new Outcome.Cancelled(at);
        }
        int size =
            crc && longBlocks && bytes.length - at > Xmodem.SHORT ? Xmodem.LONG : Xmodem.SHORT;
        int tries = block(Xmodem.block(number, Xmodem.piece(bytes, at, size), crc));
        if (tries == 0) {
          return new Outcome.Failed(Phrase.of("xmodem.cancelled-there"), at);
        }
        if (tries > TRIES) {
          return new Outcome.Failed(Phrase.of("xmodem.refused", at, TRIES), at);
        }
        retries += tries - 1;
        at = Math.min(bytes.length, at + size);
        number++;
        progress.accept(bytes.length == 0 ? 1 : at / (double) bytes.length);
      }
      return new Outcome.Sent(bytes.length, retries, end());
    } catch (LineTrouble e) {
      return new Outcome.Failed(e.phrase(), at);
    } catch (IOException e) {
      return new Outcome.Failed(Phrase.of("link.broken", String.valueOf(e.getMessage())), at);
    }
  }

  /** Waits for the receiver: what it asks for; 0 for none, CAN when it does not want. */
  private int begin(BooleanSupplier cancelled) throws IOException {
    long end = System.nanoTime() + beginMs * 1_000_000L;
    while (System.nanoTime() < end && !cancelled.getAsBoolean()) {
      int got = next(Math.min(200, beginMs));
      if (got == Xmodem.WANTS_CRC || got == Xmodem.NAK) {
        return got;
      }
      if (got == Xmodem.CAN && next(answerMs) == Xmodem.CAN) {
        return Xmodem.CAN;
      }
    }
    return 0;
  }

  private int next(int waitMs) throws IOException {
    return line.read(one, waitMs) > 0 ? one[0] : 0;
  }

  /** Sends a block until it is taken: how often that took; 0 when the receiver gave up. */
  private int block(byte[] block) throws IOException {
    for (int tries = 1; tries <= TRIES; tries++) {
      line.write(block);
      int answer = answer(answerMs);
      if (answer == Xmodem.ACK) {
        return tries;
      }
      if (answer == Xmodem.CAN) {
        return 0;
      }
    }
    return TRIES + 1;
  }

  /** Whatever is neither yes nor no is noise, or asks for a beginning that is past. */
  private int answer(int waitMs) throws IOException {
    long end = System.nanoTime() + waitMs * 1_000_000L;
    while (System.nanoTime() < end) {
      int got = next(Math.min(200, waitMs));
      if (got == Xmodem.ACK || got == Xmodem.NAK) {
        return got;
      }
      if (got == Xmodem.CAN && next(answerMs) == Xmodem.CAN) {
        return Xmodem.CAN;
      }
    }
    return Xmodem.NAK;
  }

  private boolean end() throws IOException {
    for (int tries = 1; tries <= TRIES; tries++) {
      line.write(new byte[] {Xmodem.EOT});
      if (answer(Math.min(END_MS, answerMs)) == Xmodem.ACK) {
        return true;
      }
    }
    return false;
  }
}
