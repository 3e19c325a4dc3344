package humble.formats.image;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Finding;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * Reads and writes Motorola S-records, S0 to S9 (Motorola M68000 Family Programmer's Reference
 * Manual, appendix C). Strict: every line is a record with a right checksum, a count record counts
 * right, and the file ends with an end record.
 */
public final class SRecord {
  static final String TEXT = "s-record";

  private static final int MOST_FINDINGS = 50;
  private static final int RUN = 2;
  private static final int A_LINE = 16;
  private static final String WIDTH =
      "The addresses of this record are of another width than those of the others.";

  private final String name;
  private final Budget budget;
  private final ProgramImage.Builder image = new ProgramImage.Builder();
  private final List<Finding> findings = new ArrayList<>();
  private long next = -1;
  private long data;
  private int number;
  private boolean ended;
  private boolean counted;
  private boolean begun;
  private final AddressWidths widths = new AddressWidths();

  private SRecord(String name, Budget budget) {
    this.name = name;
    this.budget = budget;
  }

  /** The format, as {@link ImageFile} asks for it. */
  static final ImageFormat FORMAT =
      new ImageFormat() {
        @Override
        public String title() {
          return "Motorola S-record";
        }

        @Override
        public String text() {
          return TEXT;
        }

        @Override
        public boolean looksLike(byte[] bytes) {
          int at = 0;
          while (at < bytes.length && Character.isWhitespace(bytes[at])) {
            at++;
          }
          return at + 3 < bytes.length
              && bytes[at] == 'S'
              && bytes[at + 1] >= '0'
              && bytes[at + 1] <= '9';
        }

        @Override
        public ImageRead read(String name, byte[] bytes, Budget budget) {
          SRecord reader = new SRecord(name, budget);
          try {
            return reader.file(bytes);
          } catch (Spent e) {
            return ImageRead.Damaged.of(reader.where(), e.sentence());
          }
        }
      };

  private String where() {
    return name + "#" + number;
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
    if (!ended && !counted && findings.isEmpty()) {
      bad("The file stops without an end record: it was cut off.");
    }
    if (findings.isEmpty()) {
      widths.mistake().ifPresent(m -> findings.add(Finding.error(name + "#" + m, WIDTH)));
    }
    return findings.isEmpty()
        ? new ImageRead.Image(image.build(), TEXT, List.of(), widths.remarks())
        : new ImageRead.Damaged(findings);
  }

  private void bad(String sentence) {
    findings.add(Finding.error(where(), sentence));
  }

  private void line(byte[] bytes, int start, int end) {
    int type = end - start > 1 ? bytes[start + 1] - '0' : -1;
    if (bytes[start] != 'S' || type < 0 || type > 9 || type == 4) {
      bad("A record begins with S0 to S3 or S5 to S9.");
      return;
    }
    if (ended) {
      bad("There is a record after the end record.");
      return;
    }
    HexDigits digits = HexDigits.of(bytes, start + 2, end);
    if (digits.bad() >= 0) {
      bad(digits.sentence(start));
      return;
    }
    byte[] record = digits.bytes();
    int claimed = record.length > 0 ? record[0] & 0xff : 0;
    int address = addressBytes(type);
    if ((end - start) % 2 != 0 || record.length != claimed + 1 || claimed < address + 1) {
      bad(
          "The record says "
              + claimed
              + " bytes but has "
              + (end - start - 2)
              + " digits: it was cut off or run together.");
      return;
    }
    if ((digits.sum() & 0xff) != 0xff) {
      int right = 0xff - (digits.sum() - record[record.length - 1]) & 0xff;
      bad(
          String.format(
              Locale.ROOT,
              "The checksum is %02X; the record adds up to %02X.",
              record[record.length - 1] & 0xff,
              right));
      return;
    }
    record(type, number(record, address), Arrays.copyOfRange(record, 1 + address, claimed));
  }

  private static int addressBytes(int type) {
    return switch (type) {
      case 2, 6, 8 -> 3;
      case 3, 7 -> 4;
      default -> 2;
    };
  }

  private static long number(byte[] record, int bytes) {
    long number = 0;
    for (int i = 1; i <= bytes; i++) {
      number = number << 8 | record[i] & 0xff;
    }
    return number;
  }

  private void record(int type, long address, byte[] content) {
    take(type, address, content);
    begun = true;
  }

  private void take(int type, long address, byte[] content) {
    switch (type) {
      case 1, 2, 3 -> content(type, address, content);
      case 5, 6 -> {
        counted = true;
        if (address != data) {
          bad("The file counts " + address + " data records; there are " + data + ".");
        }
      }
      case 7, 8, 9 -> {
        ended = true;
        if (content.length > 0) {
          bad("An end record has an address and nothing else.");
        }
        if (address != 0) {
          image.entry(address);
        }
      }
      // A header is for people, but data that became one must not vanish.
      default -> {
        if (begun) {
          bad("A header comes before all other records.");
        }
      }
    }
  }

  private void content(int type, long address, byte[] content) {
    data++;
    counted = false;
    widths.record(number, type + 1, address, content.length);
    if (address + content.length > 1L << (8 * (type + 1))) {
      bad("The record runs past the last address that it can say.");
      return;
    }
    if (address != next) {
      budget.items(RUN);
    }
    next = address + content.length;
    image.add(address, content);
  }

  /**
   * Writes an image.
   *
   * @param addressBytes 2, 3 or 4: the width of an address
   * @throws IllegalArgumentException when an address of the image is wider
   */
  static byte[] write(ProgramImage image, int addressBytes) {
    long most = (1L << (8 * addressBytes)) - 1;
    long last = image.segments().isEmpty() ? 0 : image.segments().getLast().to();
    Long entry = image.entry();
    if (last > most || entry != null && entry > most) {
      throw new IllegalArgumentException(
          String.format(Locale.ROOT, "the format has no addresses above %X", most));
    }
    StringBuilder out = new StringBuilder();
    long records = 0;
    line(out, 0, 0, 2, new byte[0]);
    for (ProgramImage.Segment segment : image.segments()) {
      byte[] bytes = segment.bytes();
      for (int at = 0; at < bytes.length; ) {
        long address = segment.from() + at;
        int length = Math.min((int) (A_LINE - address % A_LINE), bytes.length - at);
        line(
            out,
            addressBytes - 1,
            address,
            addressBytes,
            Arrays.copyOfRange(bytes, at, at + length));
        at += length;
        records++;
      }
    }
    if (records <= 0xffff) {
      line(out, 5, records, 2, new byte[0]);
    }
    line(out, 11 - addressBytes, entry == null ? 0 : entry, addressBytes, new byte[0]);
    return out.toString().getBytes(StandardCharsets.US_ASCII);
  }

  private static void line(StringBuilder out, int type, long number, int width, byte[] content) {
    int count = width + content.length + 1;
    int sum = count;
    out.append('S').append(type);
    out.append(String.format(Locale.ROOT, "%02X", count));
    for (int i = width - 1; i >= 0; i--) {
      int each = (int) (number >> (8 * i)) & 0xff;
      sum += each;
      out.append(String.format(Locale.ROOT, "%02X", each));
    }
    for (byte each : content) {
      sum += each;
      out.append(String.format(Locale.ROOT, "%02X", each & 0xff));
    }
    out.append(String.format(Locale.ROOT, "%02X", 0xff - (sum & 0xff))).append('\n');
  }
}
