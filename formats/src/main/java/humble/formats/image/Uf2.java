package humble.formats.image;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Finding;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Reads and writes UF2 (the USB Flashing Format, an open specification): blocks of 512 bytes, each
 * with its address, its number, and where it says so its family of chips. Strict: every block is
 * whole, and none of a family is missing.
 */
public final class Uf2 {
  /** Bytes of a block. */
  public static final int BLOCK = 512;

  static final String TEXT = "uf2";

  private static final int MAGIC = 0x0A324655;
  private static final int MAGIC_TOO = 0x9E5D5157;
  private static final int MAGIC_END = 0x0AB16F30;
  private static final int MOST_PAYLOAD = 476;
  private static final int NOT_MAIN_FLASH = 0x0001;
  private static final int FILE_CONTAINER = 0x1000;
  private static final int FAMILY = 0x2000;
  private static final int PAGE = 256;
  private static final int MOST_BLOCKS = 500_000;
  private static final int MOST_FINDINGS = 50;
  private static final int LOOK_EVERY = 1024;
  private static final int RUN = 2;

  private final String name;
  private final Budget budget;
  private final @Nullable Long wanted;
  private final List<Finding> findings = new ArrayList<>();
  private final ProgramImage.Builder image = new ProgramImage.Builder();
  private final Set<Long> families = new LinkedHashSet<>();
  private final Map<Long, BitSet> seen = new LinkedHashMap<>();
  private final Map<Long, Integer> counts = new LinkedHashMap<>();
  private int elsewhere;
  private int others;
  private long next = -1;

  private Uf2(String name, Budget budget, @Nullable Long wanted) {
    this.name = name;
    this.budget = budget;
    this.wanted = wanted;
  }

  /** The format, as {@link ImageFile} asks for it. */
  static final ImageFormat FORMAT =
      new ImageFormat() {
        @Override
        public String title() {
          return "UF2";
        }

        @Override
        public String text() {
          return TEXT;
        }

        @Override
        public boolean looksLike(byte[] bytes) {
          return bytes.length >= 8
              && ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).getInt() == MAGIC;
        }

