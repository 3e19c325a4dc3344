package humble.bench;

import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * An image cut into the pages that a chip writes at once: gaps erased, none longer than the memory
 * it lies in.
 *
 * @param all the pages in the order in which they are sent: the one with the start vector last
 * @param vector the page with the start vector; empty where the image or the chip has none
 */
record ImagePages(List<Page> all, Optional<Page> vector) {
  ImagePages {
    all = List.copyOf(all);
  }

  /** One page; {@code defined} of its bytes are the image's. */
  @SuppressWarnings("ArrayRecordComponent") // compared by its address alone, nowhere else
  record Page(long address, byte[] bytes, int defined) {}

  static ImagePages of(ProgramImage image, Firmware.Target target) {
    TreeMap<Long, Page> pages = new TreeMap<>();
    for (ProgramImage.Segment segment : image.segments()) {
      byte[] bytes = segment.bytes();
      for (int at = 0; at < bytes.length; ) {
        long address = segment.from() + at;
        Page page = pages.get(first(target, address));
        if (page == null) {
          page = blank(target, address);
        }
        int offset = (int) (address - page.address);
        int length = Math.min(page.bytes.length - offset, bytes.length - at);
        System.arraycopy(bytes, at, page.bytes, offset, length);
        pages.put(page.address, new Page(page.address, page.bytes, page.defined + length));
        at += length;
      }
    }
    Long start = target.vectorAt();
    Page vector = start == null ? null : pages.remove(first(target, start));
    List<Page> order = new ArrayList<>(pages.values());
    if (vector != null) {
      order.add(vector);
    }
    return new ImagePages(order, Optional.ofNullable(vector));
  }

  private static Firmware.@Nullable Region region(Firmware.Target target, long address) {
    return target.memory().stream().filter(r -> r.holds(address)).findFirst().orElse(null);
  }

  /** Gives where the page begins that {@code address} lies in. */
  private static long first(Firmware.Target target, long address) {
    Firmware.Region region = region(target, address);
    long page = address - address % target.pageBytes();
    return region == null ? page : Math.max(page, region.from());
  }

  private static Page blank(Firmware.Target target, long address) {
    Firmware.Region region = region(target, address);
    long from = first(target, address);
    long end = address - address % target.pageBytes() + target.pageBytes();
    byte[] bytes = new byte[(int) ((region == null ? end : Math.min(end, region.to() + 1)) - from)];
    Arrays.fill(bytes, (byte) target.erased());
    return new Page(from, bytes, 0);
  }
}
