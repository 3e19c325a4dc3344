package humble.core.host;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Aged;
import humble.core.kit.Board;
import humble.core.kit.HostWork;
import humble.core.kit.Kit;
import humble.core.kit.KitCheck;
import humble.core.kit.PartKind;
import humble.core.kit.Particulars;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Ratings;
import humble.core.kit.Side;
import humble.core.kit.WireRun;
import humble.core.route.Planner;
import humble.core.route.School;
import humble.core.route.Step;
import humble.core.words.Words;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A board that was there before the kit. */
class HostTest {
  private static final Words WORDS = Words.core(Locale.ENGLISH);
  private static final Particulars HOST = of(Particulars.Soldered.HOST, false, null);
  private static final Particulars OFF = of(Particulars.Soldered.HOST, true, null);
  private static final Aged OLD = new Aged("100u", new Ratings(16.0, 85.0), 6.3, 11.0, 2.5, false);

  private static Particulars of(Particulars.Soldered soldered, boolean off, Aged aged) {
    return new Particulars(
        false, "", false, Particulars.Method.IRON, soldered, off, new Ratings(25.0, 105.0), aged);
  }

  private static KitMaker maker() {
    return KitMaker.kit()
        .particular("plug", PartKind.CONNECTOR, "", "header-1x4", HOST, "J7")
        .particular("out", PartKind.RESISTOR, "2k2", "axial-quarter-watt", OFF, "R14")
        .particular("stays", PartKind.RESISTOR, "1k", "axial-quarter-watt", HOST, "R15")
        .particular(
            "new",
            PartKind.CAPACITOR_POLARISED,
            "100u",
            "radial-6x11",
            of(Particulars.Soldered.NOT_YET, false, OLD),
            "C4")
        .resistor("R1", "4k7")
        .place("J7", 10, 30)
        .place("R14", 30, 30)
        .place("R15", 50, 30)
        .place("C4", 30, 50)
        .place("R1", 50, 10)
        .net("A", "R14.1", "R15.1", "C4.1", "R1.1")
        .net("B", "R14.2", "C4.2")
        .net("C", "R15.2", "R1.2", "J7.1");
  }

  private static Kit onHost(KitMaker maker, boolean coated) {
    Kit kit = maker.make();
    Board main = kit.boards().getFirst();
    return kit.withBoards(
        List.of(new Board(main.id(), "TG", 80, 60, 1.6, main.outline(), Map.of(), true, coated)));
  }

  private static Parts host() {
    return Parts.of(onHost(maker(), true));
  }

  private static Board board(Parts parts) {
    return parts.kit().boards().getFirst();
  }

