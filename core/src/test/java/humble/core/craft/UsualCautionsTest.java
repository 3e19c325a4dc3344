package humble.core.craft;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Caution;
import humble.core.kit.Kit;
import humble.core.kit.PartKind;
import humble.core.words.Words;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;

/** What is minded with a kit of which nobody wrote anything. */
class UsualCautionsTest {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  private static List<String> at(Kit kit, String stage) {
    return UsualCautions.given(kit, List.of(), WORDS).cautions().stream()
        .filter(caution -> caution.at().equals(stage))
        .map(Caution::text)
        .toList();
  }

  @Test
  void eachFollowsFromWhatIsInTheList() {
    Kit plain = KitMaker.kit().resistor("R1", "1k").make();
    assertThat(at(plain, "fit")).hasSize(2);
    assertThat(at(plain, "wake")).isEmpty();
    assertThat(at(plain, "close")).isEmpty();
    Kit much =
        KitMaker.kit()
            .line("c", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C1")
            .line("b", PartKind.BATTERY_HOLDER, "", "coin-holder", null, "BT1")
            .line("l", PartKind.LASER, "", "led-5", null, "LD1")
            .line("u", PartKind.IC, "x", "dip-8", null, "U1")
            .make();
    assertThat(at(much, "power")).hasSize(3).anyMatch(text -> text.contains("burst"));
    assertThat(at(much, "wake")).hasSize(2).anyMatch(text -> text.contains("beam"));
    assertThat(at(much, "close")).singleElement().asString().contains("cell");
    assertThat(at(much, "unpack")).singleElement().asString().contains("grounded");
    assertThat(UsualCautions.given(much, List.of(), WORDS).cautions())
        .as("none of them calls anything harmless, none stops the work")
        .allMatch(caution -> caution.level() != Caution.Level.STOP)
        .noneMatch(caution -> caution.text().contains("safe"));
  }

  @Test
  void whatTheAuthorWroteStandsAlone() {
    Kit own = KitMaker.kit().resistor("R1", "1k").caution("R1", "mine").make();
    assertThat(UsualCautions.given(own, List.of("mains"), WORDS)).isEqualTo(own);
    Kit empty = KitMaker.kit().make();
    assertThat(UsualCautions.given(empty, List.of(), WORDS).cautions()).isEmpty();
  }

  @Test
  void whatTheThingDoesToOthersIsAPlaceToStop() {
    Kit plain = KitMaker.kit().resistor("R1", "1k").make();
    for (OthersDanger danger : OthersDanger.values()) {
      List<Caution> stops =
          UsualCautions.given(plain, List.of(danger.text()), WORDS).cautions().stream()
              .filter(caution -> caution.level() == Caution.Level.STOP)
              .toList();
      assertThat(stops).as(danger.text()).isNotEmpty();
      assertThat(stops)
          .allSatisfy(
              caution -> assertThat(caution.text()).containsAnyOf("qualified", "licence", "law"));
    }
    assertThat(UsualCautions.given(plain, List.of("a word of another version"), WORDS).cautions())
        .filteredOn(caution -> caution.level() == Caution.Level.STOP)
        .singleElement()
        .satisfies(caution -> assertThat(caution.text()).contains("a word of another version"));
  }

  @Test
  void severalStopsAtOnePlaceAreAcknowledgedOneByOne() {
    Kit plain = KitMaker.kit().resistor("R1", "1k").make();
    List<Caution> all = UsualCautions.given(plain, List.of("vehicle", "mains"), WORDS).cautions();
    Stop first = Stop.open(all, List.of("power"), List.of()).orElseThrow();
    assertThat(first.key()).isEqualTo("power");
    assertThat(first.caution().text()).contains("vehicle");
    Stop second = Stop.open(all, List.of("power"), List.of(first.key())).orElseThrow();
    assertThat(second.key()).isEqualTo("power#2");
    assertThat(second.caution().text()).contains("mains");
    assertThat(Stop.open(all, List.of("power"), List.of("power", "power#2"))).isEmpty();
    assertThat(Stop.open(all, List.of("fit"), List.of())).isEmpty();
  }
}
