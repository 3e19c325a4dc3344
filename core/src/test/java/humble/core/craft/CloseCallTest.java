package humble.core.craft;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.PackagePin;
import humble.core.kit.PadSize;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CloseCallTest {
  /** Two resistors side by side, their left pads {@code apart} from each other. */
  private static Parts twoResistors(double apart) {
    return KitMaker.kit()
        .resistor("R1", "1k")
        .resistor("R2", "1k")
        .place("R1", 20, 20)
        .place("R2", 20, 20 + apart)
        .net("5V", "R1.1")
        .net("GND", "R2.1")
        .net("A", "R1.2")
        .net("B", "R2.2")
        .supply("usb", 5, 500, "5V", "GND")
        .parts();
  }

  @Test
  void supplyAgainstGroundStandsBeforeSignals() {
    List<CloseCall> calls = CloseCall.on(twoResistors(2), "main");
    assertThat(calls).hasSize(2);
    assertThat(calls.getFirst().hurt()).isEqualTo(CloseCall.Hurt.SUPPLY);
    assertThat(calls.getFirst().gapMm()).isCloseTo(0.4, org.assertj.core.data.Offset.offset(1e-9));
    assertThat(calls.getLast().hurt()).isEqualTo(CloseCall.Hurt.SIGNAL);
  }

  @Test
  void padsFartherApartAreNoMatter() {
    assertThat(CloseCall.on(twoResistors(2.21), "main")).isEmpty();
    assertThat(CloseCall.on(twoResistors(2.19), "main")).hasSize(2);
  }

  @Test
  void neighboursInARowCountWhenTheyCarryTheSupply() {
    Parts parts =
        KitMaker.kit()
            .line("j", PartKind.HEADER, "", "header-1x4", null, "J1")
            .place("J1", 30, 30)
            .net("5V", "J1.1")
            .net("GND", "J1.2")
            .net("A", "J1.3")
            .net("B", "J1.4")
            .supply("usb", 5, 500, "5V", "GND")
            .parts();
    assertThat(CloseCall.on(parts, "main"))
        .singleElement()
        .satisfies(call -> {
          assertThat(call.a()).isEqualTo(new PinRef("J1", "1"));
          assertThat(call.b()).isEqualTo(new PinRef("J1", "2"));
        });
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5})
  void theSweepFindsWhatComparingEveryPadWithEveryPadFinds(long seed) {
    Random random = new Random(seed);
    KitMaker kit = KitMaker.kit();
    for (int i = 0; i < 40; i++) {
      String ref = "R" + i;
      kit.resistor(ref, "1k")
          .place(ref, random.nextDouble(5, 40), random.nextDouble(5, 30))
          .net("N" + i, ref + ".1")
          .net("M" + i % 5, ref + ".2");
    }
    // A net of several pads is given once more with all of them: the last one holds.
    for (int k = 0; k < 5; k++) {
      List<String> pins = new ArrayList<>();
      for (int i = k; i < 40; i += 5) {
        pins.add("R" + i + ".2");
      }
      kit.net("M" + k, pins.toArray(String[]::new));
    }
    Parts parts = kit.parts();
    assertThat(found(CloseCall.on(parts, "main"))).isEqualTo(everyPair(parts)).isNotEmpty();
  }

  private static Set<String> found(List<CloseCall> calls) {
    Set<String> found = new TreeSet<>();
    calls.forEach(call -> found.add(key(call.a(), call.b())));
    return found;
  }

  private static String key(PinRef a, PinRef b) {
    return a.toString().compareTo(b.toString()) < 0 ? a + " " + b : b + " " + a;
  }

  private static Set<String> everyPair(Parts parts) {
    Set<String> pairs = new TreeSet<>();
    for (Part a : parts.all()) {
      for (PackagePin pinA : a.pack().pins()) {
        for (Part b : parts.all()) {
          for (PackagePin pinB : b.pack().pins()) {
            PinRef one = new PinRef(a.ref(), pinA.number());
            PinRef other = new PinRef(b.ref(), pinB.number());
            double gap =
                parts.padAt(one).orElseThrow().distanceMm(parts.padAt(other).orElseThrow())
                    - PadSize.THROUGH_MM;
            if (gap < 0.6 && !parts.netOf(one).equals(parts.netOf(other))) {
              pairs.add(key(one, other));
            }
          }
        }
      }
    }
    return pairs;
  }

  @Test
  void theInspectionBeginsWithWhatWouldHurtAndNamesEveryJointOnce() {
    Parts parts = twoResistors(2);
    Inspection all = Inspection.of(parts, "main", Set.of("R1", "R2"));
    assertThat(all.joints()).extracting(Inspection.Joint::pin).doesNotHaveDuplicates().hasSize(4);
    assertThat(all.joints().getFirst().close())
        .get()
        .extracting(CloseCall::hurt)
        .isEqualTo(CloseCall.Hurt.SUPPLY);
    assertThat(Inspection.of(parts, "main", Set.of("R2")).joints())
        .extracting(joint -> joint.pin().ref())
        .containsOnly("R2");
    assertThat(Inspection.of(parts, "main", Set.of()).joints()).isEmpty();
  }
}