  @Test
  void everySpotIsAskedForOnceWithWhatShouldBeThere() {
    List<HostSurvey.Spot> spots = HostSurvey.of(host());
    assertThat(spots)
        .extracting(HostSurvey.Spot::ref)
        .containsExactly("C4", "J7", "R14", "R15", "R1");
    assertThat(spots)
        .extracting(HostSurvey.Spot::expected)
        .containsExactly(Found.THERE, Found.THERE, Found.THERE, Found.THERE, Found.EMPTY);
    assertThat(HostSurvey.of(maker().parts())).as("a bare board is no host").isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "C4, EMPTY, holes still",
    "R15, EMPTY, reckoned without it",
    "R15, BURNT, took too much",
    "R1, THERE, comes off first",
    "R1, BURNT, pads may come off",
    "R1, EMPTY, ''",
    "R15, THERE, ''"
  })
  void whatIsFoundOtherwiseHasASentence(String ref, Found found, String says) {
    Parts parts = host();
    HostSurvey.Spot spot =
        HostSurvey.of(parts).stream().filter(s -> s.ref().equals(ref)).findFirst().orElseThrow();
    String follows =
        String.join(" ", HostSurvey.follows(parts, spot, found).stream().map(WORDS::say).toList());
    if (says.isEmpty()) {
      assertThat(follows).isEmpty();
    } else {
      assertThat(follows).contains(says);
    }
  }

  @Test
  void onlyPartsOfTheHostCanBeMissing() {
    Map<String, Found> found =
        Map.of("R15", Found.EMPTY, "R1", Found.EMPTY, "J7", Found.THERE, "Q99", Found.EMPTY);
    assertThat(HostSurvey.missing(host(), found)).containsExactly("R15");
  }

  @Test
  void everyHoleThatSomethingLeavesOrEntersIsSeenTo() {
    Parts parts = host();
    List<HoleToClear> holes =
        HoleToClear.of(
            parts,
            board(parts),
            Set.of(),
            Map.of("C4.1", HoleState.OPEN, "C4.2", HoleState.FILLED, "R1.1", HoleState.LIFTED));
    assertThat(holes)
        .extracting(hole -> hole.pin().toString())
        .containsExactly("C4.1", "C4.2", "R1.1", "R1.2", "R14.1", "R14.2");
    assertThat(holes.stream().filter(HoleToClear::isLeft))
        .extracting(hole -> hole.pin().toString())
        .as("nobody looked at R1.2: it is not taken to be open")
        .containsExactly("C4.2", "R1.2", "R14.1", "R14.2");
    assertThat(HoleToClear.of(parts, board(parts), Set.of("R1"), Map.of()))
        .noneMatch(hole -> hole.pin().ref().equals("R1"));
  }

  @Test
  void aLeadWithoutAPadGoesToTheNearestPadOfItsNet() {
    Parts parts = host();
    HoleToClear hole =
        HoleToClear.of(parts, board(parts), Set.of(), Map.of()).stream()
            .filter(h -> h.pin().equals(new PinRef("R1", "1")))
            .findFirst()
            .orElseThrow();
    double nearest = Double.POSITIVE_INFINITY;
    String to = "";
    for (String other : List.of("R14.1", "R15.1", "C4.1")) {
      double mm =
          parts.padAt(PinRef.parse(other).orElseThrow()).orElseThrow().distanceMm(hole.at());
      if (mm < nearest) {
        nearest = mm;
        to = other;
      }
    }
    assertThat(WORDS.say(hole.detour(parts))).contains(to, Long.toString(Math.round(nearest)));
    HoleToClear alone = new HoleToClear(new PinRef("J7", "4"), hole.at(), Optional.empty());
    assertThat(WORDS.say(alone.detour(parts))).contains("not known");
  }

  @Test
  void clearingComesBeforeFittingAndTheCoatLast() throws Exception {
    Parts parts = host();
    List<Step> steps = Planner.plan(parts, School.LOW, Map.of(), 0, Set.of()).steps();
    List<String> ids = steps.stream().map(Step::id).toList();
    assertThat(ids).containsExactlyInAnyOrder("clear:main", "fit:R1", "fit:C4", "recoat:main");
    assertThat(ids.getFirst()).isEqualTo("clear:main");
    assertThat(ids.getLast()).isEqualTo("recoat:main");
    assertThat(KitCheck.of(parts.kit())).noneMatch(f -> f.toString().contains("clear:"));
  }

  @Test
  void aKitWithACoatOfItsOwnAndABoardThatIsNotCoatedGetNone() {
    Kit own = onHost(maker().task("coat", "coat", List.of("soldering"), List.of()), true);
    assertThat(own.allTasks()).extracting(task -> task.id()).containsExactly("coat", "clear:main");
    Kit plain = onHost(maker(), false);
    assertThat(plain.allTasks()).extracting(task -> task.id()).containsExactly("clear:main");
    assertThat(HostWork.cleared(plain, "clear:main")).isPresent();
    assertThat(HostWork.cleared(plain, "clear:other")).isEmpty();
    assertThat(maker().make().allTasks()).isEmpty();
  }

  @Test
  void onlyWhatWasBaredIsCoatedAndPlugsStayClear() {
    Parts parts = host();
    List<WireRun> wires = List.of(new WireRun("w", "red", "R15.2", "somewhere", "join", 0));
    List<Bared> spots = Bared.of(parts, board(parts), Set.of("R14", "C4"), wires);
    assertThat(spots).extracting(Bared::what).containsExactlyInAnyOrder("R14", "C4", "R15.2");
    assertThat(spots).allSatisfy(spot -> assertThat(spot.sides()).containsOnly(Side.values()));
    assertThat(Bared.of(parts, board(parts), Set.of(), List.of())).isEmpty();
    assertThat(Bared.keptClear(parts, board(parts), spots))
        .extracting(Bared.KeptClear::ref)
        .containsExactly("J7");
    assertThat(Bared.keptClear(parts, board(parts), List.of())).isEmpty();
  }

  @Test
  void whatComesOffIsNotInTheCircuit() {
    Parts parts =
        Parts.of(onHost(maker().supply("s", 5, 100, "R14.1", "R14.2").state("on", "s"), true));
    assertThat(parts.isOn("R14", parts.kit().state("on").orElseThrow())).isFalse();
    assertThat(parts.isOn("R15", parts.kit().state("on").orElseThrow())).isTrue();
  }

  private static Map<String, Replacement.Verdict> compared(
      String value, Double volts, Double celsius, String pack, Aged aged, boolean unpolarised) {
    Particulars own =
        new Particulars(
            unpolarised,
            "",
            false,
            Particulars.Method.IRON,
            Particulars.Soldered.NOT_YET,
            false,
            new Ratings(volts, celsius),
            aged);
    KitMaker kit =
        KitMaker.kit()
            .particular("c", PartKind.CAPACITOR_POLARISED, value, pack, own, "C1")
            .resistor("R9", "1k")
            .place("C1", 20, 20)
            .place("R9", 20, 26);
    Map<String, Replacement.Verdict> verdicts = new java.util.TreeMap<>();
    Replacement.of(Parts.of(onHost(kit, false)), "C1")
        .forEach(point -> verdicts.put(point.what(), point.verdict()));
    return verdicts;
  }

  @ParameterizedTest
  @CsvSource({
    "100u, 25, 105, radial-6x11, value, FITS",
    "47u, 25, 105, radial-6x11, value, NO",
    "120u, 25, 105, radial-6x11, value, FITS",
    "220u, 25, 105, radial-6x11, value, LOOK",
    "what, 25, 105, radial-6x11, value, LOOK",
    "100u, 10, 105, radial-6x11, volts, NO",
    "100u, 16, 105, radial-6x11, volts, FITS",
    "100u, , 105, radial-6x11, volts, LOOK",
    "100u, 25, 70, radial-6x11, heat, NO",
    "100u, 25, 85, radial-6x11, heat, FITS",
    "100u, 25, , radial-6x11, heat, LOOK",
    "100u, 25, 105, radial-6x11, width, FITS",
    "100u, 25, 105, radial-8x12, width, LOOK",
    "100u, 25, 105, radial-10x16, width, NO",
    "100u, 25, 105, radial-10x16, height, LOOK",
    "100u, 25, 105, radial-6x11, height, FITS",
    "100u, 25, 105, radial-6x11, holes, FITS",
    "100u, 25, 105, radial-8x12, holes, LOOK"
  })
  void eachThingIsJudgedByItself(
      String value, Double volts, Double celsius, String pack, String what, String verdict) {
    assertThat(compared(value, volts, celsius, pack, OLD, false))
        .containsEntry(what, Replacement.Verdict.valueOf(verdict));
  }

  @Test
  void aTurnedOneAndAnUnknownOneAreNeverTakenToFit() {
    Aged turned = new Aged("100u", new Ratings(16.0, 85.0), 6.3, 11.0, 2.5, true);
    assertThat(compared("100u", 25.0, 105.0, "radial-6x11", turned, false))
        .containsEntry("polarity", Replacement.Verdict.NO);
    assertThat(compared("100u", 25.0, 105.0, "radial-6x11", OLD, true))
        .containsEntry("polarity", Replacement.Verdict.FITS);
    Aged unknown = new Aged("", Ratings.NONE, null, null, null, false);
    assertThat(compared("100u", 25.0, 105.0, "radial-6x11", unknown, false))
        .containsAllEntriesOf(
            Map.of(
                "value", Replacement.Verdict.LOOK,
                "volts", Replacement.Verdict.LOOK,
                "heat", Replacement.Verdict.LOOK,
                "width", Replacement.Verdict.LOOK,
                "height", Replacement.Verdict.LOOK,
                "holes", Replacement.Verdict.LOOK));
    assertThat(Replacement.worst(List.of())).isEqualTo(Replacement.Verdict.LOOK);
    assertThat(Replacement.of(host(), "R1")).isEmpty();
  }

  @Test
  void whatDoesNotBelongToAHostIsSaid() {
    Kit wrong =
        KitMaker.kit()
            .particular(
                "a",
                PartKind.RESISTOR,
                "1k",
                "axial-quarter-watt",
                of(Particulars.Soldered.NOT_YET, true, OLD),
                "R1")
            .particular(
                "b",
                PartKind.RESISTOR,
                "1k",
                "axial-quarter-watt",
                of(Particulars.Soldered.HOST, false, OLD),
                "R2")
            .place("R1", 10, 10)
            .place("R2", 30, 30)
            .make();
    assertThat(KitCheck.of(wrong).stream().map(Object::toString))
        .anyMatch(f -> f.contains("/lines/0/comes_off"))
        .anyMatch(f -> f.contains("/lines/0/aged"))
        .anyMatch(f -> f.contains("/lines/1/aged"))
        .anyMatch(f -> f.contains("/lines/1/on_board"));
  }
}
