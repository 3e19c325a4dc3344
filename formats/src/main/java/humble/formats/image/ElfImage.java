package humble.formats.image;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.firmware.ProgramImage;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.Locale;

/**
 * Reads ELF for 32 bits, of either byte order (System V Application Binary Interface): the bytes
 * that its loadable segments bring, at their physical addresses, and its entry.
 */
final class ElfImage {
  static final String TEXT = "elf32";

  private static final int RUN = 2;
  private static final int HEADER = 52;
  private static final int SEGMENT = 32;
  private static final byte CLASS_32 = 1;
  private static final byte LOW_FIRST = 1;
  private static final byte HIGH_FIRST = 2;
  private static final int LOAD = 1;
  private static final long ADDRESSES = 1L << 32;

  private ElfImage() {}

  /** The format, as {@link ImageFile} asks for it. */
  static final ImageFormat FORMAT =
      new ImageFormat() {
        @Override
        public String title() {
          return "ELF";
        }

        @Override
        public String text() {
          return TEXT;
        }

        @Override
        public boolean looksLike(byte[] bytes) {
          return bytes.length >= 4
              && bytes[0] == 0x7f
              && bytes[1] == 'E'
              && bytes[2] == 'L'
              && bytes[3] == 'F';
        }

        @Override
        public ImageRead read(String name, byte[] bytes, Budget budget) {
          try {
            return ElfImage.read(name, bytes, budget);
          } catch (Spent e) {
            return ImageRead.Damaged.of(name, e.sentence());
          }
        }
      };

  private static ImageRead read(String name, byte[] bytes, Budget budget) {
    if (bytes.length < HEADER) {
      return ImageRead.Damaged.of(name, "The header of the file was cut off.");
    }
    if (bytes[4] != CLASS_32) {
      return ImageRead.Damaged.of(name, "This is ELF for 64 bits; no controller here takes it.");
    }
    ByteBuffer file =
        ByteBuffer.wrap(bytes)
            .order(bytes[5] == HIGH_FIRST ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
    long table = word(file, 28);
    int each = file.getShort(42) & 0xffff;
    int count = file.getShort(44) & 0xffff;
    if (bytes[5] != HIGH_FIRST && bytes[5] != LOW_FIRST
        || count > 0 && each < SEGMENT
        || table + (long) each * count > bytes.length) {
      return ImageRead.Damaged.of(name, "Its headers contradict themselves: it is damaged.");
    }
    ProgramImage.Builder image = new ProgramImage.Builder();
    int loaded = 0;
    for (int i = 0; i < count; i++) {
      int at = (int) table + i * each;
      long length = word(file, at + 16);
      if (word(file, at) != LOAD || length == 0) {
        continue;
      }
      long offset = word(file, at + 4);
      long address = word(file, at + 12);
      String where = name + "#" + (i + 1);
      if (offset + length > bytes.length) {
        return ImageRead.Damaged.of(
            where,
            String.format(
                Locale.ROOT,
                "Segment %d ends %d bytes after the end of the file: it was cut off.",
                i + 1,
                offset + length - bytes.length));
      }
      if (address + length > ADDRESSES) {
        return ImageRead.Damaged.of(
            where, "Segment " + (i + 1) + " runs past the last address there is.");
      }
      budget.items(RUN);
      budget.bytes(length);
      image.add(address, Arrays.copyOfRange(bytes, (int) offset, (int) (offset + length)));
      loaded++;
    }
    if (loaded == 0) {
      return ImageRead.Damaged.of(name, "Nothing in it is to be loaded: it is not linked yet.");
    }
    long entry = word(file, 24);
    if (entry != 0) {
      image.entry(entry);
    }
    return new ImageRead.Image(image.build(), TEXT);
  }

  private static long word(ByteBuffer file, int at) {
    return file.getInt(at) & 0xffffffffL;
  }
}
