package humble.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import java.util.List;
import org.junit.jupiter.api.Test;

class LookOverTest {
  @Test
  void theClosestPadsOfDifferentPartsAreFound() {
    Parts parts =
        KitMaker.kit()
            .line("s", PartKind.SOCKET, "", "socket-dip-8", null, "SK1")
            .resistor("R1", "1k")
            .resistor("R2", "1k")
            .place("SK1", 20, 20)
            .place("R1", 40, 40)
            .place("R2", 40, 42)
            .parts();
    List<LookOver.Spot> spots = LookOver.of(parts, parts.kit().boards().getFirst());
    assertThat(spots)
        .extracting(LookOver.Spot::id)
        .containsExactly("revision", "row:SK1", "close:R1-R2", "outline", "far-side");
    LookOver.Spot close = spots.get(2);
    assertThat((Double) close.what().arguments().get(2)).isEqualTo(2.0);
    assertThat(close.at().yMm()).isEqualTo(41);
  }

  @Test
  void padsOfOneNetMayTouch() {
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "1k")
            .resistor("R2", "1k")
            .resistor("R3", "1k")
            .place("R1", 40, 40)
            .place("R2", 40, 42)
            .place("R3", 40, 46)
            .net("A", "R1.1", "R2.1")
            .net("B", "R1.2", "R2.2")
            .parts();
    assertThat(LookOver.of(parts, parts.kit().boards().getFirst()))
        .extracting(LookOver.Spot::id)
        .contains("close:R2-R3");
  }
}
