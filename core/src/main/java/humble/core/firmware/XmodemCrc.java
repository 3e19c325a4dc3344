package humble.core.firmware;

import java.util.zip.Checksum;

/** The CRC-16 of XMODEM: polynomial 1021, begins with 0, high bit first. */
public final class XmodemCrc implements Checksum {
  private static final int POLYNOMIAL = 0x1021;

  private int value;

  @Override
  public void update(int each) {
    value ^= (each & 0xff) << 8;
    for (int bit = 0; bit < 8; bit++) {
      value = (value & 0x8000) != 0 ? value << 1 ^ POLYNOMIAL : value << 1;
    }
    value &= 0xffff;
  }

  @Override
  public void update(byte[] bytes, int from, int length) {
    for (int i = from; i < from + length; i++) {
      update(bytes[i]);
    }
  }

  @Override
  public long getValue() {
    return value;
  }

  @Override
  public void reset() {
    value = 0;
  }
}
