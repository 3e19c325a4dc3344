package humble.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.budget.Budget;
import humble.core.kit.Finding;
import humble.core.kit.KitOption;
import humble.core.kit.Line;
import humble.core.kit.Loose;
import humble.core.kit.Model;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Lists as paper sheets have them, each form once as it was met and again as a variant of it. */
class PaperSheetTest {
  private static Draft draft(String text) {
    SheetText sheet = SheetText.read(text, "sheet", Budget.unlimited());
    return Intake.draft("Lantern", sheet.rows(), List.of(), Map.of());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          1 x BC907 transistor Q1             | 1 transistor-npn BC907 half-round-3 Q1
          2 x BC997, Q3 Q4                    | 2 transistor-npn BC997 half-round-3 Q3 Q4
          1 x XQ955 timer IC1                 | 1 ic XQ955 timer dip-8 IC1
          IC7: XQ955 timer                    | 1 ic XQ955 timer dip-8 IC7
          28 pin controller U1                | 1 ic 28-pin controller dip-28 U1
          U3 40-pin processor                 | 1 ic 40-pin processor dip-40-wide U3
          28 pin socket for U1                | 1 socket 28-pin socket socket-dip-28 XU1
          1 x 16 way DIL socket for IC3       | 1 socket 16-pin DIL socket socket-dip-16 XIC3
          2 x 8-pin sockets for U4 and U5     | 2 socket 8-pin sockets socket-dip-8 XU4 XU5
          4 pin header J2                     | 1 header 4-pin header header-1x4 J2
          J9 6-way pin header                 | 1 header 6-pin header header-1x6 J9
          8 way socket strip J3               | 1 header 8-pin socket strip receptacle-1x8 J3
          J4 female header 10 pos             | 1 header female header 10-pin receptacle-1x10 J4
          R1,2,4,6 1k 1%                      | 4 resistor 1k axial-quarter-watt R1 R2 R4 R6
          R5/6/8 330R                         | 3 resistor 330R axial-quarter-watt R5 R6 R8
          C1, 2, 5 100nF                      | 3 capacitor 100nF disc-5 C1 C2 C5
          R1, 47 ohm                          | 1 resistor 47ohm axial-quarter-watt R1
          RN2, RN5 10k network 9 pin          | 2 resistor-network 10k sip-9 RN2 RN5
          RN1 4k7 resistor array 5-pin        | 1 resistor-network 4k7 sip-5 RN1
          1 microfarad capacitor C60          | 1 capacitor-polarised 1uF radial-5x11 C60
          C13 100 nanofarad                   | 1 capacitor 100nF disc-5 C13
          10 kilohm R45                       | 1 resistor 10kohm axial-quarter-watt R45
          R44 2.2 meg                         | 1 resistor 2.2M axial-quarter-watt R44
          R 9 100 ohm                         | 1 resistor 100ohm axial-quarter-watt R9
          C 12 22 uF 25V                      | 1 capacitor-polarised 22uF radial-5x11 C12
          C7 100NF                            | 1 capacitor 100nF disc-5 C7
          X1 16 MHZ                           | 1 crystal 16MHz crystal-low X1
          R8 4 700 ohm                   | 1 resistor 4700ohm axial-quarter-watt R8
          R8 10 000 ohm                  | 1 resistor 10000ohm axial-quarter-watt R8
          1 x 4.7 electrolytic C61            | 1 capacitor-polarised 4.7u radial-5x11 C61
          C62 electrolytic 47                 | 1 capacitor-polarised 47u radial-5x11 C62
          2 x 10k for R1, R2                  | 2 resistor 10k axial-quarter-watt R1 R2
          R9 10k pull-up for U1               | 1 resistor 10k axial-quarter-watt R9
          D1 1N9748                           | 1 diode 1N9748 axial-small-glass D1
          IC2 XX7805 regulator                | 1 regulator XX7805 tab-3-upright IC2
          U7 78L05                            | 1 regulator 78L05 half-round-3 U7
          U8 74HC9595 DIP-16                  | 1 ic 74HC9595 dip-16 U8
          """)
  void aLineOfASheet(String text, String said) {
    Draft draft = draft(text);
    assertThat(draft.kit().lines()).as("%s", draft.problems()).hasSize(1);
    Line line = draft.kit().lines().getFirst();
    assertThat(
            line.supplied()
                + " "
                + line.kind().text()
                + " "
                + line.value()
                + " "
                + line.packageId()
                + " "
                + String.join(" ", line.refs()))
        .isEqualTo(said);
    assertThat(draft.problems()).noneMatch(Finding::isError);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          supply (not included)              | supply 0 1
          2 x cells, not supplied            | cells 0 2
          1 USB cable - not in the box       | USB cable 0 1
          1 x heatsink for U2                | heatsink for U2 1 1
          4 off M3 x 10 screws               | M3 x 10 screws 4 4
          """)
  void whatLiesBesideTheBoard(String text, String said) {
    List<Loose> loose = draft(text + "\n1 x 1k R1").kit().loose();
    assertThat(loose)
        .extracting(item -> item.name() + " " + item.supplied() + " " + item.needed())
        .containsExactly(said);
  }

