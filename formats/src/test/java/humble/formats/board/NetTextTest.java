package humble.formats.board;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.budget.Budget;
import humble.core.kit.Finding;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class NetTextTest {
  private static NetText read(String text) {
    return NetText.read(text, "nets.txt", Budget.unlimited());
  }

  @Test
  void aLineANet() {
    NetText read = read("# the lantern\nGND: U1.8 R1.1, C1-2\n\n5V = J1.1 U1.4\nGND: D1.k\n");
    assertThat(read.problems()).isEmpty();
    assertThat(read.nets())
        .isEqualTo(
            Map.of("GND", List.of("U1.8", "R1.1", "C1.2", "D1.k"), "5V", List.of("J1.1", "U1.4")));
  }

  @Test
  void whatIsNoNetOrPinIsSaidWithItsLine() {
    NetText read = read("GND U1.8\n5V: J1.1 half\n3V: J1.1\n");
    assertThat(read.problems())
        .extracting(Finding::toString)
        .containsExactly(
            "nets.txt line 1: A net is written like 'GND: U1.8 R1.1'; this line is not read.",
            "nets.txt line 2: 'half' is no pin such as U1.8.",
            "nets.txt line 3: J1.1 is on 5V already; it is not put on 3V.");
  }

  @Test
  void aDeckNamesNodesAndElements() {
    NetText read =
        read(
            "lantern\n* net 5V = n1\nV1 n1 0 5\nR1 n1 mid 1k\nDLED3 mid 0 dled\nQ2 mid b1 0 qn\n"
                + "XU1 n1 0 mid chip\nW9 a b\n.op\n.end\nR9 a b 1\n");
    assertThat(read.nets())
        .isEqualTo(
            Map.of(
                "5V", List.of("R1.1", "U1.1"),
                "mid", List.of("R1.2", "DLED3.a", "Q2.c", "U1.3"),
                "GND", List.of("DLED3.k", "Q2.e", "U1.2"),
                "b1", List.of("Q2.b")));
    assertThat(read.problems())
        .extracting(Finding::where)
        .containsExactly("nets.txt line 3", "nets.txt line 8");
  }

  @Test
  void whatTwoSourcesSayDifferentlyIsShown() {
    Map<String, List<String>> a = Map.of("GND", List.of("R1.1", "R2.1"), "A", List.of("R1.2"));
    Map<String, List<String>> same = Map.of("0", List.of("R2.1", "R1.1"), "x", List.of("R1.2"));
    assertThat(NetsBeside.differences(a, "the text", same, "the copper")).isEmpty();
    Map<String, List<String>> open = Map.of("n1", List.of("R1.1", "R1.2"), "n2", List.of("R2.1"));
    assertThat(NetsBeside.differences(a, "the text", open, "the copper"))
        .extracting(Finding::text)
        .containsExactly(
            "the text joins R1.1 and R2.1 on GND; the copper has them on n1 and n2.",
            "the copper joins R1.2 and R1.1 on n1; the text has them on A and GND.");
  }

  @Property(tries = 200)
  void noTextMakesItFall(@ForAll String text) {
    NetText read = read(text + "\n.end");
    assertThat(read.nets().values()).allSatisfy(pins -> assertThat(pins).isNotEmpty());
  }
}