        @Override
        public ImageRead read(String name, byte[] bytes, Budget budget) {
          return Uf2.read(name, bytes, budget, null);
        }
      };

  /**
   * Reads a file.
   *
   * @param wanted the family whose blocks count where a file has several; null for all
   */
  static ImageRead read(String name, byte[] bytes, Budget budget, @Nullable Long wanted) {
    try {
      return new Uf2(name, budget, wanted).file(bytes);
    } catch (Spent e) {
      return ImageRead.Damaged.of(name, e.sentence());
    }
  }

  private ImageRead file(byte[] bytes) {
    if (bytes.length % BLOCK != 0) {
      findings.add(
          Finding.error(
              name + "#" + (bytes.length / BLOCK + 1),
              "The last block has " + bytes.length % BLOCK + " of 512 bytes: it was cut off."));
    }
    ByteBuffer all = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
    for (int at = 0; at + BLOCK <= bytes.length && findings.size() < MOST_FINDINGS; at += BLOCK) {
      if (at / BLOCK % LOOK_EVERY == 0) {
        budget.look();
      }
      block(all, at);
    }
    if (findings.isEmpty()) {
      whole();
    }
    if (!findings.isEmpty()) {
      return new ImageRead.Damaged(findings);
    }
    List<String> remarks = new ArrayList<>();
    if (elsewhere > 0) {
      remarks.add(elsewhere + " blocks are not for the main memory and are left out.");
    }
    if (others > 0) {
      remarks.add(others + " blocks are for another family of chips and are left out.");
    }
    return new ImageRead.Image(image.build(), TEXT, List.copyOf(families), remarks);
  }

  private void block(ByteBuffer all, int at) {
    String where = name + "#" + (at / BLOCK + 1);
    if (all.getInt(at) != MAGIC
        || all.getInt(at + 4) != MAGIC_TOO
        || all.getInt(at + BLOCK - 4) != MAGIC_END) {
      findings.add(Finding.error(where, "The marks of a block are not there: it is damaged."));
      return;
    }
    int flags = all.getInt(at + 8);
    long address = all.getInt(at + 12) & 0xffffffffL;
    long length = all.getInt(at + 16) & 0xffffffffL;
    long number = all.getInt(at + 20) & 0xffffffffL;
    long count = all.getInt(at + 24) & 0xffffffffL;
    if (length > MOST_PAYLOAD || number >= count || count > Integer.MAX_VALUE / BLOCK) {
      findings.add(
          Finding.error(
              where,
              "The block says " + length + " bytes, number " + number + " of " + count + "."));
      return;
    }
    Long family = (flags & FAMILY) != 0 ? all.getInt(at + 28) & 0xffffffffL : null;
    number(where, family == null ? -1L : family, (int) number, (int) count);
    if ((flags & (NOT_MAIN_FLASH | FILE_CONTAINER)) != 0) {
      elsewhere++;
      return;
    }
    if (family != null) {
      families.add(family);
      if (wanted != null && !family.equals(wanted)) {
        others++;
        return;
      }
    }
    if (address + length > 1L << 32) {
      findings.add(Finding.error(where, "The block runs past the last address there is."));
      return;
    }
    byte[] content = new byte[(int) length];
    all.get(at + 32, content);
    if (address != next) {
      budget.items(RUN);
    }
    next = address + length;
    image.add(address, content);
  }

  private void number(String where, long family, int number, int count) {
    int said = counts.computeIfAbsent(family, key -> count);
    BitSet had = seen.computeIfAbsent(family, key -> new BitSet());
    if (said != count) {
      findings.add(
          Finding.error(where, "The block is one of " + count + ", those before of " + said + "."));
    } else if (had.get(number)) {
      findings.add(Finding.error(where, "Block " + number + " is there twice."));
    }
    had.set(number);
  }

  /** All blocks that a family counts are there. */
  private void whole() {
    counts.forEach((family, count) -> {
      BitSet had = seen.getOrDefault(family, new BitSet());
      int missing = had.nextClearBit(0);
      if (missing < count) {
        findings.add(
            Finding.error(
                name, "Block " + missing + " of " + count + " is missing: it was cut off."));
      }
    });
    if (counts.isEmpty()) {
      findings.add(Finding.error(name, "There is no block in it."));
    }
  }

  /**
   * Writes an image with blocks of at most 256 bytes, none across a boundary of 256.
   *
   * @param family family of chips; null for none
   * @throws IllegalArgumentException when the image goes past the last address of the format
   */
  public static byte[] write(ProgramImage image, @Nullable Long family) {
    record Piece(long address, byte[] bytes) {}
    List<Piece> pieces = new ArrayList<>();
    for (ProgramImage.Segment segment : image.segments()) {
      if (segment.to() >= 1L << 32) {
        throw new IllegalArgumentException("the format has no addresses above FFFFFFFF");
      }
      byte[] bytes = segment.bytes();
      for (int at = 0; at < bytes.length; ) {
        long address = segment.from() + at;
        int length = Math.min((int) (PAGE - address % PAGE), bytes.length - at);
        pieces.add(new Piece(address, java.util.Arrays.copyOfRange(bytes, at, at + length)));
        at += length;
      }
    }
    if (pieces.size() > MOST_BLOCKS) {
      throw new IllegalArgumentException(
          "its " + pieces.size() + " pieces would each take a block of 512 bytes");
    }
    ByteBuffer out =
        ByteBuffer.allocate(Math.multiplyExact(BLOCK, pieces.size()))
            .order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < pieces.size(); i++) {
      int at = i * BLOCK;
      Piece piece = pieces.get(i);
      out.putInt(at, MAGIC).putInt(at + 4, MAGIC_TOO).putInt(at + BLOCK - 4, MAGIC_END);
      out.putInt(at + 8, family == null ? 0 : FAMILY).putInt(at + 12, (int) piece.address());
      out.putInt(at + 16, piece.bytes().length).putInt(at + 20, i).putInt(at + 24, pieces.size());
      out.putInt(at + 28, family == null ? 0 : family.intValue());
      out.put(at + 32, piece.bytes());
    }
    return out.array();
  }
}
