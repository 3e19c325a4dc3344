package humble.core.budget;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class BudgetTest {
  @Test
  void bytesAndThingsAreCountedExactly() {
    Budget budget = Budget.of(100, 10, 1_000, () -> 0, () -> false);
    budget.bytes(60);
    budget.bytes(40);
    assertThat(budget.bytesLeft()).isZero();
    assertThatThrownBy(() -> budget.bytes(1))
        .isInstanceOfSatisfying(Spent.class, e -> assertThat(e.what()).isEqualTo(Spent.What.BYTES));
    budget.items(10);
    assertThatThrownBy(() -> budget.items(1))
        .isInstanceOfSatisfying(Spent.class, e -> assertThat(e.what()).isEqualTo(Spent.What.ITEMS))
        .hasMessageContaining("more than 10 things");
  }

  @Test
  void aNumberThatOverflowsIsNoWayAround() {
    Budget budget = Budget.of(100, 10, 1_000, () -> 0, () -> false);
    budget.bytes(50);
    assertThatThrownBy(() -> budget.bytes(Long.MAX_VALUE)).isInstanceOf(Spent.class);
    budget.items(5);
    assertThatThrownBy(() -> budget.items(Long.MAX_VALUE)).isInstanceOf(Spent.class);
  }

  @Test
  void theClockIsLookedAtNowAndThenAndTheHandToo() {
    long[] now = {0};
    boolean[] off = {false};
    Budget budget = Budget.of(1 << 20, 1 << 20, 1_000, () -> now[0], () -> off[0]);
    now[0] = 1_000_000_000L;
    budget.look();
    now[0]++;
    assertThatThrownBy(
            () -> {
              for (int i = 0; i < 10_000; i++) {
                budget.items(1);
              }
            })
        .isInstanceOfSatisfying(Spent.class, e -> assertThat(e.what()).isEqualTo(Spent.What.TIME));
    off[0] = true;
    assertThatThrownBy(budget::look)
        .isInstanceOfSatisfying(
            Spent.class, e -> assertThat(e.what()).isEqualTo(Spent.What.CALLED_OFF));
  }
}
