package humble.core.craft;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Mount;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class JointOrderTest {
  private static Parts one(PartKind kind, String pack) {
    return KitMaker.kit().line("x", kind, "", pack, null, "X1").place("X1", 30, 30).parts();
  }

  private static double hottest(Part part, List<PinRef> order) {
    double hottest = 0;
    for (int i = 0; i < order.size(); i++) {
      hottest = Math.max(hottest, JointOrder.heatAt(part, order.get(i), order.subList(0, i)));
    }
    return hottest;
  }

  private static PointMm at(Part part, PinRef pin) {
    return part.pack().pin(pin.pin()).orElseThrow().at();
  }

  @ParameterizedTest
  @ValueSource(strings = {"dip-14", "dip-28", "dip-40-wide"})
  void aChipSolderedDirectlyIsHoppedRoundAndStaysCooler(String pack) {
    Parts parts = one(PartKind.IC, pack);
    Part part = parts.get("X1");
    JointOrder order = JointOrder.of(parts, "X1");
    List<PinRef> inRows = new ArrayList<>(order.joints());
    inRows.sort(java.util.Comparator.comparingInt(pin -> Integer.parseInt(pin.pin())));
    assertThat(order.hops()).isTrue();
    assertThat(order.joints()).hasSameSizeAs(part.pack().pins()).doesNotHaveDuplicates();
    assertThat(hottest(part, order.joints())).isLessThan(hottest(part, inRows) * 0.75);
    for (int i = 1; i < order.joints().size(); i++) {
      assertThat(at(part, order.joints().get(i)).distanceMm(at(part, order.joints().get(i - 1))))
          .as("joint %d after its neighbour", i)
          .isGreaterThan(2.6);
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"socket-dip-8", "socket-dip-28", "socket-dip-40-wide"})
  void aSocketIsTackedAtTwoCornersAcross(String pack) {
    Parts parts = one(PartKind.SOCKET, pack);
    Part part = parts.get("X1");
    JointOrder order = JointOrder.of(parts, "X1");
    double widest = 0;
    for (var a : part.pack().pins()) {
      for (var b : part.pack().pins()) {
        widest = Math.max(widest, a.at().distanceMm(b.at()));
      }
    }
    assertThat(order.tacks()).isEqualTo(2);
    assertThat(order.hops()).isFalse();
    assertThat(at(part, order.joints().get(0)).distanceMm(at(part, order.joints().get(1))))
        .isEqualTo(widest);
  }

  @Test
  void aResistorIsTackedByOneLead() {
    JointOrder order = JointOrder.of(one(PartKind.RESISTOR, "axial-quarter-watt"), "X1");
    assertThat(order.tacks()).isEqualTo(1);
    assertThat(order.joints()).hasSize(2);
  }

  @Test
  void theLeadOnTheWidePlaneIsNotTheTackAndComesLast() {
    KitMaker kit = KitMaker.kit();
    String[] ground = new String[14];
    for (int i = 0; i < 14; i++) {
      kit.resistor("R" + i, "1k").place("R" + i, 5 * i, 10);
      ground[i] = "R" + i + ".1";
    }
    Parts parts = kit.net("GND", ground).parts();
    assertThat(JointOrder.of(parts, "R3").joints())
        .containsExactly(new PinRef("R3", "2"), new PinRef("R3", "1"));
    assertThat(Hints.of(parts, "R3").getFirst().key()).isEqualTo("craft.hint.plane");
  }

  @Test
  void pinsToLeaveEmptyGetNoJoint() {
    Place place =
        new Place(
            "J1",
            "main",
            Side.TOP,
            new PointMm(20, 20),
            0,
            Mount.FLUSH,
            0,
            null,
            null,
            null,
            null,
            List.of("2"),
            List.of(),
            0,
            1);
    Parts parts =
        KitMaker.kit()
            .line("j", PartKind.HEADER, "", "header-1x4", null, "J1")
            .place(place)
            .parts();
    assertThat(JointOrder.of(parts, "J1").joints())
        .extracting(PinRef::pin)
        .containsExactlyInAnyOrder("1", "3", "4");
  }
}
