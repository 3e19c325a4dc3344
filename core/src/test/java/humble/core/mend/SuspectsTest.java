package humble.core.mend;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class SuspectsTest {
  private static Parts board() {
    return KitMaker.kit()
        .line("j", PartKind.HEADER, "", "header-1x3", null, "J1")
        .resistor("R1", "1k")
        .resistor("R2", "1k")
        .resistor("R3", "10k")
        .line("c", PartKind.CAPACITOR, "100n", "disc-2.5", null, "C1")
        .line("q", PartKind.TRANSISTOR_NPN, "", "half-round-3", null, "Q1")
        .place("J1", 5, 5)
        .place("R1", 20, 5)
        .place("R2", 20, 15)
        .place("R3", 40, 5)
        .place("C1", 60, 5)
        .place("Q1", 60, 25)
        .net("5V", "J1.1", "R1.1", "C1.1")
        .net("OUT", "J1.2", "R3.1", "Q1.1")
        .net("B", "R1.2", "R2.1", "Q1.2")
        .net("GND", "J1.3", "R2.2", "R3.2", "C1.2", "Q1.3")
        .supply("usb", 5, 500, "J1.1", "J1.3")
        .state("on", "usb")
        .state("bare", "usb", "Q1")
        .parts();
  }

  private static Map<String, Double> priors(Parts parts, String state) {
    BoardState at = parts.kit().state(state).orElseThrow();
    return Suspects.of(parts, at, Habits.usual()).stream()
        .collect(Collectors.toMap(Suspect::name, Suspect::prior, Double::sum));
  }

  @Test
  void bridgesAreOfNeighboursOnDifferentNetsOnlyAndTurnedNamesAreOne() {
    Map<String, Double> priors = priors(board(), "on");
    assertThat(priors).containsKeys("short:J1.1-J1.2", "short:J1.2-J1.3", "short:Q1.1-Q1.2");
    assertThat(priors).doesNotContainKeys("short:J1.1-J1.3", "short:J1.2-J1.1", "short:R1.1-R1.2");
  }

  @Test
  void whatIsNotOnTheBoardCannotBeWrong() {
    assertThat(priors(board(), "on")).containsKeys("open:Q1.2", "reversed:Q1", "dead:Q1");
    assertThat(priors(board(), "bare").keySet()).noneMatch(name -> name.contains("Q1"));
  }

  @Test
  void resistorsAreNotReversedNorDeadAndChangePlacesWithOtherValuesOnly() {
    Map<String, Double> priors = priors(board(), "on");
    assertThat(priors).containsKeys("swapped:R1-R3", "swapped:R2-R3", "value:R1=100");
    assertThat(priors).doesNotContainKeys("reversed:R1", "dead:R1", "swapped:R1-R2");
  }

  @Test
  void aJointThatCarriesNoDirectCurrentIsASmallerSuspect() {
    Map<String, Double> priors = priors(board(), "on");
    assertThat(priors.get("open:C1.1")).isLessThan(priors.get("open:R1.1") / 2);
  }

  @Test
  void theOwnLogMovesEveryFaultOfItsKindAlike() {
    Parts parts = board();
    BoardState on = parts.kit().state("on").orElseThrow();
    Habits bridges = Habits.learned(java.util.Collections.nCopies(20, "short:J1.1-J1.2"));
    Map<String, Double> usual = priors(parts, "on");
    Map<String, Double> own =
        Suspects.of(parts, on, bridges).stream()
            .collect(Collectors.toMap(Suspect::name, Suspect::prior, Double::sum));
    double factor = own.get("short:J1.1-J1.2") / usual.get("short:J1.1-J1.2");
    assertThat(factor).isGreaterThan(2);
    assertThat(own.get("short:Q1.1-Q1.2") / usual.get("short:Q1.1-Q1.2"))
        .isCloseTo(factor, org.assertj.core.api.Assertions.within(1e-9));
    assertThat(own.get("open:R1.1")).isLessThan(usual.get("open:R1.1"));
  }

  @Test
  void drawnSuspectsComeAsOftenAsTheirPriorsSay() {
    Parts parts = board();
    List<Suspect> suspects =
        Suspects.of(parts, parts.kit().state("on").orElseThrow(), Habits.usual());
    Random random = new Random(8);
    int open = 0;
    int draws = 20_000;
    for (int i = 0; i < draws; i++) {
      open += Suspects.drawn(suspects, random).name().startsWith("open:") ? 1 : 0;
    }
    double share =
        suspects.stream()
                .filter(s -> s.name().startsWith("open:"))
                .mapToDouble(Suspect::prior)
                .sum()
            / suspects.stream().filter(s -> !s.isNothing()).mapToDouble(Suspect::prior).sum();
    assertThat(open / (double) draws)
        .isCloseTo(share, org.assertj.core.api.Assertions.within(0.015));
  }

  @Test
  void aHotPartSpeaksForWhatPutsHeatIntoIt() {
    Parts parts =
        KitMaker.kit()
            .line("j", PartKind.HEADER, "", "header-1x2", null, "J1")
            .resistor("R1", "10")
            .resistor("R2", "10k")
            .line("led", PartKind.LED, "", "led-3", new Model.Junction(2.0, 10, 2.0, true), "LED1")
            .net("5V", "J1.1", "R1.1")
            .net("M", "R1.2", "R2.1", "LED1.2")
            .net("GND", "J1.2", "R2.2", "LED1.1")
            .supply("usb", 5, 900, "J1.1", "J1.2")
            .state("on", "usb")
            .parts();
    BoardState on = parts.kit().state("on").orElseThrow();
    Predictions predictions =
        new Predictions(parts, on, Suspects.of(parts, on, Habits.usual()), () -> false);
    Diagnosis diagnosis =
        new Diagnosis(predictions, humble.core.stock.Meter.parse("0.5%+2@1m").orElseThrow());
    Observation hot = Observation.seen("hot:R1", parts).orElseThrow();
    assertThat(belief(diagnosis.suspectsAfter(List.of(hot)), "short:LED1.1-LED1.2"))
        .isGreaterThan(belief(diagnosis.suspectsAfter(List.of()), "short:LED1.1-LED1.2"));
    Observation flickers = Observation.seen("flicker:LED1", parts).orElseThrow();
    assertThat(diagnosis.suspectsAfter(List.of(flickers)).getFirst().suspect().name())
        .startsWith("open:");
  }

  private static double belief(List<Diagnosis.Named> groups, String name) {
    return groups.stream()
        .filter(named -> named.group().contains(name))
        .mapToDouble(Diagnosis.Named::belief)
        .sum();
  }
}
