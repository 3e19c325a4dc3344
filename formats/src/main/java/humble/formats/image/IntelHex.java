package humble.formats.image;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Finding;
import humble.formats.ReadingBudget;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Reads and writes Intel HEX, record types 00 to 05 (Intel Hexadecimal Object File Format
 * Specification, revision A, 1988). Strict: every line is a record with a right checksum, and the
 * file ends with an end record.
 */
public final class IntelHex {
  /** Addresses of the format: 32 bits. */
  private static final long ADDRESSES = 1L << 32;

  private static final String TEXT = "intel-hex";

  private static final int MOST_FINDINGS = 50;

  /** The largest file that is read, in bytes: 24 MiB of program. */
  public static final long MOST_BYTES = 64L << 20;

  /** What a run of its own weighs, beside what is kept in one mark of a board. */
  private static final int RUN = 2;

  private final String name;
  private final Budget budget;
  private long next = -1;
  private final ProgramImage.Builder image = new ProgramImage.Builder();
  private final List<Finding> findings = new ArrayList<>();
  private long base;
  private boolean segmented;
  private boolean ended;
  private int number;

  private IntelHex(String name, Budget budget) {
    this.name = name;
    this.budget = budget;
  }

  /** The format, as {@link ImageFile} asks for it. */
  static final ImageFormat FORMAT =
      new ImageFormat() {
        @Override
        public String title() {
          return "Intel HEX";
        }

        @Override
        public String text() {
          return TEXT;
        }

        @Override
        public boolean looksLike(byte[] bytes) {
          return IntelHex.looksLike(bytes);
        }

        @Override
        public ImageRead read(String name, byte[] bytes, Budget budget) {
          return IntelHex.read(name, bytes, budget);
        }
      };

  /** Tells whether {@code bytes} begin like Intel HEX. */
  public static boolean looksLike(byte[] bytes) {
    for (byte each : bytes) {
      if (!Character.isWhitespace(each)) {
        return each == ':';
      }
    }
    return false;
  }

  /** Reads a file with the usual budget. */
  public static ImageRead read(String name, byte[] bytes) {
    return read(name, bytes, ReadingBudget.usual());
  }

  /**
   * Reads a file.
   *
   * @param name what to call it in findings
   * @param bytes the file
   * @param budget what its runs of bytes come out of
   */
  public static ImageRead read(String name, byte[] bytes, Budget budget) {
    IntelHex reader = new IntelHex(name, budget);
    if (bytes.length > MOST_BYTES) {
      return new ImageRead.Damaged(
          List.of(Finding.error(name, "The file is larger than 64 MiB; that is not read.")));
    }
    try {
      return reader.file(bytes);
    } catch (Spent e) {
      return new ImageRead.Damaged(List.of(Finding.error(reader.where(), e.sentence())));
    }
  }

  private ImageRead file(byte[] bytes) {
    RecordLines.of(
        bytes,
        budget,
        (line, start, end) -> {
          number = line;
          if (end > start) {
            line(bytes, start, end);
          }
          return findings.size() < MOST_FINDINGS;
        });
    if (!ended && findings.isEmpty()) {
      findings.add(Finding.error(where(), "The file stops without an end record: it was cut off."));
    }
    return findings.isEmpty()
        ? new ImageRead.Image(image.build(), TEXT)
        : new ImageRead.Damaged(findings);
  }

  private String where() {
    return name + "#" + number;
  }

  private void line(byte[] bytes, int start, int end) {
    if (bytes[start] != ':') {
      findings.add(Finding.error(where(), "A record begins with ':'."));
      return;
    }
    if (ended) {
      findings.add(Finding.error(where(), "There is a record after the end record."));
      return;
    }
    HexDigits digits = HexDigits.of(bytes, start + 1, end);
    if (digits.bad() >= 0) {
      findings.add(Finding.error(where(), digits.sentence(start)));
      return;
    }
    byte[] record = digits.bytes();
    int count = record.length;
    int sum = digits.sum();
    int claimed = count > 0 ? record[0] & 0xff : 0;
    if ((end - start) % 2 == 0 || count < 5 || count != claimed + 5) {
      findings.add(
          Finding.error(
              where(),
              "The record says "
                  + claimed
                  + " data bytes but has "
                  + (end - start - 1)
                  + " digits: it was cut off or run together."));
      return;
    }
    if ((sum & 0xff) != 0) {
      int right = (record[count - 1] - sum) & 0xff;
      findings.add(
          Finding.error(
              where(),
              String.format(
                  Locale.ROOT,
                  "The checksum is %02X; the record adds up to %02X.",
                  record[count - 1] & 0xff,
                  right)));
      return;
    }
    record(record, claimed);
  }

