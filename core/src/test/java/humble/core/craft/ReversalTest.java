package humble.core.craft;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Harm;
import humble.core.kit.Home;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import java.util.List;
import org.junit.jupiter.api.Test;

class ReversalTest {
  @Test
  void whatIsKeyedAndBringsASupplyElsewhereDoesDamage() {
    Line keyed =
        new Line(
            "head",
            PartKind.HEADER,
            "",
            null,
            0,
            "header-1x3",
            List.of("J2"),
            1,
            "",
            "",
            false,
            List.of("triangle"),
            List.of(),
            Home.BOARD,
            List.of(),
            0,
            null,
            null);
    KitMaker maker =
        KitMaker.kit()
            .line("plain", PartKind.HEADER, "", "header-1x3", null, "J1")
            .line("signals", PartKind.HEADER, "", "header-1x3", null, "J3")
            .net("5V", "J1.1", "J2.1")
            .net("A", "J1.2", "J2.2", "J3.1")
            .net("GND", "J1.3", "J2.3")
            .supply("usb", 5, 500, "5V", "GND");
    List<Line> lines = new java.util.ArrayList<>(maker.make().lines());
    lines.add(keyed);
    Parts parts = Parts.of(maker.make().withLines(lines));
    assertThat(Reversal.of(parts, parts.get("J2"))).isEqualTo(Harm.DAMAGE);
    assertThat(Reversal.of(parts, parts.get("J1")))
        .as("nothing tells its way round, it is the same both ways")
        .isEqualTo(Harm.HARMLESS);
    assertThat(Reversal.of(parts, parts.get("J3"))).isEqualTo(Harm.HARMLESS);
  }
}
