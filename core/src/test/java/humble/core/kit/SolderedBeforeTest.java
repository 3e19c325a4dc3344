package humble.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.likeness.Eyes;
import humble.core.likeness.Light;
import humble.core.likeness.LookAlikes;
import humble.core.mend.Habits;
import humble.core.mend.Suspect;
import humble.core.mend.Suspects;
import humble.core.route.Planner;
import humble.core.route.School;
import humble.core.stock.MeterProfile;
import humble.core.stock.Stocktake;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Parts that are on the board before anybody begins. */
class SolderedBeforeTest {
  private static KitMaker board(Particulars.Soldered soldered, String... absent) {
    Particulars own = new Particulars(false, "", false, Particulars.Method.IRON, soldered);
    return KitMaker.kit()
        .line("j", PartKind.HEADER, "", "header-1x2", null, "J1")
        .particular("a", PartKind.RESISTOR, "1k", "axial-quarter-watt", own, "R1")
        .particular("b", PartKind.RESISTOR, "1k", "axial-quarter-watt", Particulars.NONE, "R2")
        .place("J1", 5, 5)
        .place("R1", 20, 5)
        .place("R2", 20, 15)
        .net("5V", "J1.1", "R1.1")
        .net("MID", "R1.2", "R2.1")
        .net("GND", "R2.2", "J1.2")
        .supply("usb", 5, 500, "J1.1", "J1.2")
        .state("on", "usb", absent);
  }

  private static Map<String, Double> priors(Particulars.Soldered soldered) {
    Parts parts = board(soldered).parts();
    BoardState on = parts.kit().state("on").orElseThrow();
    return Suspects.of(parts, on, Habits.usual()).stream()
        .collect(Collectors.toMap(Suspect::name, Suspect::prior, Double::sum));
  }

  @Test
  void theyAreNeitherCountedNorSortedNorAStep() throws Exception {
    Kit kit = board(Particulars.Soldered.MAKER).parts().kit();
    assertThat(kit.soldered()).containsExactly("R1");
    assertThat(Stocktake.items(kit, Map.of())).extracting(Stocktake.Item::id).doesNotContain("a");
    assertThat(Stocktake.missingRefs(kit, Map.of(), Map.of("a", 0))).isEmpty();
    assertThat(LookAlikes.of(kit, Light.DAYLIGHT, Eyes.NORMAL, MeterProfile.USUAL).pairs())
        .isEmpty();
    assertThat(Planner.plan(Parts.of(kit), School.LOW, Map.of(), 0, Set.of()).steps())
        .flatExtracting(step -> step.refs())
        .containsExactlyInAnyOrder("J1", "R2");
  }

  @Test
  void theyAreLookedOver() {
    Parts parts = board(Particulars.Soldered.HOST).parts();
    List<LookOver.Spot> spots = LookOver.of(parts, parts.kit().boards().getFirst());
    assertThat(spots)
        .filteredOn(spot -> spot.id().equals("soldered:top"))
        .singleElement()
        .satisfies(spot -> assertThat(spot.what().toString()).contains("R1").doesNotContain("R2"));
  }

  /** Of two equal parts the joints of the one that a machine soldered are a tenth as suspect. */
  @Test
  void whatAHandDoesWrongIsATenthAsLikely() {
    Map<String, Double> made = priors(Particulars.Soldered.MAKER);
    for (String joint : List.of("open:%s.1", "cold:%s.2", "missing:%s")) {
      double one = made.get(joint.formatted("R1"));
      double other = made.get(joint.formatted("R2"));
      assertThat(one / other).as(joint).isCloseTo(0.1, org.assertj.core.data.Offset.offset(1e-9));
    }
    assertThat(made.keySet()).noneMatch(name -> name.startsWith("value:R1"));
    assertThat(made.keySet()).anyMatch(name -> name.startsWith("value:R2"));
    Map<String, Double> fitted = priors(Particulars.Soldered.NOT_YET);
    assertThat(fitted.get("open:R1.1")).isEqualTo(fitted.get("open:R2.1"));
  }

  @Test
  void noStateIsWithoutThem() {
    Kit kit = board(Particulars.Soldered.MAKER, "R1").parts().kit();
    assertThat(KitCheck.of(kit))
        .filteredOn(found -> found.level() == Finding.Level.ERROR)
        .singleElement()
        .satisfies(found -> assertThat(found.text()).contains("R1 is soldered"));
    Kit other = board(Particulars.Soldered.NOT_YET, "R1").parts().kit();
    assertThat(KitCheck.of(other)).noneMatch(found -> found.level() == Finding.Level.ERROR);
  }

  @Test
  void designatorsThatFollowEachOtherAreARun() {
    assertThat(RefOrder.listed(List.of("R3", "R1", "R2", "C9", "R10", "R23")))
        .isEqualTo("C9, R1–R3, R10, R23");
    assertThat(RefOrder.listed(List.of("R1", "R2"))).isEqualTo("R1, R2");
    assertThat(RefOrder.listed(List.of("R9", "R10", "R11", "D12"))).isEqualTo("D12, R9–R11");
    assertThat(RefOrder.listed(List.of())).isEmpty();
  }
}
