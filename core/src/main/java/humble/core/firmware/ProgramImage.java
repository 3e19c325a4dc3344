package humble.core.firmware;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.zip.CRC32;
import org.jspecify.annotations.Nullable;

/**
 * A program as sparse bytes: maximal runs of defined bytes in the order of their addresses.
 * Immutable.
 */
public final class ProgramImage {
  private final List<Segment> segments;
  private final @Nullable Long entry;
  private final List<Overlap> overlaps;

  private ProgramImage(List<Segment> segments, @Nullable Long entry, List<Overlap> overlaps) {
    this.segments = List.copyOf(segments);
    this.entry = entry;
    this.overlaps = List.copyOf(overlaps);
  }

  /** A run of defined bytes. */
  public static final class Segment {
    private final long from;
    private final byte[] bytes;

    Segment(long from, byte[] bytes) {
      this.from = from;
      this.bytes = bytes;
    }

    /** Gives the first address. */
    public long from() {
      return from;
    }

    /** Gives the last address, included. */
    public long to() {
      return from + bytes.length - 1;
    }

    /** Gives the number of bytes. */
    public int length() {
      return bytes.length;
    }

    /** Gives the byte at an address within the run, 0 to 255. */
    public int at(long address) {
      return bytes[(int) (address - from)] & 0xff;
    }

    /** Gives a copy of the bytes. */
    public byte[] bytes() {
      return bytes.clone();
    }
  }

  /** Addresses that two records of a file both define, both ends included. */
  public record Overlap(long from, long to) {}

  /**
   * Gathers records in any order; later records win where two overlap, and the overlap is kept as a
   * finding.
   */
  public static final class Builder {
    private final TreeMap<Long, byte[]> runs = new TreeMap<>();
    private final List<Overlap> overlaps = new ArrayList<>();
    private @Nullable Long entry;
    private boolean quietly;

    /**
     * The run that grows: records mostly follow each other, and joining them late would be slow.
     */
    private byte[] growing = new byte[256];

    private long growingFrom;
    private int grown;

    /** Adds {@code bytes} at {@code address}. */
    public Builder add(long address, byte[] bytes) {
      if (grown > 0 && address == growingFrom + grown) {
        grow(bytes);
        return this;
      }
      settle();
      if (bytes.length > 0) {
        growingFrom = address;
        grow(bytes);
      }
      return this;
    }

    private void grow(byte[] bytes) {
      if (grown + bytes.length > growing.length) {
        growing =
            java.util.Arrays.copyOf(
                growing, Math.max(grown + bytes.length, Math.multiplyExact(growing.length, 2)));
      }
      System.arraycopy(bytes, 0, growing, grown, bytes.length);
      grown += bytes.length;
    }

    /** Puts the growing run among the others. */
    private void settle() {
      if (grown == 0) {
        return;
      }
      byte[] bytes = java.util.Arrays.copyOf(growing, grown);
      grown = 0;
      long end = growingFrom + bytes.length - 1;
      Map.Entry<Long, byte[]> before = runs.floorEntry(end);
      if (before == null || before.getKey() + before.getValue().length <= growingFrom) {
        runs.put(growingFrom, bytes);
      } else {
        splitIn(growingFrom, end, bytes);
      }
    }

    private void splitIn(long address, long end, byte[] bytes) {
      // Runs do not overlap each other: only the one before the address can reach into it.
      Long first = runs.floorKey(address);
      long since = first == null ? address : first;
      for (Map.Entry<Long, byte[]> each :
          List.copyOf(runs.subMap(since, true, end, true).entrySet())) {
        long from = each.getKey();
        byte[] old = each.getValue();
        long to = from + old.length - 1;
        if (to < address) {
          continue;
        }
        if (!quietly) {
          overlaps.add(new Overlap(Math.max(from, address), Math.min(to, end)));
        }
        runs.remove(from);
        if (from < address) {
          runs.put(from, java.util.Arrays.copyOf(old, (int) (address - from)));
        }
        if (to > end) {
          runs.put(end + 1, java.util.Arrays.copyOfRange(old, (int) (end + 1 - from), old.length));
        }
      }
      runs.put(address, bytes);
    }

    /** Lets later bytes replace earlier ones without a finding. */
    Builder quietly() {
      quietly = true;
      return this;
    }

    /** Sets the start address. */
    public Builder entry(long address) {
      entry = address;
      return this;
    }

    /** Gives the image, with touching runs joined. */
    public ProgramImage build() {
      settle();
      List<Segment> segments = new ArrayList<>();
      java.io.ByteArrayOutputStream run = new java.io.ByteArrayOutputStream();
      long start = 0;
      for (Map.Entry<Long, byte[]> each : runs.entrySet()) {
        if (run.size() > 0 && start + run.size() != each.getKey()) {
          segments.add(new Segment(start, run.toByteArray()));
          run.reset();
        }
        if (run.size() == 0) {
          start = each.getKey();
        }
        run.writeBytes(each.getValue());
      }
      if (run.size() > 0) {
        segments.add(new Segment(start, run.toByteArray()));
      }
      return new ProgramImage(segments, entry, overlaps);
    }
  }

  /** Gives the runs in the order of their addresses. */
  public List<Segment> segments() {
    return segments;
  }

  /** Gives the start address, when the file says one. */
  public @Nullable Long entry() {
    return entry;
  }

  /** Gives the addresses that the file defines twice. */
  public List<Overlap> overlaps() {
    return overlaps;
  }

  /** Gives the number of defined bytes. */
  public long length() {
    return segments.stream().mapToLong(Segment::length).sum();
  }

  /** Tells whether nothing is in it, or nothing but 0xFF. */
  public boolean blank() {
    for (Segment segment : segments) {
      for (byte each : segment.bytes) {
        if (each != (byte) 0xff) {
          return false;
        }
      }
    }
    return true;
  }

  /** Gives the byte at {@code address}, empty in a gap. */
  public OptionalInt at(long address) {
    return segmentAt(address)
        .map(segment -> OptionalInt.of(segment.at(address)))
        .orElse(OptionalInt.empty());
  }

  /** Gives the run that defines {@code address}. */
  public Optional<Segment> segmentAt(long address) {
    int low = 0;
    int high = segments.size() - 1;
    while (low <= high) {
      int middle = (low + high) >>> 1;
      Segment segment = segments.get(middle);
      if (address < segment.from) {
        high = middle - 1;
      } else if (address > segment.to()) {
        low = middle + 1;
      } else {
        return Optional.of(segment);
      }
    }
    return Optional.empty();
  }

  /** Gives the CRC-32 of IEEE 802.3 over the defined bytes in address order, gaps left out. */
  public long crc32() {
    CRC32 crc = new CRC32();
    segments.forEach(segment -> crc.update(segment.bytes));
    return crc.getValue();
  }

  /** Gives the SHA-256 over the same bytes, in hexadecimal. */
  public String sha256() {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      segments.forEach(segment -> digest.update(segment.bytes));
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java runtime has SHA-256", e);
    }
  }
}
