package humble.core.orient;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Home;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.Mount;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Side;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class NetTraceTest {
  private static Model chip() {
    return new Model.Load("8", "4", 5, 2.7, Map.of("3", 25.0));
  }

  private static Parts parts() {
    return KitMaker.kit()
        .line("s", PartKind.SOCKET, "", "socket-dip-8", null, "SK1")
        .line("u", PartKind.IC, "", "dip-8", chip(), "U1")
        .line("v", PartKind.IC, "", "dip-8", chip(), "U2")
        .line("c", PartKind.CAPACITOR, "100n", "disc-5", null, "C1")
        .line("d", PartKind.LED, "", "led-5", null, "LED1")
        .place("SK1", 20, 20)
        .place("U1", Side.TOP, 20, 20, 0, Mount.SOCKETED, 0, null)
        .place("U2", 60, 20)
        .place("C1", 20, 30)
        .place("LED1", 40, 40)
        .net("V", "U1.8", "U2.8", "C1.1")
        .net("GND", "U1.4", "U2.4", "C1.2", "LED1.k")
        .net("OUT", "U1.3", "LED1.a")
        .parts();
  }

  /** The same with a capacitor beside the other chip. */
  private static Kit served() {
    return KitMaker.kit()
        .line("u", PartKind.IC, "", "dip-8", chip(), "U1", "U2")
        .line("c", PartKind.CAPACITOR, "100n", "disc-5", null, "C1", "C2")
        .place("U1", 20, 20)
        .place("U2", 60, 20)
        .place("C1", 20, 30)
        .place("C2", 60, 30)
        .net("V", "U1.8", "U2.8", "C1.1", "C2.2")
        .net("GND", "U1.4", "U2.4", "C1.2", "C2.1")
        .parts()
        .kit();
  }

  @Test
  void aPadOfASocketLightsTheNetOfItsChip() {
    NetTrace trace = NetTrace.of(parts(), new PinRef("SK1", "3")).orElseThrow();
    assertThat(trace.net()).isEqualTo("OUT");
    assertThat(trace.joined())
        .extracting(joined -> joined.pin() + " " + joined.what().key())
        .containsExactly("U1.3 net.output", "LED1.2 net.anode");
  }

  @Test
  void thePartInHandComesFirst() {
    NetTrace trace = NetTrace.of(parts(), new PinRef("LED1", "1")).orElseThrow();
    assertThat(trace.joined().getFirst().pin().ref()).isEqualTo("LED1");
    assertThat(trace.joined()).hasSize(4);
    assertThat(NetTrace.of(parts(), new PinRef("U1", "5"))).isEmpty();
  }

  @Test
  void aCapacitorWithoutAPlaceGoesToTheChipThatHasNoneCloseBy() {
    Line loose =
        new Line(
            "x",
            PartKind.CAPACITOR,
            "100n",
            null,
            0,
            "disc-5",
            List.of(),
            1,
            "",
            "",
            false,
            List.of(),
            List.of(),
            Home.NONE,
            List.of(),
            0,
            null,
            null);
    NetTrace.Proposal proposal = NetTrace.home(parts(), loose).orElseThrow();
    assertThat(proposal.chip()).isEqualTo("U2");
    assertThat(proposal.from()).isEqualTo(new PinRef("U2", "8"));
    assertThat(NetTrace.home(Parts.of(served()), loose))
        .as("every chip has one: it is a spare")
        .isEmpty();
    Line resistor =
        new Line(
            "y",
            PartKind.RESISTOR,
            "1k",
            null,
            0,
            "axial-quarter-watt",
            List.of(),
            1,
            "",
            "",
            false,
            List.of(),
            List.of(),
            Home.NONE,
            List.of(),
            0,
            null,
            null);
    assertThat(NetTrace.home(parts(), resistor)).isEmpty();
  }
}