  @Test
  void theFirstLineIsTheNameAndBagsHoldForWhatFollows() {
    SheetText sheet =
        SheetText.read(
            "Harbour Lantern mk 2\n\nBag 1\nR1 1k\nR2 2k2\nPacket B: capacitors\nC1 104\n"
                + "Bag 3: 2 x 10k R7 R8\n",
            "s",
            Budget.unlimited());
    assertThat(sheet.title()).isEqualTo("Harbour Lantern mk 2");
    assertThat(Intake.draft("x", sheet.rows(), List.of(), Map.of()).kit().lines())
        .extracting(line -> line.bag() + " " + line.kind().text() + " " + line.refs())
        .containsExactly(
            "1 resistor [R1]", "1 resistor [R2]", "B capacitor [C1]", "3 resistor [R7, R8]");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "R9 4k7 only for the quiet version",
        "R9 4k7 (only in the quiet variant)",
        "R9 4k7, quiet version only",
        "1 x 4k7 R9 fitted only for the quiet model"
      })
  void whatOnlyOneVersionHasIsAChoice(String text) {
    Draft draft = draft("R1 1k\n" + text);
    KitOption option = draft.kit().options().getFirst();
    assertThat(option.choice("quiet").orElseThrow().fit()).containsExactly("R9");
    assertThat(option.choice(option.defaultChoice()).orElseThrow().fit()).isEmpty();
    assertThat(draft.kit().lines().getLast().value()).isEqualTo("4k7");
    assertThat(draft.guesses()).anyMatch(guess -> guess.line().equals("options"));
  }

  @Test
  void aVersionThatIsEverybodysOrNobodysIsNoChoice() {
    Draft all = draft("R1 1k only for the quiet version\nR2 2k only for the quiet version");
    assertThat(all.kit().options()).isEmpty();
    assertThat(all.problems()).anyMatch(p -> p.text().contains("all of them are fitted"));
    Draft none = draft("R1 1k\n2 x 47k resistor only for the quiet version");
    assertThat(none.kit().options()).isEmpty();
    assertThat(none.problems()).anyMatch(p -> p.text().contains("no choice can be made"));
  }

  @Test
  void morePiecesThanPlacesIsSaidAndFewerToo() {
    assertThat(draft("3 x 47k R20 R21").problems())
        .singleElement()
        .satisfies(p -> {
          assertThat(p.level()).isEqualTo(Finding.Level.NOTE);
          assertThat(p.text()).contains("a designator may be missing");
        });
    assertThat(draft("1 x 47k R20 R21").problems())
        .singleElement()
        .satisfies(p -> assertThat(p.level()).isEqualTo(Finding.Level.WARNING));
    assertThat(draft("2 x 47k R20 R21").problems()).isEmpty();
  }

  @Test
  void noWordOfALineIsDropped() {
    for (String text :
        List.of("1 x XQ955 timer IC1 with dimple", "R1 1k matched pair", "4 pin header J2 gold")) {
      SheetText sheet = SheetText.read(text, "s", Budget.unlimited());
      String all = String.join(" ", sheet.rows().getFirst().cells().values());
      for (String word : text.replaceAll("^1 x ", "").replace("4 pin", "4-pin").split(" ")) {
        assertThat(all).contains(word);
      }
    }
  }

  // ---- models ----------------------------------------------------------------------------

  private static Line only(String text) {
    return draft(text).kit().lines().getFirst();
  }

  private static String key(Draft draft, String key) {
    return draft.guesses().stream()
        .filter(guess -> guess.key().equals(key))
        .map(guess -> guess.value() + " " + guess.confidence())
        .findFirst()
        .orElse("");
  }

  @ParameterizedTest
  @CsvSource({
    "Q1 BC907, c b e 0.75",
    "Q1 2N9904, e b c 0.75",
    "Q1 2SC9815, e c b 0.75",
    "Q1 NPN transistor, c b e 0.5"
  })
  void theOrderOfThreeLegsIsThatOfTheRegisterAndIsAsked(String text, String said) {
    Draft draft = draft(text);
    assertThat(key(draft, "pin_order")).isEqualTo(said);
    assertThat(draft.guesses())
        .filteredOn(guess -> guess.key().equals("pin_order"))
        .allSatisfy(guess -> assertThat(guess.others()).hasSizeGreaterThan(1));
    Model.Bipolar model = (Model.Bipolar) draft.kit().lines().getFirst().model();
    String[] legs = said.split(" ");
    assertThat(legs[Integer.parseInt(model.c()) - 1]).isEqualTo("c");
    assertThat(legs[Integer.parseInt(model.e()) - 1]).isEqualTo("e");
  }

  @Test
  void aLightDropsWhatItsColourDoes() {
    assertThat(((Model.Junction) only("LED1 red 5 mm LED").model()).vfV()).isEqualTo(1.9);
    assertThat(((Model.Junction) only("LED1 blaue LED blau").model()).vfV()).isEqualTo(3.1);
    assertThat(only("LED1 red 5 mm LED").particulars().colour()).isEqualTo("red");
    assertThat(only("LED1 LED").model()).isNull();
    assertThat(key(draft("LED1 green LED"), "vf_v")).isEqualTo("2.1 0.6");
  }

  @Test
  void whatIsDecidedInAReviewReachesTheModel() {
    SheetText sheet = SheetText.read("LED1 green LED", "s", Budget.unlimited());
    Review review = new Review("x", sheet.rows(), List.of(), Map.of());
    Question volts =
        review.open().stream().filter(q -> q.key().equals("vf_v")).findFirst().orElseThrow();
    review.decide(volts, volts.others().getFirst());
    assertThat(((Model.Junction) review.draft().kit().lines().getFirst().model()).vfV())
        .isEqualTo(3.1);
    assertThat(review.open()).noneMatch(q -> q.key().equals("vf_v"));
  }

  @ParameterizedTest
  @CsvSource({
    "D1 BZX95C5V1, 5.1",
    "D1 BZX95-C3V3, 3.3",
    "D1 zener 5V1, 5.1",
    "ZD1 4.7 V zener diode, 4.7",
    "D1 BZY98-C12V, 12.0"
  })
  void aZenerBreaksWhereItsNumberSays(String text, double volts) {
    assertThat(only(text).kind().text()).isEqualTo("zener");
    assertThat(((Model.Zener) only(text).model()).vzV()).isEqualTo(volts);
  }

  @Test
  void aRegulatorGivesWhatItsNumberSays() {
    Model.Regulator tab = (Model.Regulator) only("U2 XX7809 regulator").model();
    assertThat(tab.voutV()).isEqualTo(9);
    assertThat(tab.in() + tab.gnd() + tab.out()).isEqualTo("123");
    Model.Regulator small = (Model.Regulator) only("U2 78L05").model();
    assertThat(small.in() + small.gnd() + small.out()).isEqualTo("321");
    assertThat(((Model.Regulator) only("U2 QQ1217-3.3 regulator TO-220").model()).voutV())
        .isEqualTo(3.3);
    // Nothing reckons below ground: better no model than a wrong one.
    assertThat(only("U2 XX7905 regulator").model()).isNull();
  }

  @Test
  void logicIsFedAtItsCornersWhereItsPinsAreKnown() {
    Model.Load load = (Model.Load) only("U8 74HC9595 DIP-16").model();
    assertThat(load.plus() + " " + load.minus()).isEqualTo("16 8");
    assertThat(only("U8 74HC9595").model()).isNull();
    assertThat(only("U8 controller DIP-28").model()).isNull();
  }

  @ParameterizedTest
  @ValueSource(strings = {"1000", "C104", "2N2", "BATTERY", "ABLE12", "74", "M3", "HC49", "10k"})
  void otherWordsFollowNoScheme(String word) {
    assertThat(TypeNumber.of(word)).isEmpty();
  }
}
