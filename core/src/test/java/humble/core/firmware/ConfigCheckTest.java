package humble.core.firmware;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.ChipFacts;
import humble.core.kit.Firmware;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.words.Words;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class ConfigCheckTest {
  private static final long AT = 0x820000;

  private static final ChipFacts.Field CLOCK =
      new ChipFacts.Field(
          "clock",
          0x0f,
          "the clock comes from",
          List.of(
              new ChipFacts.Value(0x0f, "the crystal", ChipFacts.ClockFrom.CRYSTAL, null, false),
              new ChipFacts.Value(
                  0x02, "inside the chip", ChipFacts.ClockFrom.INSIDE, 8_000_000L, false)));

  private static final ChipFacts.Field RESET =
      new ChipFacts.Field(
          "reset",
          0x80,
          "the reset pin",
          List.of(
              new ChipFacts.Value(0x80, "resets", null, null, false),
              new ChipFacts.Value(0x00, "is an ordinary pin", null, null, true)));

  private static Firmware.Target target(@Nullable Long clockHz) {
    return new Firmware.Target(
        "main",
        "U1",
        List.of(new Firmware.Region("flash", 0, 0x7fff), new Firmware.Region("setup", AT, AT + 3)),
        List.of(),
        128,
        0xff,
        null,
        0x68756d62L,
        List.of("page"),
        new ChipFacts(
            57_600,
            clockHz,
            "",
            List.of(new ChipFacts.Word("low", AT, 1, List.of(CLOCK, RESET))),
            "none"));
  }

  private static Parts parts(String crystal) {
    KitMaker kit =
        KitMaker.kit()
            .line(
                "u",
                PartKind.IC,
                "",
                "dip-8",
                new Model.Load(
                    "8", "4", 5, 2, Map.of(), 20, new Model.Starts(null, List.of("2", "3"))),
                "U1")
            .net(
                "XA",
                crystal.isEmpty()
                    ? List.of("U1.2").toArray(String[]::new)
                    : new String[] {"U1.2", "X1.1"})
            .net(
                "XB",
                crystal.isEmpty()
                    ? List.of("U1.3").toArray(String[]::new)
                    : new String[] {"U1.3", "X1.2"});
    if (!crystal.isEmpty()) {
      kit.line("x", PartKind.CRYSTAL, crystal, "crystal-low", new Model.Open(), "X1");
    }
    return kit.parts();
  }

  private static List<ImageProblem> problems(int word, @Nullable Long clockHz, String crystal) {
    ProgramImage image =
        new ProgramImage.Builder().add(0, new byte[] {1}).add(AT, new byte[] {(byte) word}).build();
    return ImageCheck.of(image, List.of(), target(clockHz), parts(crystal));
  }

  private static List<ImageProblem.Kind> kinds(int word, @Nullable Long clockHz, String crystal) {
    return problems(word, clockHz, crystal).stream().map(ImageProblem::kind).toList();
  }

  @Test
  void aCrystalThatTheBoardHasIsNoProblem() {
    assertThat(kinds(0x8f, 8_000_000L, "8M")).isEmpty();
    assertThat(kinds(0x82, 8_000_000L, "")).isEmpty();
    assertThat(kinds(0x8f, null, "20M")).as("of whose speed nothing is said").isEmpty();
  }

  @Test
  void aClockThatTheBoardDoesNotHaveIsOne() {
    assertThat(kinds(0x8f, 8_000_000L, "")).containsExactly(ImageProblem.Kind.CLOCK);
    assertThat(kinds(0x8f, 8_000_000L, "20M")).containsExactly(ImageProblem.Kind.CLOCK);
    assertThat(kinds(0x82, 1_000_000L, "8M")).containsExactly(ImageProblem.Kind.CLOCK);
    ImageProblem problem = problems(0x8f, 8_000_000L, "20M").getFirst();
    assertThat(Words.core(Locale.ENGLISH).say(problem.phrase()))
        .contains("the clock comes from the crystal")
        .contains("X1")
        .contains("0x820000")
        .contains("20")
        .contains("8");
  }

  @Test
  void aChipThatNobodyGetsIntoAgainIsOne() {
    assertThat(kinds(0x0f, 8_000_000L, "8M")).containsExactly(ImageProblem.Kind.LOCK);
    assertThat(Words.core(Locale.ENGLISH).say(problems(0x0f, null, "8M").getFirst().phrase()))
        .contains("the reset pin is an ordinary pin");
  }

  @Test
  void whatTheKitGivesNoMeaningIsNoProblemAndNotSaid() {
    assertThat(kinds(0x85, 8_000_000L, "8M")).isEmpty();
    List<ConfigCheck.Said> said =
        new ConfigCheck(target(null), parts("8M"))
            .said(new ProgramImage.Builder().add(AT, new byte[] {(byte) 0x85}).build());
    assertThat(said).hasSize(2);
    assertThat(said.getFirst().sentence()).isEmpty();
    assertThat(said.getLast().sentence()).contains("the reset pin resets");
  }

  @Test
  void anImageOfAnotherFamilyIsOne() {
    ProgramImage image = new ProgramImage.Builder().add(0, new byte[] {1}).build();
    assertThat(ImageCheck.of(image, List.of(0x1234L), target(null), parts("")))
        .extracting(ImageProblem::kind)
        .containsExactly(ImageProblem.Kind.FAMILY);
    assertThat(ImageCheck.of(image, List.of(0x68756d62L), target(null), parts(""))).isEmpty();
    assertThat(ImageCheck.of(image, List.of(), target(null), parts(""))).isEmpty();
  }
}
