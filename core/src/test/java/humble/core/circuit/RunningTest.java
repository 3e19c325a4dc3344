package humble.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.mend.Diagnosis;
import humble.core.mend.Habits;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.mend.Predictions;
import humble.core.mend.Sight;
import humble.core.mend.Suspects;
import humble.core.stock.Meter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * A controller with a crystal, a pulled-up reset, a button at it, a key and a lamp that it lights.
 */
class RunningTest {
  private static final Model CONTROLLER =
      new Model.Load(
          "8",
          "4",
          5,
          2.7,
          Map.of("5", 25.0),
          Model.Load.USUAL_SPREAD_PCT,
          new Model.Starts("1", List.of("2", "3")));

  private static final Model KEY = new Model.Switch(List.of(List.of("1", "2")), false);

  private static Parts parts() {
    return KitMaker.kit()
        .line("u", PartKind.IC, "", "dip-8", CONTROLLER, "U1")
        .line("x", PartKind.CRYSTAL, "4M", "crystal-low", new Model.Open(), "X1")
        .line("led", PartKind.LED, "", "led-3", new Model.Junction(2.0, 10, 2.0, true), "LED1")
        .line("key", PartKind.SWITCH, "", "header-1x2", KEY, "S1", "S2")
        .resistor("R1", "330")
        .resistor("R2", "10k")
        .resistor("R3", "10k")
        .net("5V", "U1.8", "R2.1", "R3.1")
        .net("GND", "U1.4", "LED1.1", "S1.2", "S2.2")
        .net("RESET", "U1.1", "R2.2", "S1.1")
        .net("KEY", "U1.6", "R3.2", "S2.1")
        .net("XA", "U1.2", "X1.1")
        .net("XB", "U1.3", "X1.2")
        .net("OUT", "U1.5", "R1.1")
        .net("A", "R1.2", "LED1.2")
        .supply("usb", 5, 500, "5V", "GND")
        .state("on", "usb")
        .parts();
  }

  private static BoardState lit(Parts parts) {
    return parts.kit().state("on").orElseThrow().withDrive(Map.of("U1.5", "high"));
  }

  private static boolean shines(String... faults) {
    Parts parts = parts();
    List<Fault> all =
        List.of(faults).stream().map(text -> Fault.parse(text).orElseThrow()).toList();
    Snapshot warm = new StateSolver(parts, lit(parts)).with(all).orElseThrow();
    boolean cold =
        new DcSolver(parts).solve(lit(parts), all) instanceof DcOutcome.Solved solved
            && solved.result().parts().get("LED1").ma() > 1;
    assertThat(warm.amps("LED1") > 1e-3).as("from nothing as from near by").isEqualTo(cold);
    return cold;
  }

