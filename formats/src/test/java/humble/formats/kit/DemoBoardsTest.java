package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.craft.CloseCall;
import humble.core.craft.Inspection;
import humble.core.kit.Board;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.picture.TopView;
import humble.formats.board.BoardLayers;
import humble.formats.board.BoardWriter;
import humble.formats.board.Gerber;
import humble.formats.board.Layer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The boards of the demo kits could be made. */
class DemoBoardsTest {
  static Stream<Path> kits() {
    return DemoKits.all().stream();
  }

  private static Kit read(Path path) {
    return switch (KitFolder.at(path).read()) {
      case KitRead.Opened opened -> opened.kit();
      case KitRead.Refused refused -> throw new AssertionError(refused.findings().toString());
    };
  }

  @ParameterizedTest
  @MethodSource("kits")
  void noTwoPadsOfDifferentNetsRunIntoEachOther(Path path) {
    Parts parts = Parts.of(read(path));
    for (Board board : parts.kit().boards()) {
      assertThat(CloseCall.on(parts, board.id()))
          .allSatisfy(call -> assertThat(call.gapMm()).as(call.toString()).isGreaterThan(0.2));
    }
  }

  @ParameterizedTest
  @MethodSource("kits")
  void everyPartCanBeDrawnAndEveryJointLookedAtOnce(Path path) {
    Parts parts = Parts.of(read(path));
    assertThat(parts.all()).allSatisfy(part -> assertThat(TopView.of(part)).isNotEmpty());
    java.util.Set<String> all =
        new java.util.HashSet<>(parts.all().stream().map(part -> part.ref()).toList());
    for (Board board : parts.kit().boards()) {
      assertThat(Inspection.of(parts, board.id(), all).joints())
          .extracting(Inspection.Joint::pin)
          .doesNotHaveDuplicates()
          .isNotEmpty();
    }
  }

  @Test
  void theBoardFilesOfTheConversionAreThoseOfItsOwnDataAndItsTracks() throws Exception {
    Path path = DemoKits.root().resolve("kits/weathercock");
    Kit kit = read(path);
    Board board = kit.boards().getFirst();
    BoardLayers layers = BoardLayers.read(board, KitFolder.at(path)::bytes);
    assertThat(layers.problems()).isEmpty();
    var written = BoardWriter.files(Parts.of(kit), board);
    for (String role : List.of("copper_top", "copper_bottom", "legend_top", "mask_top")) {
      Layer own = Gerber.read(role, written.get(role).getBytes(StandardCharsets.ISO_8859_1));
      assertThat(layers.byRole().get(role).marks())
          .as(role)
          .filteredOn(mark -> !(role.startsWith("copper") && mark instanceof Layer.Stroke))
          .isEqualTo(own.marks());
    }
  }

  @Test
  void theComputerIsOfTwoBoardsAndAboutAHundredAndFiftyParts() {
    Kit kit = read(DemoKits.root().resolve("kits/lockkeeper"));
    assertThat(kit.boards()).hasSize(2);
    assertThat(kit.lines().stream().mapToInt(line -> line.refs().size()).sum()).isBetween(135, 165);
    assertThat(kit.handwork().windings()).isNotEmpty();
    assertThat(kit.handwork().modules()).isNotEmpty();
    assertThat(kit.handwork().wires()).isNotEmpty();
  }
}
