package humble.core.firmware;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/** Where two images are not the same. */
public final class ImageDiff {
  private ImageDiff() {}

  /** How a stretch of addresses is not the same. */
  public enum Kind {
    /** Both define it, with other bytes. */
    DIFFER("differ"),
    /** Only the first defines it. */
    ONLY_A("only-a"),
    /** Only the second defines it. */
    ONLY_B("only-b");

    private final String text;

    Kind(String text) {
      this.text = text;
    }

    /** Gives the name used in output. */
    public String text() {
      return text;
    }
  }

  /** A stretch of addresses, both ends included. */
  public record Range(long from, long to, Kind kind) {}

  /** Gives all stretches in the order of their addresses; none where the images are the same. */
  public static List<Range> of(ProgramImage a, ProgramImage b) {
    TreeSet<Long> edges = new TreeSet<>();
    edges(a, edges);
    edges(b, edges);
    List<Range> ranges = new ArrayList<>();
    Long from = null;
    for (Long edge : edges) {
      if (from != null) {
        stretch(a, b, from, edge - 1, ranges);
      }
      from = edge;
    }
    return List.copyOf(ranges);
  }

  private static void edges(ProgramImage image, TreeSet<Long> edges) {
    for (ProgramImage.Segment segment : image.segments()) {
      edges.add(segment.from());
      edges.add(segment.to() + 1);
    }
  }

  /** Between two edges each image defines all or nothing. */
  private static void stretch(
      ProgramImage a, ProgramImage b, long from, long to, List<Range> ranges) {
    ProgramImage.Segment inA = a.segmentAt(from).orElse(null);
    ProgramImage.Segment inB = b.segmentAt(from).orElse(null);
    if (inA == null || inB == null) {
      if (inA != null || inB != null) {
        add(new Range(from, to, inB == null ? Kind.ONLY_A : Kind.ONLY_B), ranges);
      }
      return;
    }
    long began = -1;
    for (long at = from; at <= to; at++) {
      boolean same = inA.at(at) == inB.at(at);
      if (!same && began < 0) {
        began = at;
      } else if (same && began >= 0) {
        add(new Range(began, at - 1, Kind.DIFFER), ranges);
        began = -1;
      }
    }
    if (began >= 0) {
      add(new Range(began, to, Kind.DIFFER), ranges);
    }
  }

  private static void add(Range range, List<Range> ranges) {
    Range last = ranges.isEmpty() ? null : ranges.getLast();
    if (last != null && last.to() + 1 == range.from() && last.kind() == range.kind()) {
      ranges.set(ranges.size() - 1, new Range(last.from(), range.to(), range.kind()));
    } else {
      ranges.add(range);
    }
  }
}
