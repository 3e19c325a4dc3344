package humble.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.budget.Budget;
import humble.core.kit.Finding;
import humble.core.kit.Line;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SheetTextTest {
  private static Draft draft(String text) {
    SheetText sheet = SheetText.read(text, "sheet", Budget.unlimited());
    return Intake.draft("Lantern", sheet.rows(), List.of(), Map.of());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          3 x 10k brown-black-orange R1 R4 R9            | 3 resistor 10k R1 R4 R9
          3x 10k, R1-R3                                  | 3 resistor 10k R1 R2 R3
          - 2 × 220 ohm (R2, R3)                         | 2 resistor 220ohm R2 R3
          [ ] R8 4k7 1/4W 5%                             | 1 resistor 4k7 R8
          R5: brown black red gold                       | 1 resistor 1k R5
          1. 100nF C1 and C2                             | 2 capacitor 100nF C1 C2
          1 47µF 16V electrolytic C3                     | 1 capacitor-polarised 47µF C3
          3 x red 5 mm LED LED1 - LED3                   | 3 led red 5mm LED LED1 LED2 LED3
          16 MHz crystal Y1                              | 1 crystal 16MHz Y1
          U1 HL-M28 microcontroller DIP-28 (1)           | 1 ic HL-M28 microcontroller DIP-28 U1
          """)
  void linesOfASheet(String text, String said) {
    Line line = draft(text).kit().lines().getFirst();
    assertThat(
            line.supplied()
                + " "
                + line.kind().text()
                + " "
                + line.value()
                + " "
                + String.join(" ", line.refs()))
        .isEqualTo(said);
  }

  @Test
  void aWordThatOnlyNamesTheKindIsNoValue() {
    Draft draft = draft("2 x LED LED1 LED2\n1 x NPN transistor Q1\n1 x red LED LED9\n");
    assertThat(draft.kit().lines()).extracting(Line::value).containsExactly("", "", "red LED");
  }

  @Test
  void headingsHelpTheLinesUnderThem() {
    Draft draft = draft("Capacitors\n2 x 104 C1 C2\n\nButtons:\nS1 S2\n");
    assertThat(draft.kit().lines())
        .extracting(line -> line.kind().text() + line.value())
        .containsExactly("capacitor100n", "button");
  }

  @Test
  void whatLiesBesideTheBoardIsLoose() {
    Draft draft = draft("2 x spacer M3\n1 USB cable\n");
    assertThat(draft.kit().lines()).extracting(Line::id).doesNotContain("spacer-m3");
    assertThat(draft.kit().loose())
        .extracting(item -> item.name() + " " + item.supplied())
        .contains("spacer M3 2");
  }

  @Test
  void bandsThatContradictTheValueAreSaid() {
    SheetText sheet =
        SheetText.read("3 x 4k7 brown-black-orange R1 R4 R9", "sheet", Budget.unlimited());
    Draft draft = Intake.draft("x", sheet.rows(), List.of(), Map.of());
    assertThat(draft.kit().lines().getFirst().value()).isEqualTo("4k7");
    assertThat(draft.problems())
        .extracting(Finding::text)
        .containsExactly(
            "brown-black-orange reads 10 kΩ, but the list says 4.7 kΩ; the list is followed.");
  }

  @Test
  void aLineWithoutAPartIsNamed() {
    SheetText sheet =
        SheetText.read(
            "Parts of the lantern, 2 sheets\n\nhello\n1 x 1k R1", "sheet", Budget.unlimited());
    assertThat(sheet.rows()).hasSize(1);
    assertThat(sheet.problems())
        .extracting(Finding::where)
        .containsExactly("sheet line 1", "sheet line 3");
  }

  @Property(tries = 300)
  void noTextMakesItFall(@ForAll String text) {
    SheetText sheet = SheetText.read(text, "sheet", Budget.unlimited());
    Draft draft = Intake.draft("x", sheet.rows(), List.of(), Map.of());
    assertThat(draft.kit().lines().size()).isLessThanOrEqualTo(sheet.rows().size());
  }
}
