package humble.bench.line;

import humble.core.firmware.Crc;
import java.util.Arrays;

/**
 * The bytes of XMODEM (Christensen 1977, with the CRC and the blocks of 1 KiB of Forsberg 1988).
 */
final class Xmodem {
  static final byte SOH = 0x01;
  static final byte STX = 0x02;
  static final byte EOT = 0x04;
  static final byte ACK = 0x06;
  static final byte NAK = 0x15;
  static final byte CAN = 0x18;
  static final byte PAD = 0x1a;
  static final byte WANTS_CRC = 'C';
  static final int SHORT = 128;
  static final int LONG = 1024;

  private Xmodem() {}

  /** Gives a block as it goes over the line. */
  static byte[] block(int number, byte[] content, boolean crc) {
    byte[] check = check(content, crc);
    byte[] block = new byte[3 + content.length + check.length];
    block[0] = content.length == LONG ? STX : SOH;
    block[1] = (byte) number;
    block[2] = (byte) ~number;
    System.arraycopy(content, 0, block, 3, content.length);
    System.arraycopy(check, 0, block, 3 + content.length, check.length);
    return block;
  }

  static byte[] check(byte[] content, boolean crc) {
    if (crc) {
      return Crc.CRC16_XMODEM.stored(content, false);
    }
    int sum = 0;
    for (byte each : content) {
      sum += each;
    }
    return new byte[] {(byte) sum};
  }

  /** Gives a piece of a file, padded to a whole block. */
  static byte[] piece(byte[] all, int at, int size) {
    byte[] piece = Arrays.copyOfRange(all, at, at + size);
    if (at + size > all.length) {
      Arrays.fill(piece, all.length - at, size, PAD);
    }
    return piece;
  }
}
