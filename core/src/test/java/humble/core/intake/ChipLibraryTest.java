package humble.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Where a chip is fed is asked once and known for the next kit. */
class ChipLibraryTest {
  private static final List<PartRow> LIST =
      List.of(
          new PartRow(
              "line 1",
              Map.of(
                  Column.REFS, "U1",
                  Column.VALUE, "HL-T8",
                  Column.DESCRIPTION, "timer chip",
                  Column.PACKAGE, "DIP-8")));

  private static Kit kit(String plus, String minus) {
    return KitMaker.kit()
        .line(
            "t", PartKind.IC, "hl t8", "dip-8", new Model.Load(plus, minus, 7, 2.5, Map.of()), "U7")
        .make();
  }

  private static Draft draft(ChipLibrary chips) {
    return Intake.draft("x", LIST, List.of(), Map.of(), BoardFacts.NONE, chips);
  }

  private static Line chip(Draft draft) {
    return draft.kit().lines().getFirst();
  }

  @Test
  void nobodySaidItAndSoItIsAskedAndNotReckonedWith() {
    Review review = new Review("x", LIST, List.of(), Map.of());
    assertThat(chip(review.draft()).model()).isNull();
    Question question =
        review.open().stream().filter(q -> q.key().equals("supply_pins")).findFirst().orElseThrow();
    assertThat(question.confidence()).isLessThan(Review.SURE);
    assertThat(question.others()).contains("8 1");
    review.decide(question, question.value());
    assertThat(chip(review.draft()).model())
        .isInstanceOfSatisfying(
            Model.Load.class,
            load -> {
              assertThat(load.plus()).isEqualTo("8");
              assertThat(load.minus()).isEqualTo("4");
            });
    assertThat(review.open()).noneMatch(q -> q.key().equals("supply_pins"));
  }

  @Test
  void whereNobodySaysHowManyPinsThereAreNoPinOfItIsNamed() {
    for (String words : List.of("sensor chip", "3-pin sensor chip")) {
      PartRow row =
          new PartRow(
              "line 1",
              Map.of(Column.REFS, "U1", Column.VALUE, "HL-S1", Column.DESCRIPTION, words));
      Review review = new Review("x", List.of(row), List.of(), Map.of());
      assertThat(chip(review.draft()).kind()).isEqualTo(PartKind.IC);
      assertThat(review.open()).extracting(Question::key).contains("package");
      assertThat(review.open()).extracting(Question::key).doesNotContain("supply_pins");
    }
  }

  @Test
  void aKitThatTellsItIsAskedInsteadWithAllItTells() {
    ChipLibrary chips = ChipLibrary.of(List.of(kit("8", "1")));
    Draft draft = draft(chips);
    assertThat(chip(draft).model()).isEqualTo(new Model.Load("8", "1", 7, 2.5, Map.of()));
    assertThat(draft.guesses())
        .filteredOn(guess -> guess.key().equals("supply_pins"))
        .singleElement()
        .satisfies(guess -> {
          assertThat(guess.value()).isEqualTo("8 1");
          assertThat(guess.confidence()).isGreaterThan(Review.SURE);
        });
  }

  @Test
  void twoKitsThatSayDifferentThingsAndAnotherSizeSayNothing() {
    assertThat(chip(draft(ChipLibrary.of(List.of(kit("8", "1"), kit("8", "4"))))).model()).isNull();
    assertThat(chip(draft(ChipLibrary.of(List.of(kit("8", "1"), kit("8", "1"))))).model())
        .isNotNull();
    Kit wide =
        KitMaker.kit()
            .line(
                "t",
                PartKind.IC,
                "HL-T8",
                "dip-14",
                new Model.Load("14", "7", 7, 2.5, Map.of()),
                "U7")
            .make();
    assertThat(chip(draft(ChipLibrary.of(List.of(wide)))).model()).isNull();
    assertThat(ChipLibrary.NONE.size()).isZero();
  }

  @Test
  void theListItselfGoesBeforeWhatIsRemembered() {
    PartRow said =
        new PartRow(
            "line 1",
            Map.of(
                Column.REFS, "U1",
                Column.VALUE, "HL-T8",
                Column.DESCRIPTION, "timer chip",
                Column.PACKAGE, "DIP-8",
                Column.SUPPLY_PINS, "1 8"));
    Draft draft =
        Intake.draft(
            "x",
            List.of(said),
            List.of(),
            Map.of(),
            BoardFacts.NONE,
            ChipLibrary.of(List.of(kit("8", "1"))));
    assertThat(chip(draft).model())
        .isInstanceOfSatisfying(Model.Load.class, l -> assertThat(l.plus()).isEqualTo("1"));
  }
}
