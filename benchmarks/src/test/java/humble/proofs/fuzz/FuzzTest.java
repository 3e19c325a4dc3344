package humble.proofs.fuzz;

import static org.assertj.core.api.Assertions.assertThat;

import humble.formats.ReadingBudget;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every reader for five seconds, the whole corpus first, in a heap of 256 MiB. */
class FuzzTest {
  private static final long MOST_MS = 5_000;

  /** A process of five seconds is cold all the time, and may share its processor. */
  private static final long COLD_HANG_MS = 8_000;

  @TempDir Path folder;

  private static Path root() {
    return Path.of(System.getProperty("humble.root", ".."));
  }

  static Stream<String> readers() {
    return Reader.NAMES.stream();
  }

  @ParameterizedTest
  @MethodSource("readers")
  void theReaderStandsTheCorpusAndFiveSecondsOfMutations(String reader) throws Exception {
    Fuzz.Result result =
        Fuzz.run(root(), reader, 0, Long.MAX_VALUE / 4, MOST_MS, 3, folder, COLD_HANG_MS);
    assertThat(result.findings()).isEmpty();
    assertThat(result.exceptions()).isZero();
    assertThat(result.hangs()).isZero();
    assertThat(result.inputs()).isGreaterThan(Corpus.files(root(), reader).size());
  }

  @Test
  void theSameNumberGivesTheSameInputAndOthersGiveOthers() throws IOException {
    Mutation one = new Mutation(Corpus.bytes(root(), "gerber"), false);
    Mutation other = new Mutation(Corpus.bytes(root(), "gerber"), false);
    Set<String> seen = new HashSet<>();
    for (long number = 0; number < 500; number++) {
      assertThat(one.input(number)).isEqualTo(other.input(number));
      seen.add(Arrays.toString(one.input(number)));
    }
    assertThat(seen).hasSizeGreaterThan(400);
  }

  @Test
  void theCommandsReallyRun() throws IOException {
    byte[] kit = Files.readAllBytes(root().resolve("corpus/kit/chip-in-socket.json"));
    KitRead.Opened opened = (KitRead.Opened) KitFolder.at(folder).parse(kit, ReadingBudget.usual());
    assertThat(new Commands(folder.resolve("run")).faults(kit, opened.kit())).isEmpty();
    for (String file : List.of("deck.cir", "labels.pdf", "out-bom.csv", "out-kit.zip")) {
      assertThat(folder.resolve("run").resolve(file)).isNotEmptyFile();
    }
  }

  /** A proof that cannot fail is none: a reader that throws is found and named. */
  @Test
  void aReaderThatThrowsIsFound() {
    Finding finding = Finding.of(7, new IllegalStateException("odd"));
    assertThat(finding.what()).startsWith("IllegalStateException: odd").contains("FuzzTest.java");
    assertThat(new Fuzz.Result(10, 1, 0, 5, 5, 0, 0, List.of()).stood()).isFalse();
    assertThat(new Fuzz.Result(0, 0, 0, 5, 5, 0, 0, List.of()).stood()).isFalse();
    assertThat(new Fuzz.Result(10, 0, 0, 5, 5, 0, 0, List.of()).stood()).isTrue();
  }
}
