package humble.core.route;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Kit;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class BlocksTest {
  @Test
  void whatABlockNamesComesAfterItAndTheRestKeepsItsOrder() {
    Kit kit =
        KitMaker.kit()
            .block("lights", List.of(), List.of(), "D1")
            .block("power", List.of("g"), List.of("brain"), "J1")
            .block("brain", List.of(), List.of("lights"), "U1", "J1")
            .make();
    Blocks blocks = new Blocks(kit);
    assertThat(blocks.numbers()).isEqualTo(Map.of("J1", 0, "g", 0, "U1", 1, "D1", 2));
    assertThat(blocks.title(0)).isEqualTo("Block power");
  }

  @Test
  void blocksThatRunInACircleAreTakenAsTheyStand() {
    Kit kit =
        KitMaker.kit()
            .block("a", List.of(), List.of("b"), "R1")
            .block("b", List.of(), List.of("a"), "R2")
            .make();
    assertThat(new Blocks(kit).numbers()).isEqualTo(Map.of("R1", 0, "R2", 1));
  }
}
