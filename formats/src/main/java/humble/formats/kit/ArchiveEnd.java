package humble.formats.kit;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Path;

/**
 * Looks at the end record of an archive before it is opened: the table of contents is taken into
 * memory whole (ZIP file format specification, section 4.3.16).
 */
final class ArchiveEnd {
  private static final int RECORD = 22;
  private static final int LONGEST_COMMENT = 0xffff;
  private static final int ENTRIES_AT = 10;
  private static final int SIZE_AT = 12;
  private static final int MOST_TABLE_BYTES = 8 << 20;

  private ArchiveEnd() {}

  /**
   * Looks at the archive in {@code file}.
   *
   * @throws IOException with one sentence, when its table is longer than {@code most} entries or 8
   *     MiB; what is no archive at all is left to whoever opens it
   */
  static void refuseLong(Path file, int most) throws IOException {
    try (RandomAccessFile in = new RandomAccessFile(file.toFile(), "r")) {
      int length = (int) Math.min(in.length(), RECORD + LONGEST_COMMENT);
      byte[] end = new byte[length];
      in.seek(in.length() - length);
      in.readFully(end);
      for (int at = length - RECORD; at >= 0; at--) {
        if (end[at] == 'P' && end[at + 1] == 'K' && end[at + 2] == 5 && end[at + 3] == 6) {
          int entries = (end[at + ENTRIES_AT] & 0xff) | (end[at + ENTRIES_AT + 1] & 0xff) << 8;
          long size = 0;
          for (int i = 3; i >= 0; i--) {
            size = size << 8 | (end[at + SIZE_AT + i] & 0xff);
          }
          if (entries > most || size > MOST_TABLE_BYTES) {
            throw new IOException("the archive holds more than " + most + " entries");
          }
          return;
        }
      }
    }
  }
}
