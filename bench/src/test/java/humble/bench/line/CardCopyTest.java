package humble.bench.line;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.CardFolder;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CardCopyTest {
  @TempDir Path home = Path.of("");

  private static CardFolder card(String... to) {
    return new CardFolder(
        "c",
        "",
        CardFolder.FileSystem.FAT32,
        0,
        0,
        false,
        Stream.of(to).map(each -> new CardFolder.Placed("kit/" + each, each)).toList(),
        "");
  }

  private static byte[] source(String from) {
    return from.getBytes(StandardCharsets.UTF_8);
  }

  private Path root() throws IOException {
    return Files.createDirectories(home.resolve("card"));
  }

  private static List<CardCopy.State> states(List<CardCopy.Laid> laid) {
    return laid.stream().map(CardCopy.Laid::state).toList();
  }

  @Test
  void filesLieWhereTheyShouldAndNothingElseDoes() throws IOException {
    CardCopy copy = new CardCopy(root());
    CardFolder card = card("LEVELS/A.LEV", "READ.ME");
    List<Double> shares = new ArrayList<>();
    assertThat(states(copy.copy(card, CardCopyTest::source, false, shares::add, () -> false)))
        .containsOnly(CardCopy.State.COPIED);
    assertThat(shares).containsExactly(0.5, 1.0);
    assertThat(root().resolve("LEVELS/A.LEV")).hasContent("kit/LEVELS/A.LEV");
    try (Stream<Path> all = Files.walk(root())) {
      assertThat(all.filter(Files::isRegularFile)).hasSize(2);
    }
    assertThat(states(copy.look(card, CardCopyTest::source, () -> false)))
        .containsOnly(CardCopy.State.SAME);
  }

  @Test
  void whatIsAnotherIsReplacedOnlyWhereItIsAsked() throws IOException {
    CardCopy copy = new CardCopy(root());
    Files.writeString(root().resolve("READ.ME"), "mine");
    CardFolder card = card("READ.ME");
    assertThat(states(copy.copy(card, CardCopyTest::source, false, s -> {}, () -> false)))
        .containsExactly(CardCopy.State.OTHER);
    assertThat(root().resolve("READ.ME")).hasContent("mine");
    assertThat(states(copy.copy(card, CardCopyTest::source, true, s -> {}, () -> false)))
        .containsExactly(CardCopy.State.COPIED);
    assertThat(root().resolve("READ.ME")).hasContent("kit/READ.ME");
  }

  @Test
  void nothingIsWrittenOverALinkOrOutsideOfTheCard() throws IOException {
    Path outside = Files.createDirectories(home.resolve("outside"));
    Files.writeString(outside.resolve("kept"), "kept");
    Files.createSymbolicLink(root().resolve("LEVELS"), outside);
    Files.createSymbolicLink(root().resolve("ONE"), outside.resolve("kept"));
    CardCopy copy = new CardCopy(root());
    CardFolder card = card("LEVELS/A.LEV", "ONE", "../outside/x", "a/../../outside/x", "/x", "");
    List<CardCopy.Laid> laid = copy.copy(card, CardCopyTest::source, true, s -> {}, () -> false);
    assertThat(states(laid)).containsOnly(CardCopy.State.FAILED);
    assertThat(laid).allSatisfy(each -> assertThat(each.why()).isPresent());
    try (Stream<Path> all = Files.walk(outside)) {
      assertThat(all.filter(Files::isRegularFile)).hasSize(1);
    }
    assertThat(outside.resolve("kept")).hasContent("kept");
  }

  @Test
  void aNameInAnotherCaseIsTheSameNameOnACard() throws IOException {
    Files.createDirectories(root().resolve("levels"));
    assertThat(
            new CardCopy(root())
                .copy(card("LEVELS/A.LEV"), CardCopyTest::source, true, s -> {}, () -> false))
        .singleElement()
        .satisfies(each -> assertThat(each.why().orElseThrow().key()).isEqualTo("card.case"));
  }

  @Test
  void whatIsCalledOffStopsBetweenTwoFiles() throws IOException {
    int[] asked = {0};
    List<CardCopy.Laid> laid =
        new CardCopy(root())
            .copy(card("A", "B", "C"), CardCopyTest::source, true, s -> {}, () -> ++asked[0] > 2);
    assertThat(laid).hasSize(2);
    assertThat(root().resolve("C")).doesNotExist();
  }

  @Test
  void aCardThatIsGoneIsSaid() {
    assertThat(
            new CardCopy(home.resolve("none/deeper"))
                .copy(
                    card("A"),
                    from -> {
                      throw new IOException("gone");
                    },
                    true,
                    s -> {},
                    () -> false))
        .singleElement()
        .satisfies(each -> assertThat(each.why().orElseThrow().key()).isEqualTo("card.gone"));
  }
}
