package humble.core.orient;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.Board;
import humble.core.kit.Harm;
import humble.core.kit.Model;
import humble.core.kit.Mount;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.words.Words;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OrientTest {
  private static final Board BOARD = new Board("main", "A", 80, 60, 1.6, List.of(), Map.of());
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  @ParameterizedTest
  @CsvSource({
    "TOP,0,10,20", "TOP,90,40,10", "TOP,180,70,40", "TOP,270,20,70",
    "BOTTOM,0,70,20", "BOTTOM,90,40,70", "BOTTOM,180,10,40", "BOTTOM,270,20,10"
  })
  void aPointIsSeenWhereTheBoardPutsIt(Side side, int turn, double x, double y) {
    assertThat(new BoardView(BOARD, side, turn).seen(new PointMm(10, 20)))
        .isEqualTo(new PointMm(x, y));
  }

  @Property
  void theLowerLeftOfWhatIsSeenIsTheOrigin(
      @ForAll @DoubleRange(min = 0, max = 80) double x,
      @ForAll @DoubleRange(min = 0, max = 60) double y,
      @ForAll @IntRange(min = 0, max = 3) int quarters,
      @ForAll Side side) {
    BoardView view = new BoardView(BOARD, side, quarters * 90);
    PointMm seen = view.seen(new PointMm(x, y));
    assertThat(seen.xMm()).isBetween(-1e-9, view.widthMm() + 1e-9);
    assertThat(seen.yMm()).isBetween(-1e-9, view.heightMm() + 1e-9);
  }

  @Test
  void fourTurnsAndTwoFlipsComeBack() {
    BoardView view = new BoardView(BOARD, Side.TOP, 0);
    assertThat(view.turned().turned().turned().turned()).isEqualTo(view);
    assertThat(view.flipped().flipped()).isEqualTo(view);
  }

  private static Parts withLed(double x, double y, double turn) {
    return KitMaker.kit()
        .line("led", PartKind.LED, "", "led-3", null, "LED1")
        .line("jack", PartKind.CONNECTOR, "", "jack-barrel", null, "J1")
        .place("LED1", Side.TOP, x, y, turn, Mount.FLUSH, 0, null)
        .place("J1", 40, 5)
        .net("A", "LED1.a")
        .net("K", "LED1.k")
        .parts();
  }

  @ParameterizedTest
  @CsvSource({
    "0,TOP,9,left",
    "90,TOP,6,towards",
    "180,TOP,3,right",
    "270,TOP,12,away",
    "0,BOTTOM,3,right",
    "90,BOTTOM,6,towards"
  })
  void pinOneIsAnHourAndADirection(double turn, Side side, double clock, String points) {
    Pin1 pin1 = Pin1.of(withLed(40, 30, turn), "LED1", new BoardView(BOARD, side, 0)).orElseThrow();
    assertThat(pin1.clock()).isEqualTo(clock);
    assertThat(pin1.points()).isEqualTo(points);
    assertThat(pin1.pins()).extracting(Pin1.SeenPin::net).containsExactly("K", "A");
  }

  @Test
  void theNearestUnmistakableThingThatWayIsTheLandmark() {
    Pin1 pin1 =
        Pin1.of(withLed(40, 30, 90), "LED1", new BoardView(BOARD, Side.TOP, 0)).orElseThrow();
    assertThat(pin1.landmark().ref()).isEqualTo("J1");
    assertThat(WORDS.say(pin1.landmark().phrase())).contains("J1");
  }

  @Test
  void withNothingThatWayTheEdgeIsTheLandmark() {
    Pin1 pin1 =
        Pin1.of(withLed(40, 30, 0), "LED1", new BoardView(BOARD, Side.TOP, 0)).orElseThrow();
    assertThat(pin1.landmark().ref()).isNull();
    assertThat(pin1.landmark().at()).isEqualTo(new PointMm(0, 30));
    assertThat(WORDS.say(pin1.landmark().phrase())).isEqualTo("towards the left edge");
  }

  @Property
  void turningTheBoardTurnsTheHour(@ForAll @IntRange(min = 0, max = 3) int quarters) {
    Parts parts = withLed(40, 30, 0);
    double at0 = Pin1.of(parts, "LED1", new BoardView(BOARD, Side.TOP, 0)).orElseThrow().clock();
    double turned =
        Pin1.of(parts, "LED1", new BoardView(BOARD, Side.TOP, quarters * 90)).orElseThrow().clock();
    assertThat((turned + 3.0 * quarters - at0 + 24) % 12).isCloseTo(0, within(1e-9));
  }

  @Test
  void aPartWithoutAPlaceHasNoPinOne() {
    Parts parts = KitMaker.kit().resistor("R1", "1k").parts();
    assertThat(Pin1.of(parts, "R1", new BoardView(BOARD, Side.TOP, 0))).isEmpty();
    assertThat(Pin1.of(parts, "R2", new BoardView(BOARD, Side.TOP, 0))).isEmpty();
  }

  @Test
  void aReversedElectrolyticIsDangerAndAReversedResistorIsNot() {
    Parts parts =
        KitMaker.kit()
            .line("c", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C1")
            .line("u", PartKind.IC, "", "dip-8", null, "U1")
            .line("d", PartKind.LED, "", "led-3", null, "LED1")
            .line("b", PartKind.BUZZER, "", "buzzer-12", new Model.Resistor(100), "BZ1")
            .line("b2", PartKind.BUZZER, "", "buzzer-12", null, "BZ2")
            .resistor("R1", "1k")
            .parts();
    assertThat(Harm.ifReversed(parts.get("C1"))).isEqualTo(Harm.DANGER);
    assertThat(Harm.ifReversed(parts.get("U1"))).isEqualTo(Harm.DAMAGE);
    assertThat(Harm.ifReversed(parts.get("LED1"))).isEqualTo(Harm.DEAD);
    assertThat(Harm.ifReversed(parts.get("BZ1"))).isEqualTo(Harm.HARMLESS);
    assertThat(Harm.ifReversed(parts.get("BZ2"))).isEqualTo(Harm.DEAD);
    assertThat(Harm.ifReversed(parts.get("R1"))).isEqualTo(Harm.HARMLESS);
    assertThat(Harm.DANGER.needsTwoMarks()).isTrue();
    assertThat(Harm.DAMAGE.needsTwoMarks()).isTrue();
    assertThat(Harm.DEAD.needsTwoMarks()).isFalse();
  }
}
