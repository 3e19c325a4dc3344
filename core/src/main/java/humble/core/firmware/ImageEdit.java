package humble.core.firmware;

import java.util.Arrays;
import java.util.List;

/** Makes an image of others: together, a piece of one, one with other bytes in it. */
public final class ImageEdit {
  private ImageEdit() {}

  /** Two images that cannot be one, since they differ where both define bytes. */
  public static final class Clash extends Exception {
    private static final long serialVersionUID = 1L;

    private final transient List<ImageDiff.Range> ranges;

    private Clash(List<ImageDiff.Range> ranges) {
      super("the images differ where both define bytes");
      this.ranges = List.copyOf(ranges);
    }

    /** Gives where they differ. */
    public List<ImageDiff.Range> ranges() {
      return ranges;
    }
  }

  /**
   * Gives both images as one; the first start address counts.
   *
   * @throws Clash where both define an address, with other bytes
   */
  public static ProgramImage merge(ProgramImage a, ProgramImage b) throws Clash {
    List<ImageDiff.Range> clashes =
        ImageDiff.of(a, b).stream().filter(r -> r.kind() == ImageDiff.Kind.DIFFER).toList();
    if (!clashes.isEmpty()) {
      throw new Clash(clashes);
    }
    ProgramImage.Builder both = new ProgramImage.Builder().quietly();
    a.segments().forEach(segment -> both.add(segment.from(), segment.bytes()));
    b.segments().forEach(segment -> both.add(segment.from(), segment.bytes()));
    Long entry = a.entry() != null ? a.entry() : b.entry();
    if (entry != null) {
      both.entry(entry);
    }
    return both.build();
  }

  /** Gives what an image defines from {@code from} to {@code to}, both included. */
  public static ProgramImage cut(ProgramImage image, long from, long to) {
    ProgramImage.Builder piece = new ProgramImage.Builder();
    for (ProgramImage.Segment segment : image.segments()) {
      long first = Math.max(from, segment.from());
      long last = Math.min(to, segment.to());
      if (first <= last) {
        piece.add(
            first,
            Arrays.copyOfRange(
                segment.bytes(),
                (int) (first - segment.from()),
                (int) (last + 1 - segment.from())));
      }
    }
    Long entry = image.entry();
    if (entry != null && entry >= from && entry <= to) {
      piece.entry(entry);
    }
    return piece.build();
  }

  /** Gives an image with {@code bytes} at {@code address}, whatever was there before. */
  public static ProgramImage patch(ProgramImage image, long address, byte[] bytes) {
    ProgramImage.Builder patched = new ProgramImage.Builder().quietly();
    image.segments().forEach(segment -> patched.add(segment.from(), segment.bytes()));
    patched.add(address, bytes);
    Long entry = image.entry();
    if (entry != null) {
      patched.entry(entry);
    }
    return patched.build();
  }

  /**
   * Gives the bytes from {@code from} to {@code to}, both included.
   *
   * @param fill what a gap counts as
   */
  public static byte[] bytes(ProgramImage image, long from, long to, int fill) {
    byte[] all = new byte[Math.toIntExact(to - from + 1)];
    Arrays.fill(all, (byte) fill);
    for (ProgramImage.Segment segment : cut(image, from, to).segments()) {
      System.arraycopy(segment.bytes(), 0, all, (int) (segment.from() - from), segment.length());
    }
    return all;
  }
}
