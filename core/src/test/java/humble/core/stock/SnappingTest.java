package humble.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class SnappingTest {
  @Test
  void fortyPositionsGiveTwoTwenties() {
    Snapping way = Snapping.of(List.of(20, 20), 40, 0).orElseThrow();
    assertThat(way.strips()).containsExactly(List.of(20, 20));
    assertThat(way.snaps()).isEqualTo(1);
    assertThat(way.leftOver()).containsExactly(0);
  }

  @Test
  void everyCutOfAReceptacleLosesAPosition() {
    assertThat(Snapping.of(List.of(20, 20), 40, 1).orElseThrow().strips()).hasSize(2);
    Snapping way = Snapping.of(List.of(20, 19), 40, 1).orElseThrow();
    assertThat(way.strips()).hasSize(1);
    assertThat(way.snaps()).isEqualTo(1);
  }

  @Test
  void aPieceLongerThanAStripHasNoWay() {
    assertThat(Snapping.of(List.of(41), 40, 0)).isEmpty();
    assertThatThrownBy(() -> Snapping.of(List.of(0), 40, 0))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aWholeStripNeedsNoSnap() {
    assertThat(Snapping.of(List.of(6), 6, 0).orElseThrow().snaps()).isZero();
    assertThat(Snapping.of(List.of(), 6, 0).orElseThrow().strips()).isEmpty();
  }

  @Test
  void manyPiecesOfFewLengthsAreReckonedExactly() {
    List<Integer> lengths = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      lengths.addAll(List.of(4, 6, 8));
    }
    Snapping way = Snapping.of(lengths, 40, 0).orElseThrow();
    assertThat(way.strips()).hasSize(6);
    assertThat(way.strips().stream().flatMap(List::stream))
        .containsExactlyInAnyOrderElementsOf(lengths);
  }

  /** Every way of putting the pieces on strips, tried one after the other. */
  private static int[] exhaustive(
      List<Integer> lengths, int strip, int lost, List<List<Integer>> on) {
    if (lengths.isEmpty()) {
      int snaps = 0;
      for (List<Integer> pieces : on) {
        int sum = pieces.stream().mapToInt(Integer::intValue).sum();
        snaps += sum + (pieces.size() - 1) * lost == strip ? pieces.size() - 1 : pieces.size();
      }
      return new int[] {on.size(), snaps};
    }
    int[] best = null;
    List<Integer> rest = lengths.subList(1, lengths.size());
    for (int i = 0; i <= on.size(); i++) {
      List<List<Integer>> next = new ArrayList<>();
      on.forEach(pieces -> next.add(new ArrayList<>(pieces)));
      if (i == on.size()) {
        next.add(new ArrayList<>());
      }
      next.get(i).add(lengths.getFirst());
      int sum = next.get(i).stream().mapToInt(Integer::intValue).sum();
      if (sum + (next.get(i).size() - 1) * lost <= strip) {
        int[] found = exhaustive(rest, strip, lost, next);
        best = best == null || Arrays.compare(found, best) < 0 ? found : best;
      }
    }
    return best;
  }

  @Property(tries = 300)
  void noWayIsBetter(
      @ForAll @Size(max = 6) List<@IntRange(min = 1, max = 12) Integer> lengths,
      @ForAll @IntRange(min = 12, max = 20) int strip,
      @ForAll @IntRange(max = 1) int lost) {
    Snapping way = Snapping.of(lengths, strip, lost).orElseThrow();
    assertThat(new int[] {way.strips().size(), way.snaps()})
        .isEqualTo(exhaustive(lengths, strip, lost, new ArrayList<>()));
    assertThat(way.strips().stream().flatMap(List::stream))
        .containsExactlyInAnyOrderElementsOf(lengths);
  }
}
