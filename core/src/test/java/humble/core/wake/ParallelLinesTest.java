package humble.core.wake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.LongUnaryOperator;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class ParallelLinesTest {
  private static List<ParallelLines.Line> read(int width, LongUnaryOperator board) {
    List<Long> wrote = ParallelLines.walking(width);
    List<List<Long>> read = new ArrayList<>();
    for (long word : wrote) {
      read.add(List.of(board.applyAsLong(word), board.applyAsLong(word)));
    }
    return new ParallelLines(width, wrote, read).lines();
  }

  private static List<String> states(int width, LongUnaryOperator board) {
    return read(width, board).stream().map(line -> line.state().text()).toList();
  }

  @Property(tries = 100)
  void oneBadLineIsNamedAndTheOthersAreGood(
      @ForAll @IntRange(min = 2, max = 16) int width,
      @ForAll @IntRange(min = 0, max = 15) int bad,
      @ForAll boolean high) {
    int at = bad % width;
    long mask = 1L << at;
    List<String> states = states(width, word -> high ? word | mask : word & ~mask);
    assertThat(states.get(at)).isEqualTo(high ? "stuck1" : "stuck0");
    for (int i = 0; i < width; i++) {
      assertThat(states.get(i)).as("bit %d", i).isEqualTo(i == at ? states.get(at) : "good");
    }
  }

  @Property(tries = 100)
  void twoLinesThatAreJoinedOrSwappedNameEachOther(
      @ForAll @IntRange(min = 3, max = 12) int width,
      @ForAll @IntRange(min = 0, max = 11) int a,
      @ForAll @IntRange(min = 1, max = 11) int step) {
    int one = a % width;
    int other = (one + 1 + step % (width - 1)) % width;
    LongUnaryOperator and =
        word -> {
          long low = (word >> one & 1) & (word >> other & 1);
          return word & ~(1L << one) & ~(1L << other) | low << one | low << other;
        };
    List<String> joined = states(width, and);
    assertThat(joined.get(one)).isEqualTo("joined:" + other);
    assertThat(joined.get(other)).isEqualTo("joined:" + one);
    LongUnaryOperator swap =
        word ->
            word & ~(1L << one) & ~(1L << other)
                | (word >> one & 1) << other
                | (word >> other & 1) << one;
    List<String> swapped = states(width, swap);
    assertThat(swapped.get(one)).isEqualTo("swapped:" + other);
    assertThat(swapped.get(other)).isEqualTo("swapped:" + one);
  }

  @Test
  void aLineThatIsWrongNowAndThenFlickersWithItsRate() {
    Random random = new Random(5);
    ParallelLines.Line line = read(8, word -> random.nextInt(4) == 0 ? word ^ 8 : word).get(3);
    assertThat(line.state()).isEqualTo(new ParallelLines.Flickers());
    assertThat(line.rateLow()).isLessThan(line.rate());
    assertThat(line.rateHigh()).isGreaterThan(line.rate()).isLessThan(1);
    assertThat(line.rate()).isBetween(0.1, 0.45);
  }

  /** Wilson's interval for 5 of 20, as published: 0.112 to 0.469. */
  @Test
  void theIntervalOfTheRateIsWilsons() {
    List<Long> wrote = new ArrayList<>();
    List<List<Long>> read = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      wrote.add((long) i % 2);
      read.add(List.of((long) (i < 5 ? 1 - i % 2 : i % 2)));
    }
    ParallelLines.Line line = new ParallelLines(1, wrote, read).lines().getFirst();
    assertThat(line.rateLow()).isCloseTo(0.112, org.assertj.core.data.Offset.offset(5e-4));
    assertThat(line.rateHigh()).isCloseTo(0.469, org.assertj.core.data.Offset.offset(5e-4));
  }

  @Test
  void aLineThatWasOnlyWrittenOneWayIsNotCalledGood() {
    assertThat(
            new ParallelLines(2, List.of(1L, 3L), List.of(List.of(1L), List.of(3L)))
                .lines().stream().map(line -> line.state().text()).toList())
        .containsExactly("untested", "good");
  }

  @Test
  void addressLinesThatDoNothingOrGoTogetherAreFound() {
    for (int dead = 0; dead < 12; dead++) {
      long gone = 1L << dead;
      assertThat(memory(12, address -> address & ~gone))
          .containsExactly(new AddressLines.Wrong(dead, java.util.OptionalInt.empty()));
    }
    assertThat(memory(12, address -> (address & 0x18) != 0 ? address | 0x18 : address))
        .containsExactly(new AddressLines.Wrong(3, java.util.OptionalInt.of(4)));
    assertThat(memory(20, address -> address)).isEmpty();
    assertThat(memory(8, address -> address & ~0x22L))
        .extracting(AddressLines.Wrong::line)
        .containsExactly(1, 5);
  }

  private static List<AddressLines.Wrong> memory(int lines, LongUnaryOperator cell) {
    java.util.Map<Long, Integer> cells = new java.util.HashMap<>();
    AddressLines.writes(lines)
        .forEach(access -> cells.put(cell.applyAsLong(access.address()), access.value()));
    return AddressLines.wrong(lines, address -> cells.getOrDefault(cell.applyAsLong(address), 0));
  }
}