  @Test
  void aSoundControllerLightsItsLamp() {
    assertThat(shines()).isTrue();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "open:X1.1",
        "open:U1.3",
        "missing:X1",
        "dead:X1",
        "short:X1.1-X1.2",
        "short:S1.1-S1.2",
        "blank:U1",
        "stuck:U1.5=low"
      })
  void whatStopsTheProgramDarkensTheLamp(String fault) {
    assertThat(shines(fault)).isFalse();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "cold:X1.1",
        "reversed:X1",
        "open:R2.1",
        "open:U1.1",
        "short:S2.1-S2.2",
        "stuck:U1.5=high"
      })
  void whatDoesNotStopItLeavesTheLampLit(String fault) {
    assertThat(shines(fault)).isTrue();
  }

  @Test
  void aPressedResetHoldsTheControllerStill() {
    Parts parts = parts();
    BoardState on = lit(parts);
    BoardState pressed =
        new BoardState(
            "on",
            "",
            on.supply(),
            List.of(),
            List.of("S1"),
            on.drive(),
            Map.of(),
            Map.of(),
            Map.of());
    assertThat(new StateSolver(parts, pressed).asDesigned().orElseThrow().amps("LED1"))
        .isLessThan(1e-4);
  }

  @Test
  void namesOfTheseFaultsAreReadBack() {
    for (String text : List.of("blank:U1", "stuck:U1.5=high", "stuck:U1.5=low")) {
      assertThat(Fault.parse(text)).map(Object::toString).contains(text);
    }
    assertThat(List.of("stuck:U1.5", "stuck:U1.5=up", "stuck:U1=high"))
        .allSatisfy(text -> assertThat(Fault.parse(text)).as(text).isEmpty());
  }

  private static Diagnosis diagnosis(Parts parts) {
    BoardState state = lit(parts);
    return new Diagnosis(
        new Predictions(parts, state, Suspects.of(parts, state, Habits.usual()), () -> false),
        Meter.USUAL);
  }

  private static List<Diagnosis.Named> after(Parts parts, String... seen) {
    List<Observation> all = new ArrayList<>();
    for (String text : seen) {
      all.add(
          Observation.seen(text, parts)
              .or(() -> Observation.reading(text, parts, lit(parts)))
              .orElseThrow());
    }
    return diagnosis(parts).after(all).suspects();
  }

  private static double belief(List<Diagnosis.Named> all, String name) {
    return all.stream()
        .filter(named -> named.group().contains(name))
        .mapToDouble(Diagnosis.Named::belief)
        .findFirst()
        .orElse(0);
  }

  @Test
  void aStillClockSpeaksForTheCrystalAndARunningOneForTheProgram() {
    Parts parts = parts();
    String[] dead = {"dark:LED1", "V(OUT)=0.00", "V(RESET)=4.99"};
    List<Diagnosis.Named> still = after(parts, dead[0], dead[1], dead[2], "still:X1");
    List<Diagnosis.Named> runs = after(parts, dead[0], dead[1], dead[2], "running:X1");
    assertThat(still.getFirst().group()).contains("open:X1.1", "missing:X1").hasSizeGreaterThan(4);
    assertThat(belief(runs, "blank:U1")).isGreaterThan(5 * belief(still, "blank:U1"));
    assertThat(belief(runs, "open:X1.1")).isLessThan(belief(still, "open:X1.1") / 5);
  }

  @Test
  void theClockTellsWhereItDecides() {
    Parts parts = parts();
    Diagnosis.Next next =
        diagnosis(parts)
            .asked(
                new Measure.Look("X1"),
                List.of(
                    Observation.seen("dark:LED1", parts).orElseThrow(),
                    Observation.reading("V(OUT)=0.00", parts, lit(parts)).orElseThrow(),
                    Observation.reading("V(RESET)=4.99", parts, lit(parts)).orElseThrow()));
    assertThat(next.gainBits()).isGreaterThan(0.3);
    assertThat(next.looks()).containsValue(Sight.RUNNING).containsValue(Sight.STILL);
    assertThat(
            diagnosis(parts).available(List.of(Observation.seen("dark:LED1", parts).orElseThrow())))
        .contains(new Measure.Look("X1"));
  }

  @Test
  void aKeyThatDoesNothingSpeaksForWhatIsAtIt() {
    Parts parts = parts();
    List<Diagnosis.Named> idle = after(parts, "idle:S2");
    List<Diagnosis.Named> plain = after(parts);
    for (String at : List.of("open:S2.1", "missing:R3", "open:U1.6")) {
      assertThat(belief(idle, at)).as(at).isGreaterThan(3 * belief(plain, at));
    }
    assertThat(belief(idle, "reversed:LED1")).isLessThan(belief(plain, "reversed:LED1") / 3);
    assertThat(belief(idle, "nothing"))
        .as("with what shows in nothing at all")
        .isLessThan(belief(plain, "nothing") / 2);
  }

  @Test
  void onlyWhatCanBeIdleIsIdleAndOnlyClocksRun() {
    Parts parts = parts();
    assertThat(List.of("idle:R1", "idle:LED1", "running:LED1", "still:S1", "running:U1"))
        .allSatisfy(text -> assertThat(Observation.seen(text, parts)).as(text).isEmpty());
    assertThat(Observation.seen("idle:S1", parts)).isPresent();
    assertThat(Optional.of("still:X1").flatMap(t -> Observation.seen(t, parts))).isPresent();
  }
}
