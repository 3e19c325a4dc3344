package humble.desktop.intake;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.budget.Budget;
import humble.core.intake.Draft;
import humble.core.intake.Intake;
import humble.core.intake.SheetText;
import humble.core.kit.Line;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class GuidedTest {
  static Stream<Guided.Choice> choices() {
    return Guided.CHOICES.stream();
  }

  private static String entered(Guided.Choice choice, String pieces) {
    Guided guided = new Guided();
    assertThat(guided.answer(pieces, 1)).isNull();
    while (!guided.choice().equals(choice)) {
      guided.plus();
    }
    assertThat(guided.answer("", 1)).isNull();
    if (guided.ask() == Guided.Ask.VALUE) {
      assertThat(guided.answer("22", 1)).isNull();
    }
    return String.valueOf(guided.answer("", 7));
  }

  /**
   * What the keypad enters is read back as the kind that was chosen, without a doubt worth asking.
   */
  @ParameterizedTest
  @MethodSource("choices")
  void everyKindComesBackAsItWasChosen(Guided.Choice choice) {
    String line = entered(choice, "3");
    Draft draft =
        Intake.draft(
            "x", SheetText.read(line, "sheet", Budget.unlimited()).rows(), List.of(), Map.of());
    Line read = draft.kit().lines().getFirst();
    assertThat(read.kind()).as(line).isEqualTo(choice.kind());
    assertThat(read.supplied()).isEqualTo(3);
    assertThat(read.refs())
        .containsExactly(choice.letters() + 7, choice.letters() + 8, choice.letters() + 9);
  }

  @Test
  void oneNeedsNoRangeAndAPrefixOfItsOwnIsKept() {
    Guided guided = new Guided();
    guided.answer("", 1);
    guided.answer("", 1);
    assertThat(guided.prefix()).isEqualTo("k");
    guided.plus();
    assertThat(guided.prefix()).isEmpty();
    guided.answer("4,7k", 1);
    assertThat(guided.answer("12", 1)).isEqualTo("1 x 4.7k resistor R12");
  }
}
