package humble.core.mend;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.circuit.Fault;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.KitFault;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.stock.Meter;
import humble.core.units.Band;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class DiagnosisTest {
  /** A divider, a light with its resistor, and a cable that the circuit knows nothing of. */
  private static Parts board() {
    return KitMaker.kit()
        .line("j", PartKind.HEADER, "", "header-1x2", null, "J1")
        .resistor("R1", "1k")
        .resistor("R2", "2k")
        .resistor("R3", "330")
        .line("led", PartKind.LED, "", "led-3", new Model.Junction(2.0, 10, 2.0, true), "LED1")
        .place("J1", 5, 5)
        .place("R1", 20, 5)
        .place("R2", 20, 15)
        .place("R3", 40, 5)
        .place("LED1", 60, 5)
        .net("5V", "J1.1", "R1.1", "R3.1")
        .net("MID", "R1.2", "R2.1")
        .net("A", "R3.2", "LED1.2")
        .net("GND", "J1.2", "R2.2", "LED1.1")
        .supply("usb", 5, 500, "J1.1", "J1.2")
        .state("on", "usb")
        .fault(
            new KitFault(
                "wrong-cable",
                "The cable has no data wires",
                0.02,
                List.of("flicker:LED1"),
                Map.of(),
                "another cable",
                1))
        .parts();
  }

  private static Diagnosis diagnosis(Parts parts) {
    BoardState state = parts.kit().state("on").orElseThrow();
    return new Diagnosis(
        new Predictions(parts, state, Suspects.of(parts, state, Habits.usual()), () -> false),
        Meter.parse("0.5%+2@1m").orElseThrow());
  }

  private static Observation reading(Parts parts, String text) {
    return Observation.reading(text, parts, parts.kit().state("on").orElseThrow()).orElseThrow();
  }

  @Test
  void priorsOfAllSuspectsAddUpToOne() {
    Parts parts = board();
    List<Suspect> suspects =
        Suspects.of(parts, parts.kit().state("on").orElseThrow(), Habits.usual());

    assertThat(suspects.stream().mapToDouble(Suspect::prior).sum())
        .isCloseTo(1, org.assertj.core.api.Assertions.within(1e-9));
    assertThat(suspects.stream().map(Suspect::name).distinct())
        .contains(
            "cold:R3.2",
            "nothing",
            "open:R3.2",
            "value:R1=10k",
            "value:R1=100",
            "reversed:LED1",
            "missing:R2",
            "swapped:R1-R2",
            "dead:LED1",
            "kit:wrong-cable")
        .anyMatch(name -> name.startsWith("short:LED1"));
    assertThat(suspects.stream().filter(each -> !(each.edit() instanceof Fault.Cold)))
        .extracting(Suspect::name)
        .doesNotHaveDuplicates();
    assertThat(suspects.stream().filter(each -> each.name().equals("cold:R3.2")))
        .as("one suspect, reckoned three times, each as likely")
        .extracting(Suspect::prior)
        .hasSize(3)
        .allSatisfy(prior ->
            assertThat(prior)
                .isPositive()
                .isEqualTo(
                    suspects.stream()
                        .filter(each -> each.name().equals("cold:R3.2"))
                        .findFirst()
                        .orElseThrow()
                        .prior()));
  }

  @Test
  void aBridgeAcrossTheLightIsToldFromItsOpenJoint() {
    Parts parts = board();
    Diagnosis diagnosis = diagnosis(parts);
    Observation dark = Observation.seen("dark:LED1", parts).orElseThrow();

    Diagnosis.Known before = diagnosis.after(List.of(dark));
    Diagnosis.Known after = diagnosis.after(List.of(dark, reading(parts, "V(A)=0.00")));

    assertThat(before.done()).isFalse();
    assertThat(before.next()).isPresent();
    assertThat(after.suspects().getFirst().group()).anyMatch(name -> name.startsWith("short:LED1"));
    assertThat(after.suspects().getFirst().group()).noneMatch(name -> name.startsWith("open:R1"));
  }

  @Test
  void everySingleFaultThatShowsIsFoundByFollowingTheAdvice() {
    Parts parts = board();
    BoardState state = parts.kit().state("on").orElseThrow();
    Diagnosis diagnosis = diagnosis(parts);
    StateSolver solver = new StateSolver(parts, state);

    for (Suspect suspect : Suspects.of(parts, state, Habits.usual())) {
      Fault fault = suspect.fault().orElse(null);
      // A cold joint of few ohms before many thousand shows in nothing.
      if (fault == null || fault instanceof Fault.Cold cold && cold.ohms() < 300) {
        continue;
      }
      List<Observation> seen = new ArrayList<>();
      Diagnosis.Known known = diagnosis.after(seen);
      while (known.next().isPresent()) {
        seen.add(Answers.to(known.next().get().measure(), parts, solver, fault));
        known = diagnosis.after(seen);
        assertThat(seen).as(suspect.name()).hasSizeLessThan(15);
      }
      assertThat(known.suspects().getFirst().group()).contains(suspect.name());
    }
  }

  @Test
  void aColdJointIsToldByTheVoltsAcrossIt() {
    Parts parts = board();
    BoardState state = parts.kit().state("on").orElseThrow();
    StateSolver solver = new StateSolver(parts, state);
    Fault cold = new Fault.Cold(PinRef.parse("R3.1").orElseThrow(), 300);
    Diagnosis diagnosis = diagnosis(parts);
    List<Observation> seen = new ArrayList<>();
    for (String point : List.of("5V", "A", "R3.1")) {
      seen.add(Answers.to(new Measure.Volts(point), parts, solver, cold));
    }
    Diagnosis.Named first = diagnosis.after(seen).suspects().getFirst();
    assertThat(first.group()).as("not the joint at its other end").containsExactly("cold:R3.1");
    assertThat(first.belief()).isGreaterThan(0.9);
  }

  @Test
  void aBoardThatReadsAsDesignedIsLetGoAndNothingIsFoundInIt() {
    Parts parts = board();
    BoardState state = parts.kit().state("on").orElseThrow();
    StateSolver solver = new StateSolver(parts, state);
    Diagnosis diagnosis = diagnosis(parts);
    List<Observation> seen = new ArrayList<>();
    Diagnosis.Known known = diagnosis.after(seen);
    while (known.next().isPresent()) {
      Measure measure = known.next().get().measure();
      seen.add(Answers.to(measure, parts, solver, null));
      known = diagnosis.after(seen);
    }
    assertThat(seen).hasSizeLessThanOrEqualTo(6);
    assertThat(known.suspects().getFirst().group()).contains("nothing");
    assertThat(known.suspects().getFirst().shows()).isFalse();
    assertThat(known.explained()).isTrue();
  }

  @Test
  void twentyReadingsOfOneRailTellNoMoreOfItThanOne() {
    Parts parts =
        KitMaker.kit()
            .line(
                "u",
                PartKind.REGULATOR,
                "5",
                "half-round-3",
                new Model.Regulator(5, 1, 500, 1, 100, "3", "2", "1"),
                "U1")
            .resistor("R1", "1k")
            .resistor("R2", "1k")
            .net("IN", "U1.3")
            .net("5V", "U1.1", "R1.1", "R2.1")
            .net("B", "R1.2")
            .net("C", "R2.2")
            .net("GND", "U1.2")
            .supply("pack", 9, 500, "IN", "GND")
            .state("on", "pack")
            .parts();
    Diagnosis diagnosis = diagnosis(parts);
    // Four per cent low, as one regulator in twenty is: every point of the rail reads so.
    List<Observation> one = List.of(reading(parts, "V(5V)=4.83"));
    List<Observation> many = new ArrayList<>(one);
    for (String point : List.of("R1.1", "R2.1", "U1.1")) {
      many.add(reading(parts, "V(" + point + ")=4.83"));
    }
    assertThat(nothing(diagnosis, many)).isGreaterThan(0.9 * nothing(diagnosis, one));
  }

  private static double nothing(Diagnosis diagnosis, List<Observation> seen) {
    return diagnosis.after(seen).suspects().stream()
        .filter(named -> named.group().contains("nothing"))
        .mapToDouble(Diagnosis.Named::belief)
        .sum();
  }

  @Test
  void aFaultThatNothingTellsFromTheBoardAsDesignedIsSaidToShowNothing() {
    Parts parts =
        KitMaker.kit()
            .line("j", PartKind.HEADER, "", "header-1x2", null, "J1")
            .resistor("R1", "1k")
            .line("c", PartKind.CAPACITOR, "100n", "disc-5", null, "C1")
            .line("led", PartKind.LED, "", "led-3", new Model.Junction(2, 10, 2, true), "LED1")
            .net("5V", "J1.1", "R1.1", "C1.1")
            .net("A", "R1.2", "LED1.2")
            .net("GND", "J1.2", "LED1.1", "C1.2")
            .supply("usb", 5, 500, "J1.1", "J1.2")
            .state("on", "usb")
            .parts();

    List<Diagnosis.Named> groups = diagnosis(parts).suspectsAfter(List.of());

    assertThat(groups)
        .as("a lead that lies at nought anyway")
        .filteredOn(named -> !named.shows())
        .singleElement()
        .satisfies(named ->
            assertThat(named.group())
                .containsExactlyInAnyOrder("nothing", "open:C1.2", "cold:C1.1", "cold:C1.2"));
    assertThat(groups)
        .filteredOn(named -> named.group().contains("missing:LED1"))
        .singleElement()
        .satisfies(named -> assertThat(named.shows()).isTrue());
  }

  private static double bridged(Diagnosis diagnosis, Observation seen) {
    return diagnosis.after(List.of(seen)).suspects().stream()
        .filter(named -> named.group().stream().anyMatch(name -> name.startsWith("short:LED1")))
        .mapToDouble(Diagnosis.Named::belief)
        .sum();
  }

  @Test
  void aBareNoughtIsAReadingNearNoughtAndNotOneOfTwoVoltsMore() {
    Parts parts = board();
    BoardState state = parts.kit().state("on").orElseThrow();
    Diagnosis plain =
        new Diagnosis(
            new Predictions(parts, state, Suspects.of(parts, state, Habits.usual()), () -> false),
            Meter.USUAL);
    double sure = bridged(plain, reading(parts, "V(A)=0.00"));
    double bare = bridged(plain, reading(parts, "V(A)=0"));
    assertThat(bare).isGreaterThan(0.5 * sure);
    assertThat(plain.after(List.of(reading(parts, "V(A)=2"), reading(parts, "V(MID)=3"))))
        .as("rounded, and as designed")
        .satisfies(known -> assertThat(known.explained()).isTrue());
    assertThat(plain.after(List.of(reading(parts, "V(A)=0"), reading(parts, "V(MID)=0"))))
        .satisfies(known -> assertThat(known.suspects().getFirst().shows()).isTrue());
  }

  @Test
  void aReadingNoSuspectExplainsIsSaidToBeSo() {
    Parts parts = board();
    Diagnosis diagnosis = diagnosis(parts);

    assertThat(diagnosis.after(List.of(reading(parts, "V(5V)=5.9"))).explained()).isFalse();
    assertThat(diagnosis.after(List.of(reading(parts, "V(5V)=5.00"))).explained()).isTrue();
  }

  @Test
  void whatTheKitKnowsIsASuspectOfItsOwn() {
    Parts parts = board();
    Diagnosis.Known known =
        diagnosis(parts)
            .after(
                List.of(
                    Observation.seen("flicker:LED1", parts).orElseThrow(),
                    reading(parts, "V(A)=1.97")));

    assertThat(known.suspects().stream().map(s -> s.suspect().name())).contains("kit:wrong-cable");
  }

  @Test
  void whatAKitPredictsCountsAgainstItsFault() {
    KitFault fault =
        new KitFault("flat", "", 0.5, List.of(), Map.of("V(5V)", new Band(3, 3.4)), "", 1);
    Parts parts =
        KitMaker.kit()
            .line("j", PartKind.HEADER, "", "header-1x2", null, "J1")
            .resistor("R1", "1k")
            .net("5V", "J1.1", "R1.1")
            .net("GND", "J1.2", "R1.2")
            .supply("usb", 5, 500, "J1.1", "J1.2")
            .state("on", "usb")
            .fault(fault)
            .parts();

    assertThat(
            diagnosis(parts)
                .after(List.of(reading(parts, "V(5V)=3.2")))
                .suspects()
                .getFirst()
                .group())
        .containsExactly("kit:flat");
    assertThat(diagnosis(parts).after(List.of(reading(parts, "V(5V)=5.00"))).suspects())
        .noneMatch(named -> named.suspect().name().equals("kit:flat"));
  }

  @Test
  void aLongLogMovesTheSharesAndAShortOneHardly() {
    Habits once = Habits.learned(List.of("short:U1.1-U1.2"));
    Habits often = Habits.learned(java.util.Collections.nCopies(90, "short:U1.1-U1.2"));

    assertThat(once.share(FaultKind.SHORT)).isBetween(0.2, 0.3);
    assertThat(often.share(FaultKind.SHORT)).isGreaterThan(0.9);
    double sum = 0;
    for (FaultKind kind : FaultKind.values()) {
      sum += often.share(kind);
    }
    assertThat(sum).isCloseTo(1, org.assertj.core.api.Assertions.within(1e-9));
  }

  @Test
  void readingsComeWithUnitsPrefixesSignsAndOpen() {
    Parts parts = board();

    assertThat(reading(parts, "V(5V)=-120mV"))
        .isEqualTo(new Observation.Reading(new Measure.Volts("5V"), -0.12, 0.001));
    assertThat(reading(parts, "I(usb)=34mA")).extracting("value").isEqualTo(0.034);
    assertThat(reading(parts, "R(5V,GND)=open"))
        .extracting("value")
        .isEqualTo(Double.POSITIVE_INFINITY);
    assertThat(reading(parts, "V(5V,MID)=1.2"))
        .extracting("measure")
        .isEqualTo(new Measure.Across("5V", "MID"));
    BoardState state = parts.kit().state("on").orElseThrow();
    assertThat(Observation.reading("V(NOWHERE)=1", parts, state)).isEmpty();
    assertThat(Observation.reading("V(5V)", parts, state)).isEmpty();
    assertThat(Observation.reading("V(5V)=x", parts, state)).isEmpty();
    assertThat(Observation.seen("dark:LED9", parts)).isEmpty();
    assertThat(Observation.seen("pink:LED1", parts)).isEmpty();
  }
}
