package humble.core.wake;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Peripheral;
import humble.core.kit.Says;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class LightMatrixTest {
  /** Every pair of four pins both ways: twelve lights. */
  private static Peripheral.Matrix pairs(double volts) {
    List<Peripheral.Light> lights = new ArrayList<>();
    for (int a = 1; a <= 4; a++) {
      for (int k = 1; k <= 4; k++) {
        if (a != k) {
          lights.add(new Peripheral.Light("U1." + a, "U1." + k, "LED" + (lights.size() + 1)));
        }
      }
    }
    return new Peripheral.Matrix(
        new Peripheral.Named("m", "U1", List.of(), Says.NOTHING),
        lights,
        List.of("U1.1", "U1.2", "U1.3", "U1.4"),
        volts,
        2.0);
  }

  @Test
  void nothingDarkSuspectsNothing() {
    assertThat(new LightMatrix(pairs(3.3)).suspects(Set.of(), Set.of())).isEmpty();
  }

  @Test
  void oneDarkLightIsThatLight() {
    List<LightSuspect> suspects = new LightMatrix(pairs(3.3)).suspects(Set.of(5), Set.of());
    assertThat(suspects.stream().limit(2).flatMap(s -> s.group().stream()))
        .contains("reversed:5", "dead:5");
    assertThat(suspects.getFirst().explains()).containsExactly(5);
    assertThat(suspects.stream().mapToDouble(LightSuspect::belief).sum()).isBetween(0.9, 1.0001);
  }

  /** 12 lines, 132 lights: whatever is dark, the beliefs of all groups together are one. */
  @Test
  void beliefsOfGroupsAddUpToOneHoweverManyLightsAreDark() {
    Peripheral.Matrix matrix = lines(12);
    LightMatrix reckoning = new LightMatrix(matrix);
    for (int dark : new int[] {1, 5, 60, 132}) {
      Set<Integer> seen = new java.util.TreeSet<>();
      for (int n = 1; n <= dark; n++) {
        seen.add(n);
      }
      List<LightSuspect> suspects = reckoning.suspects(seen, Set.of());
      assertThat(suspects).as("%d dark", dark).isNotEmpty();
      assertThat(suspects.stream().mapToDouble(LightSuspect::belief).sum())
          .isBetween(0.5, 1.0 + 1e-9);
      assertThat(suspects.stream().flatMap(s -> s.group().stream()))
          .as("every fault in one group")
          .doesNotHaveDuplicates();
    }
  }

  private static Peripheral.Matrix lines(int count) {
    List<String> pins = new java.util.ArrayList<>();
    for (int i = 1; i <= count; i++) {
      pins.add("U1." + i);
    }
    List<Peripheral.Light> lights = new java.util.ArrayList<>();
    for (String a : pins) {
      for (String c : pins) {
        if (!a.equals(c)) {
          lights.add(new Peripheral.Light(a, c, "LED" + (lights.size() + 1)));
        }
      }
    }
    return new Peripheral.Matrix(
        new Peripheral.Named("m", "U1", List.of(), Says.NOTHING), lights, pins, 3.3, 2.0);
  }

  /** Two lights of no common line are two faults, neither of which accounts for both. */
  @Test
  void twoDarkLightsWithNothingInCommonAreTwoFaults() {
    LightSuspect first = new LightMatrix(pairs(3.3)).suspects(Set.of(1, 9), Set.of()).getFirst();
    assertThat(first.fault()).contains(" + ");
    assertThat(first.explains()).containsExactly(1, 9);
  }

  @Test
  void allDarkIsOffBeforeAnythingElse() {
    Set<Integer> all = new java.util.TreeSet<>();
    for (int n = 1; n <= 12; n++) {
      all.add(n);
    }
    LightSuspect first = new LightMatrix(pairs(3.3)).suspects(all, Set.of()).getFirst();
    assertThat(first.fault()).isEqualTo("off");
    assertThat(first.belief()).isGreaterThan(0.9);
  }

  @Test
  void everyLightOfOnePinMeansThatPin() {
    Peripheral.Matrix matrix = pairs(3.3);
    Set<Integer> dark = new java.util.TreeSet<>();
    for (int n = 1; n <= 12; n++) {
      Peripheral.Light light = matrix.lights().get(n - 1);
      if (light.anodePin().equals("U1.2") || light.cathodePin().equals("U1.2")) {
        dark.add(n);
      }
    }
    LightSuspect first = new LightMatrix(matrix).suspects(dark, Set.of()).getFirst();
    assertThat(first.fault()).isEqualTo("open:U1.2");
    assertThat(first.group()).contains("pin:U1.2");
    assertThat(first.belief()).isGreaterThan(0.99);
    assertThat(first.explains()).hasSize(6);
  }

  @Test
  void aReversedLightIsDarkAtItsTurnAndShinesAtItsMirrors() {
    Peripheral.Matrix matrix = pairs(3.3);
    // Light 1 is pin 1 to pin 2, light 4 is pin 2 to pin 1.
    assertThat(matrix.lights().get(3)).isEqualTo(new Peripheral.Light("U1.2", "U1.1", "LED4"));
    LightSuspect first = new LightMatrix(matrix).suspects(Set.of(1), Set.of(1)).getFirst();
    assertThat(first.fault()).isEqualTo("reversed:1");
  }

  /** Weak is not dark: what leaves a light on is suspected, and what darkens it is not. */
  @Property
  void aWeakLightIsABadJointAndAllOfALineIsItsOwn(@ForAll @IntRange(min = 1, max = 12) int light) {
    Peripheral.Matrix matrix = pairs(3.3);
    assertThat(new LightMatrix(matrix).suspects(new LightScan(Set.of(), Set.of(), Set.of(light))))
        .allSatisfy(each -> assertThat(each.group()).noneMatch(name -> name.startsWith("open:")));
    String line = matrix.lights().get(light - 1).anodePin();
    Set<Integer> weak = new java.util.TreeSet<>();
    for (int n = 1; n <= 12; n++) {
      Peripheral.Light each = matrix.lights().get(n - 1);
      if (each.anodePin().equals(line) || each.cathodePin().equals(line)) {
        weak.add(n);
      }
    }
    LightSuspect first =
        new LightMatrix(matrix).suspects(new LightScan(Set.of(), Set.of(), weak)).getFirst();
    assertThat(first.fault()).isEqualTo("cold:" + line);
    assertThat(first.belief()).isGreaterThan(0.9);
  }

  @Property
  void aDeadLightIsAlwaysAmongTheFirst(@ForAll @IntRange(min = 1, max = 12) int light) {
    List<LightSuspect> suspects = new LightMatrix(pairs(3.3)).suspects(Set.of(light), Set.of());
    assertThat(suspects.getFirst().explains()).contains(light);
    assertThat(suspects.getFirst().group()).contains(suspects.getFirst().fault());
  }
}
