package humble.core.wake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import humble.core.kit.Peripheral;
import humble.core.kit.Says;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class BusPlanTest {
  private static Peripheral.Bus bus(
      double volts, double hz, double pf, Peripheral.BusDevice... all) {
    return new Peripheral.Bus(
        new Peripheral.Named("bus", "", List.of(), Says.NOTHING),
        volts,
        "SDA",
        "SCL",
        hz,
        pf,
        List.of(all));
  }

  private static Peripheral.BusDevice device(String ref, Integer... addresses) {
    return new Peripheral.BusDevice(ref, List.of(addresses), null, 0);
  }

  private static BusPlan plan(Peripheral.BusDevice... all) {
    return BusPlan.of(bus(3.3, 100_000, 0, all), OptionalDouble.empty());
  }

  @Test
  void aStrapIsChangedOnlyWhereItMustBe() {
    BusPlan plan = plan(device("U1", 0x20, 0x21), device("U2", 0x20), device("U3", 0x21, 0x22));
    assertThat(plan.clashes()).isEmpty();
    assertThat(plan.plan())
        .containsExactly(
            new BusPlan.Given("U1", 0x21),
            new BusPlan.Given("U2", 0x20),
            new BusPlan.Given("U3", 0x22));
  }

  @Test
  void whatNoStrapSettlesIsAClashWithAllItConcerns() {
    BusPlan plan = plan(device("U1", 0x3c), device("U2", 0x3c), device("U3", 0x48));
    assertThat(plan.clashes()).containsExactly(new BusPlan.Clash(0x3c, List.of("U1", "U2")));
    assertThat(plan.plan()).extracting(BusPlan.Given::ref).containsExactly("U1", "U3");
  }

  /** The fewest straps, by trying all of them. */
  @Property(tries = 300)
  void noAssignmentIsCheaperAndNoneServesMore(@ForAll long seed) {
    Random random = new Random(seed);
    List<Peripheral.BusDevice> devices = new ArrayList<>();
    for (int i = 0; i < 1 + random.nextInt(5); i++) {
      Set<Integer> addresses = new java.util.LinkedHashSet<>();
      for (int k = 0; k < 1 + random.nextInt(3); k++) {
        addresses.add(0x20 + random.nextInt(5));
      }
      devices.add(new Peripheral.BusDevice("U" + i, List.copyOf(addresses), null, 0));
    }
    BusPlan plan = plan(devices.toArray(Peripheral.BusDevice[]::new));
    int changed =
        (int)
            plan.plan().stream()
                .filter(given ->
                    devices.stream()
                        .filter(d -> d.ref().equals(given.ref()))
                        .anyMatch(d -> d.addresses().getFirst() != given.address()))
                .count();
    assertThat(plan.plan()).extracting(BusPlan.Given::address).doesNotHaveDuplicates();
    int[] best = best(devices, 0, new HashSet<>(), 0, 0);
    assertThat(plan.plan()).hasSize(best[0]);
    assertThat(changed).isEqualTo(best[1]);
  }

  private static int[] best(
      List<Peripheral.BusDevice> devices, int at, Set<Integer> taken, int served, int changed) {
    if (at == devices.size()) {
      return new int[] {served, changed};
    }
    int[] best = best(devices, at + 1, taken, served, changed);
    List<Integer> addresses = devices.get(at).addresses();
    for (int i = 0; i < addresses.size(); i++) {
      if (taken.add(addresses.get(i))) {
        int[] with = best(devices, at + 1, taken, served + 1, changed + (i == 0 ? 0 : 1));
        taken.remove(addresses.get(i));
        if (with[0] > best[0] || (with[0] == best[0] && with[1] < best[1])) {
          best = with;
        }
      }
    }
    return best;
  }

  /** The standard's own example values: 5 V, 200 pF, standard mode: 1.53 kΩ and 5.9 kΩ. */
  @Test
  void thePullUpsWindowIsThePublishedOne() {
    BusPlan.Pullup pullup = BusPlan.of(bus(5, 100_000, 200), OptionalDouble.empty()).pullup();
    assertThat(pullup.minOhm()).isCloseTo(1533, offset(1.0));
    assertThat(pullup.maxOhm().orElseThrow()).isCloseTo(5901, offset(1.0));
    assertThat(pullup.nowOhm()).isEmpty();
    assertThat(pullup.advice().key()).isEqualTo("bus.none");
  }

  @Test
  void allPullUpsAreInParallelAndTheMeasuredCapacitanceStandsAlone() {
    Peripheral.BusDevice one = new Peripheral.BusDevice("U1", List.of(0x20), 10_000.0, 10);
    Peripheral.BusDevice bare = new Peripheral.BusDevice("R1", List.of(), 4_700.0, 0);
    Peripheral.Bus bus = bus(3.3, 400_000, 40, one, bare);
    BusPlan summed = BusPlan.of(bus, OptionalDouble.empty());
    assertThat(summed.pullup().nowOhm().orElseThrow()).isCloseTo(3197.3, offset(0.1));
    assertThat(summed.pullup().maxOhm().orElseThrow())
        .isCloseTo(300e-9 / (0.8473 * 50e-12), offset(0.1));
    assertThat(BusPlan.of(bus, OptionalDouble.of(120)).pullup().maxOhm().orElseThrow())
        .isCloseTo(300e-9 / (0.8473 * 120e-12), offset(0.1));
    assertThat(summed.plan()).extracting(BusPlan.Given::ref).containsExactly("U1");
  }

  @Test
  void whatAnswersElsewhereIsMissingAStrayAndNamed() {
    Peripheral.Bus bus = bus(3.3, 100_000, 0, device("U1", 0x20, 0x21), device("U2", 0x48));
    BusPlan plan = BusPlan.of(bus, OptionalDouble.empty());
    List<Integer> found = List.of(0x21, 0x48, 0x50);
    assertThat(plan.missing(found)).containsExactly(new BusPlan.Given("U1", 0x20));
    assertThat(plan.strays(found)).containsExactly(0x21, 0x50);
    assertThat(plan.elsewhere(bus, found)).containsExactly(new BusPlan.Given("U1", 0x21));
  }
}
