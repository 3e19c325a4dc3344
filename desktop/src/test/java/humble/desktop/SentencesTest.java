package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.desktop.walk.Sentences;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is said along a whole build of kits of six kinds. */
class SentencesTest {
  @TempDir Path home;

  private List<Sentences.Said> said(String kit) throws InterruptedException {
    return Sentences.of(
        BenchInTest.root().resolve("desktop/src/test/resources/kits").resolve(kit), home);
  }

  private static Stream<String> lines(List<Sentences.Said> said) {
    return said.stream().flatMap(card -> card.lines().stream());
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"skiff", "gull", "ferrybell", "twinlight", "metronome", "foghorn", "buoy"})
  void aWholeBuildIsWalkedInPlainWords(String kit) throws Exception {
    List<Sentences.Said> said = said(kit);
    assertThat(said.getLast().stage()).isEqualTo("BOOK");
    assertThat(lines(said))
        .allSatisfy(line ->
            assertThat(line)
                .doesNotContain("{", "}", "null", "NaN", "Infinity", "fit:", "insert:", "remove:"));
    // Only in the ferry bell a person says of every check that it is as it should be.
    assertThat(lines(said).anyMatch(line -> line.contains("It works")))
        .as("the practice bench answered: nobody powered and tried it")
        .isEqualTo(kit.equals("ferrybell"));
  }

  /** Practised healthy, every gate reads as expected in the order that the plan gives. */
  @ParameterizedTest
  @ValueSource(strings = {"skiff", "gull", "twinlight", "metronome", "foghorn", "buoy"})
  void everyGateOfAHealthyBoardReadsAsExpected(String kit) throws Exception {
    List<Sentences.Said> power =
        said(kit).stream().filter(card -> card.stage().equals("POWER")).toList();
    assertThat(lines(power)).noneMatch(line -> line.contains("(bad)"));
    assertThat(lines(power)).anyMatch(line -> line.contains("(good) Reads as expected"));
    assertThat(lines(power)).noneMatch(line -> line.contains("limit light on"));
  }

  @ParameterizedTest
  @ValueSource(strings = "ferrybell")
  void aKitWithoutNetsIsPoweredInPlainWordsBeforeItsChipGoesIn(String kit) throws Exception {
    List<String> titles = said(kit).stream().map(card -> card.card().title()).toList();
    assertThat(titles.indexOf("The supply at each empty socket"))
        .isPositive()
        .isLessThan(titles.indexOf("Insert U1, controller chip"));
    assertThat(titles.indexOf("Power without the limit"))
        .isGreaterThan(titles.indexOf("Insert U1, controller chip"))
        .isLessThan(titles.indexOf("Ring it once from the wheelhouse"));
  }

  @ParameterizedTest
  @ValueSource(strings = "skiff")
  void aCellIsMeasuredThroughAResistorAndComesLast(String kit) throws Exception {
    List<Sentences.Said> said = said(kit);
    List<String> titles = said.stream().map(card -> card.card().title()).toList();
    assertThat(titles).anyMatch(title -> title.startsWith("Volts across 12 Ω"));
    assertThat(titles.indexOf("Insert BT1, battery"))
        .isGreaterThan(titles.indexOf("Fit LED1, yellow LED"));
    assertThat(lines(said)).noneMatch(line -> line.contains("Fresh solder on every joint"));
  }
}