  private void record(byte[] record, int length) {
    long offset = (record[1] & 0xff) << 8 | (record[2] & 0xff);
    byte[] data = java.util.Arrays.copyOfRange(record, 4, 4 + length);
    switch (record[3]) {
      case 0 -> data(offset, data);
      case 1 -> ended = true;
      case 2 -> base(data, 2, 4, true);
      case 3 -> start(data, true);
      case 4 -> base(data, 2, 16, false);
      case 5 -> start(data, false);
      default ->
          findings.add(
              Finding.error(
                  where(),
                  String.format(Locale.ROOT, "There is no record type %02X.", record[3] & 0xff)));
    }
  }

  /** Within a segment, addresses wrap at 64 KiB. */
  private void data(long offset, byte[] data) {
    if (!segmented && base + offset + data.length > ADDRESSES) {
      findings.add(
          Finding.error(where(), "The record runs past the last address there is, FFFFFFFF."));
      return;
    }
    int untilWrap = (int) Math.min(data.length, 0x10000 - offset);
    if (base + offset != next) {
      budget.items(RUN);
    }
    next = base + offset + data.length;
    image.add(base + offset, segmented ? java.util.Arrays.copyOf(data, untilWrap) : data);
    if (segmented && untilWrap < data.length) {
      budget.items(RUN);
      image.add(base, java.util.Arrays.copyOfRange(data, untilWrap, data.length));
    }
  }

  private void base(byte[] data, int length, int shift, boolean segment) {
    if (data.length != length) {
      findings.add(Finding.error(where(), "An address record has two data bytes."));
      return;
    }
    base = (long) ((data[0] & 0xff) << 8 | (data[1] & 0xff)) << shift;
    segmented = segment;
  }

  private void start(byte[] data, boolean segment) {
    if (data.length != 4) {
      findings.add(Finding.error(where(), "A start record has four data bytes."));
      return;
    }
    long high = (data[0] & 0xff) << 8 | (data[1] & 0xff);
    long low = (data[2] & 0xff) << 8 | (data[3] & 0xff);
    image.entry(segment ? high * 16 + low : high << 16 | low);
  }

  /**
   * Writes an image with sixteen bytes a record and linear addresses.
   *
   * @throws IllegalArgumentException when the image goes past the last address of the format
   */
  public static byte[] write(ProgramImage image) {
    if (image.segments().stream().anyMatch(segment -> segment.to() >= ADDRESSES)) {
      throw new IllegalArgumentException("the format has no addresses above FFFFFFFF");
    }
    StringBuilder out = new StringBuilder();
    long upper = -1;
    for (ProgramImage.Segment segment : image.segments()) {
      byte[] bytes = segment.bytes();
      int at = 0;
      while (at < bytes.length) {
        long address = segment.from() + at;
        if (address >> 16 != upper) {
          upper = address >> 16;
          record(out, 0, 4, new byte[] {(byte) (upper >> 8), (byte) upper});
        }
        int room = (int) Math.min(16 - (address & 15), 0x10000 - (address & 0xffff));
        int length = Math.min(room, bytes.length - at);
        record(
            out, (int) (address & 0xffff), 0, java.util.Arrays.copyOfRange(bytes, at, at + length));
        at += length;
      }
    }
    Long entry = image.entry();
    if (entry != null) {
      long e = entry;
      record(out, 0, 5, new byte[] {(byte) (e >> 24), (byte) (e >> 16), (byte) (e >> 8), (byte) e});
    }
    record(out, 0, 1, new byte[0]);
    return out.toString().getBytes(StandardCharsets.US_ASCII);
  }

  private static void record(StringBuilder out, int offset, int type, byte[] data) {
    int sum = data.length + (offset >> 8) + (offset & 0xff) + type;
    out.append(String.format(Locale.ROOT, ":%02X%04X%02X", data.length, offset, type));
    for (byte each : data) {
      out.append(String.format(Locale.ROOT, "%02X", each & 0xff));
      sum += each;
    }
    out.append(String.format(Locale.ROOT, "%02X", -sum & 0xff)).append('\n');
  }
}
