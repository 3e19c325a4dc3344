package humble.bench.line;

import humble.bench.LineTrouble;
import humble.core.words.Phrase;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.function.BooleanSupplier;

/** Takes bytes by XMODEM: asks for the CRC first, then for the checksum. */
public final class XmodemReceiver {
  private static final int TRIES = 10;
  private static final int ASKS_FOR_CRC = 3;

  private final ByteLine line;
  private final int waitMs;
  private final int most;
  private final byte[] one = new byte[1];

  /**
   * Makes it.
   *
   * @param waitMs how long the sender may take for a block, in milliseconds
   * @param most the most bytes that are taken
   */
  public XmodemReceiver(ByteLine line, int waitMs, int most) {
    this.line = line;
    this.waitMs = waitMs;
    this.most = most;
  }

  /** How it ended. */
  public sealed interface Outcome {
    /** All of it, with what it was padded with. */
    record Taken(byte[] bytes, int refused) implements Outcome {}

    /** It did not work. */
    record Failed(Phrase why) implements Outcome {}
  }

  /** Takes what is sent. */
  public Outcome take(BooleanSupplier cancelled) {
    ByteArrayOutputStream all = new ByteArrayOutputStream();
    try {
      boolean crc = true;
      int asked = 0;
      int expected = 1;
      int refused = 0;
      int inARow = 0;
      boolean begun = false;
      while (inARow <= TRIES) {
        if (cancelled.getAsBoolean()) {
          line.write(new byte[] {Xmodem.CAN, Xmodem.CAN, Xmodem.CAN});
          return new Outcome.Failed(Phrase.of("xmodem.cancelled"));
        }
        if (!begun) {
          crc = asked < ASKS_FOR_CRC;
          line.write(new byte[] {crc ? Xmodem.WANTS_CRC : Xmodem.NAK});
        }
        int first = next();
        if (first < 0) {
          if (begun) {
            refused++;
            inARow++;
            line.write(new byte[] {Xmodem.NAK});
          } else if (++asked > TRIES) {
            return new Outcome.Failed(Phrase.of("xmodem.no-sender"));
          }
        } else if (first == Xmodem.EOT) {
          line.write(new byte[] {Xmodem.ACK});
          return new Outcome.Taken(all.toByteArray(), refused);
        } else if (first == Xmodem.CAN && next() == Xmodem.CAN) {
          return new Outcome.Failed(Phrase.of("xmodem.cancelled-there"));
        } else if (first == Xmodem.SOH || first == Xmodem.STX) {
          begun = true;
          byte[] content =
              block(first == Xmodem.STX ? Xmodem.LONG : Xmodem.SHORT, expected, crc, all.size());
          if (content == null) {
            refused++;
            inARow++;
            drain();
            line.write(new byte[] {Xmodem.NAK});
          } else {
            if (content.length > 0) {
              if (all.size() + content.length > most) {
                line.write(new byte[] {Xmodem.CAN, Xmodem.CAN, Xmodem.CAN});
                return new Outcome.Failed(Phrase.of("xmodem.too-much", most));
              }
              all.writeBytes(content);
              expected++;
            }
            inARow = 0;
            line.write(new byte[] {Xmodem.ACK});
          }
        }
      }
      line.write(new byte[] {Xmodem.CAN, Xmodem.CAN, Xmodem.CAN});
      return new Outcome.Failed(Phrase.of("xmodem.damaged", all.size()));
    } catch (LineTrouble e) {
      return new Outcome.Failed(e.phrase());
    } catch (IOException e) {
      return new Outcome.Failed(Phrase.of("link.broken", String.valueOf(e.getMessage())));
    }
  }

  private int next() throws IOException {
    return line.read(one, waitMs) > 0 ? one[0] : -1;
  }

  private void drain() throws IOException {
    byte[] away = new byte[256];
    while (line.read(away, 50) > 0) {
      // Read away.
    }
  }

  /** Gives a block's content; none for one that was taken before, null for a damaged one. */
  private byte @org.jspecify.annotations.Nullable [] block(
      int size, int expected, boolean crc, int had) throws IOException {
    byte[] rest = new byte[2 + size + (crc ? 2 : 1)];
    int at = 0;
    while (at < rest.length) {
      byte[] piece = new byte[rest.length - at];
      int got = line.read(piece, waitMs);
      if (got == 0) {
        return null;
      }
      System.arraycopy(piece, 0, rest, at, got);
      at += got;
    }
    byte[] content = Arrays.copyOfRange(rest, 2, 2 + size);
    byte[] check = Arrays.copyOfRange(rest, 2 + size, rest.length);
    boolean good = rest[0] == (byte) ~rest[1] && Arrays.equals(check, Xmodem.check(content, crc));
    if (!good) {
      return null;
    }
    if (rest[0] == (byte) expected) {
      return content;
    }
    return had > 0 && rest[0] == (byte) (expected - 1) ? new byte[0] : null;
  }
}
