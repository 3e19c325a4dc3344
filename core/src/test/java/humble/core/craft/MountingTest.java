package humble.core.craft;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Mount;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.words.Phrase;
import humble.core.words.Words;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How parts are held and how far off the board they sit. */
class MountingTest {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  private static Part part(PartKind kind, String pack, Mount mount, double standoff) {
    return KitMaker.kit()
        .line("x", kind, "", pack, null, "X1")
        .place("X1", Side.TOP, 20, 20, 0, mount, standoff, null)
        .parts()
        .get("X1");
  }

  @ParameterizedTest
  @CsvSource({
    "RESISTOR, axial-quarter-watt, FLUSH, BENT_LEADS",
    "CAPACITOR_POLARISED, radial-5x11, FLUSH, PUTTY",
    "LED, led-3, RAISED, SPACER",
    "SOCKET, socket-dip-28, FLUSH, CARD",
    "HEADER, header-1x6, FLUSH, TAPE",
    "BUTTON, tact-6, FLUSH, ITSELF",
    "CONNECTOR, usb-edge, FLUSH, TWEEZERS",
    "CONNECTOR, terminal-2, FLUSH, CLAMP"
  })
  void theWayToHoldFollowsFromLeadsAndHeight(PartKind kind, String pack, Mount mount, Hold hold) {
    assertThat(Hold.of(part(kind, pack, mount, 3))).isEqualTo(hold);
  }

  @Test
  void aPartWithAMateIsHeldByIt() {
    Parts parts =
        KitMaker.kit()
            .line("h", PartKind.HEADER, "", "header-1x6", null, "J1")
            .line("r", PartKind.HEADER, "", "receptacle-1x6", null, "J2")
            .place("J2", 20, 20)
            .held("J1", 20, 20, "J2")
            .parts();
    assertThat(Hold.of(parts.get("J1"))).isEqualTo(Hold.MATE);
  }

  @Test
  void aResistorThatGetsHotByTheCircuitStandsOff() {
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "100")
            .resistor("R2", "10k")
            .place("R1", 10, 10)
            .place("R2", 10, 20)
            .net("5V", "R1.1", "R2.1")
            .net("GND", "R1.2", "R2.2")
            .supply("usb", 5, 500, "5V", "GND")
            .state("on", "usb")
            .parts();
    var watts = Heat.watts(parts);
    // 5 V across 100 Ω is a quarter of a watt, all that such a resistor bears.
    assertThat(watts.get("R1")).isCloseTo(0.25, org.assertj.core.data.Percentage.withPercentage(1));
    StandOff hot = StandOff.of(parts.get("R1"), watts.get("R1"));
    StandOff cool = StandOff.of(parts.get("R2"), watts.get("R2"));
    assertThat(hot.raised()).isTrue();
    assertThat(hot.because().key()).isEqualTo("craft.stand.raised.hot");
    assertThat(cool.raised()).isFalse();
    assertThat(cool.otherSchool().key()).isEqualTo("craft.stand.other.raised");
  }

  @Test
  void nothingIsRaisedWhereItsPlaceIsTooLow() {
    Place low =
        new Place(
            "R1",
            "main",
            Side.TOP,
            new PointMm(10, 10),
            0,
            Mount.FLUSH,
            0,
            4.0,
            null,
            null,
            null,
            List.of(),
            List.of(),
            0,
            1);
    Part part = KitMaker.kit().resistor("R1", "100").place(low).parts().get("R1");
    assertThat(StandOff.of(part, 0.25).raised()).isFalse();
  }

  @Test
  void everySentenceIsThere() {
    Stream<Phrase> holds = Stream.of(Hold.values()).map(Hold::how);
    Stream<Phrase> stands =
        Stream.of(Mount.values())
            .map(mount -> StandOff.of(part(PartKind.RESISTOR, "axial-quarter-watt", mount, 2), 0))
            .flatMap(s -> Stream.of(s.how(), s.because(), s.otherSchool()));
    List<Phrase> all = Stream.concat(holds, stands).toList();
    assertThat(all).allSatisfy(phrase -> assertThat(WORDS.say(phrase)).endsWith("."));
  }
}
