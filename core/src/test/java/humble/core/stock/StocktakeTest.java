package humble.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Kit;
import humble.core.kit.PartKind;
import java.util.Map;
import org.junit.jupiter.api.Test;

class StocktakeTest {
  private static final Kit KIT =
      KitMaker.kit()
          .line("r220", PartKind.RESISTOR, "220", "axial-quarter-watt", null, "R1", "R2", "R10")
          .line("soft", PartKind.RESISTOR, "1k", "axial-quarter-watt", null, "R6")
          .line("link", PartKind.LINK, "", "axial-quarter-watt", null, "JP1")
          .option("sounder", "R6", "JP1")
          .loose("cable", 0, 1)
          .make();

  @Test
  void countsWhatTheTakenChoicesFitAndTheLooseItems() {
    assertThat(Stocktake.items(KIT, Map.of()))
        .extracting(Stocktake.Item::id, Stocktake.Item::needed)
        .containsExactly(
            org.assertj.core.groups.Tuple.tuple("r220", 3),
            org.assertj.core.groups.Tuple.tuple("soft", 1),
            org.assertj.core.groups.Tuple.tuple("link", 0),
            org.assertj.core.groups.Tuple.tuple("cable", 1));
  }

  @Test
  void saysShortExactAndSpare() {
    Stocktake.Item item = new Stocktake.Item("r220", 3, 3);
    assertThat(item.standing(2)).isEqualTo(Stocktake.Standing.SHORT);
    assertThat(item.standing(3)).isEqualTo(Stocktake.Standing.EXACT);
    assertThat(item.standing(4)).isEqualTo(Stocktake.Standing.SPARE);
  }

  @Test
  void theLastPlacesOfAShortLineWait() {
    assertThat(Stocktake.missingRefs(KIT, Map.of(), Map.of("r220", 1)))
        .containsExactly("R2", "R10");
    assertThat(Stocktake.missingRefs(KIT, Map.of(), Map.of("r220", 3))).isEmpty();
    assertThat(Stocktake.missingRefs(KIT, Map.of(), Map.of())).isEmpty();
  }

  @Test
  void aPartThatOnlyAnUntakenChoiceFitsIsNotMissed() {
    assertThat(Stocktake.missingRefs(KIT, Map.of("sounder", "second"), Map.of("soft", 0)))
        .isEmpty();
    assertThat(Stocktake.missingRefs(KIT, Map.of("sounder", "first"), Map.of("soft", 0)))
        .containsExactly("R6");
  }
}
