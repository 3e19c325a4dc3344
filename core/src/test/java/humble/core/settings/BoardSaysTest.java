package humble.core.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class BoardSaysTest {
  @Test
  void numbersAgreeHoweverTheyAreWritten() {
    BoardSays clock = new BoardSays("8000000", "clock of main");
    for (String same :
        List.of("8000000", "8000000UL", "(8000000)", "0x7A1200", "8e6", "\"8000000\"")) {
      assertThat(clock.agrees(List.of(same))).as(same).isTrue();
    }
    for (String other : List.of("8000001", "16000000", "", "FAST")) {
      assertThat(clock.agrees(List.of(other))).as(other).isFalse();
    }
    assertThat(clock.agrees(List.of())).isFalse();
    assertThat(clock.agrees(List.of("8000000", "8000000"))).isFalse();
  }
}
