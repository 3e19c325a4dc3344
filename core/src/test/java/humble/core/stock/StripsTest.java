package humble.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Finding;
import humble.core.kit.Home;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class StripsTest {
  private static Line row(String id, String pack, int strip, int supplied, String... refs) {
    return new Line(
        id,
        PartKind.HEADER,
        "",
        null,
        0,
        pack,
        List.of(refs),
        supplied,
        "",
        "",
        false,
        List.of(),
        List.of(),
        Home.BOARD,
        List.of(),
        strip,
        null,
        null);
  }

  private static Kit kit(Line... lines) {
    return KitMaker.kit().make().withLines(List.of(lines));
  }

  @Test
  void likeRowsShareTheirStripsAndOthersDoNot() {
    Kit kit =
        kit(
            row("a", "header-1x4", 40, 1, "J1", "J2"),
            row("b", "header-1x6", 40, 0, "J3"),
            row("c", "receptacle-1x4", 40, 1, "J4"),
            row("d", "header-2x3", 10, 1, "J5"));
    List<Strips> strips = Strips.of(kit, Set.of());
    assertThat(strips).hasSize(3);
    assertThat(strips.get(0).pieces()).extracting(Strips.Piece::length).containsExactly(4, 4, 6);
    assertThat(strips.get(0).needed()).isEqualTo(1);
    assertThat(strips.get(1).receptacle()).isTrue();
    assertThat(strips.get(2).pieces()).extracting(Strips.Piece::length).containsExactly(3);
  }

  @Test
  void stripsAreCountedUnderTheFirstLineOfTheirKind() {
    Kit kit =
        kit(row("a", "header-1x4", 8, 1, "J1", "J2", "J3"), row("b", "header-1x2", 8, 1, "J4"));
    assertThat(Stocktake.items(kit, Map.of())).containsExactly(new Stocktake.Item("a", 2, 2));
    assertThat(Stocktake.missingRefs(kit, Map.of(), Map.of("a", 1))).hasSize(2);
    assertThat(Stocktake.missingRefs(kit, Map.of(), Map.of("a", 2))).isEmpty();
    assertThat(Stocktake.missingRefs(kit, Map.of(), Map.of("a", 0)))
        .containsExactly("J1", "J2", "J3", "J4");
    assertThat(Stocktake.missingRefs(kit, Map.of(), Map.of())).isEmpty();
  }

  @Test
  void partsThatAreLeftOutNeedNoStrip() {
    Kit kit = kit(row("a", "header-1x4", 4, 1, "J1", "J2"));
    assertThat(Strips.of(kit, Set.of("J2")).getFirst().needed()).isEqualTo(1);
    assertThat(Strips.of(kit, Set.of("J2")).getFirst().isSnapped()).isFalse();
  }

  @Test
  void tooFewAreAWarningAndTooShortOnesAnError() {
    assertThat(Strips.findings(kit(row("a", "header-1x4", 4, 1, "J1", "J2"))))
        .extracting(Finding::toString)
        .containsExactly("kit.json#/lines/0/supplied: 1 strips are supplied but 2 are needed.");
    assertThat(Strips.findings(kit(row("a", "header-1x9", 4, 1, "J1"))))
        .allMatch(Finding::isError)
        .extracting(Finding::where)
        .containsExactly("kit.json#/lines/0/strip_of");
    assertThat(Strips.findings(kit(row("a", "header-1x4", 4, 1, "J1")))).isEmpty();
  }
}
