package humble.core.wake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;

/**
 * What words written to parallel lines and read back say of each line.
 *
 * @param width how many lines, 1 to 32
 * @param wrote the words written
 * @param read the readings of each of them, at least one each
 */
public record ParallelLines(int width, List<Long> wrote, List<List<Long>> read) {
  /** What one line is. */
  public sealed interface State {
    /** Gives the name used in output. */
    default String text() {
      return switch (this) {
        case Good s -> "good";
        case Untested s -> "untested";
        case Stuck s -> s.high() ? "stuck1" : "stuck0";
        case Flickers s -> "flicker";
        case Swapped s -> "swapped:" + s.bit();
        case Joined s -> "joined:" + s.bit();
      };
    }
  }

  /** Every reading was right, and it was written both ways. */
  public record Good() implements State {}

  /** Every reading was right, but it was only ever written one way. */
  public record Untested() implements State {}

  /** It reads the same whatever is written. */
  public record Stuck(boolean high) implements State {}

  /** It is wrong now and then. */
  public record Flickers() implements State {}

  /** It carries what was written to another line. */
  public record Swapped(int bit) implements State {}

  /** It is joined to another line: low wins ({@code and}), or high wins. */
  public record Joined(int bit, boolean and) implements State {}

  /**
   * One line.
   *
   * @param rate share of readings in which it was wrong
   * @param rateLow lower end of the 95 % interval of that share, after Wilson 1927
   * @param rateHigh its upper end
   */
  public record Line(int bit, State state, double rate, double rateLow, double rateHigh) {}

  private static final double Z_95 = 1.959964;

  public ParallelLines {
    wrote = List.copyOf(wrote);
    read = read.stream().map(List::copyOf).toList();
    if (width < 1 || width > 32) {
      throw new IllegalArgumentException("1 to 32 lines, not " + width);
    }
    if (wrote.size() != read.size() || read.stream().anyMatch(List::isEmpty)) {
      throw new IllegalArgumentException("every word needs its readings");
    }
  }

  private static boolean bit(long word, int bit) {
    return (word >> bit & 1) == 1;
  }

  /** Gives what each line is, bit 0 first. */
  public List<Line> lines() {
    List<Line> lines = new ArrayList<>();
    for (int i = 0; i < width; i++) {
      lines.add(line(i));
    }
    return lines;
  }

  private Line line(int line) {
    long all = 0;
    long wrong = 0;
    for (int k = 0; k < wrote.size(); k++) {
      for (long reading : read.get(k)) {
        all++;
        wrong += bit(reading, line) == bit(wrote.get(k), line) ? 0 : 1;
      }
    }
    double rate = all == 0 ? 0 : wrong / (double) all;
    double spread = Z_95 * Z_95 / Math.max(1, all);
    double middle = (rate + spread / 2) / (1 + spread);
    double half =
        Z_95 / (1 + spread) * Math.sqrt((rate * (1 - rate) + spread / 4) / Math.max(1, all));
    return new Line(
        line,
        wrong == 0 ? right(line) : wrong(line),
        rate,
        Math.max(0, middle - half),
        Math.min(1, middle + half));
  }

  private State right(int line) {
    boolean high = wrote.stream().anyMatch(word -> bit(word, line));
    boolean low = wrote.stream().anyMatch(word -> !bit(word, line));
    return high && low ? new Good() : new Untested();
  }

  /** Two joined lines are one fault and come before two stuck ones that read the same. */
  private State wrong(int line) {
    return joined(line).or(() -> stuck(line)).or(() -> swapped(line)).orElseGet(Flickers::new);
  }

  private Optional<State> joined(int line) {
    for (int other = 0; other < width; other++) {
      for (boolean and : new boolean[] {true, false}) {
        int with = other;
        boolean low = and;
        IntPredicate together =
            k ->
                low
                    ? bit(wrote.get(k), line) && bit(wrote.get(k), with)
                    : bit(wrote.get(k), line) || bit(wrote.get(k), with);
        if (other != line && reads(line, together) && reads(other, together)) {
          return Optional.of(new Joined(other, and));
        }
      }
    }
    return Optional.empty();
  }

  private Optional<State> stuck(int line) {
    boolean high = wrote.stream().anyMatch(word -> bit(word, line));
    boolean low = wrote.stream().anyMatch(word -> !bit(word, line));
    if (high && low) {
      for (boolean level : new boolean[] {false, true}) {
        if (reads(line, k -> level)) {
          return Optional.of(new Stuck(level));
        }
      }
    }
    return Optional.empty();
  }

  private Optional<State> swapped(int line) {
    for (int other = 0; other < width; other++) {
      int from = other;
      if (other != line && reads(line, k -> bit(wrote.get(k), from))) {
        return Optional.of(new Swapped(other));
      }
    }
    return Optional.empty();
  }

  /** Tells whether a line read so in every reading. */
  private boolean reads(int line, IntPredicate level) {
    for (int k = 0; k < wrote.size(); k++) {
      for (long reading : read.get(k)) {
        if (bit(reading, line) != level.test(k)) {
          return false;
        }
      }
    }
    return true;
  }

  /** Gives words that exercise every line alone: walking ones, then walking zeros. */
  public static List<Long> walking(int width) {
    List<Long> words = new ArrayList<>();
    long all = (1L << width) - 1;
    for (int i = 0; i < width; i++) {
      words.add(1L << i);
    }
    for (int i = 0; i < width; i++) {
      words.add(all & ~(1L << i));
    }
    return words;
  }
}
