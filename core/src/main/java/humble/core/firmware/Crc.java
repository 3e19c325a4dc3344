package humble.core.firmware;

import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.zip.CRC32;
import java.util.zip.CRC32C;
import java.util.zip.Checksum;
import org.apache.commons.codec.digest.Crc16;

/** A check number of a settings record, by the name that firmware calls it. */
public enum Crc {
  CRC32(4, CRC32::new),
  CRC32C(4, CRC32C::new),
  CRC16_ARC(2, Crc16::arc),
  CRC16_KERMIT(2, Crc16::ccitt),
  CRC16_MODBUS(2, Crc16::modbus),
  CRC16_USB(2, Crc16::usb),
  CRC16_XMODEM(2, XmodemCrc::new);

  private final int bytes;
  private final Supplier<Checksum> made;

  Crc(int bytes, Supplier<Checksum> made) {
    this.bytes = bytes;
    this.made = made;
  }

  /** Gives the name used in commands, {@code crc16-modbus}. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** Gives the one of that name. */
  public static Optional<Crc> named(String name) {
    for (Crc crc : values()) {
      if (crc.text().equals(name)) {
        return Optional.of(crc);
      }
    }
    return Optional.empty();
  }

  /** Gives the number over {@code data}. */
  public long of(byte[] data) {
    Checksum sum = made.get();
    sum.update(data, 0, data.length);
    return sum.getValue();
  }

  /** Gives the number over {@code data} as it lies in memory, low byte first or high byte first. */
  public byte[] stored(byte[] data, boolean lowFirst) {
    long value = of(data);
    byte[] stored = new byte[bytes];
    for (int i = 0; i < bytes; i++) {
      stored[lowFirst ? i : bytes - 1 - i] = (byte) (value >> (8 * i));
    }
    return stored;
  }
}
