package humble.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import humble.core.KitMaker;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** One circuit of diodes, a transistor and a FET, held against a SPICE run of the same deck. */
class SpiceAgreementTest {
  private static final Pattern PRINTED =
      Pattern.compile("^v\\((\\w+)\\)\\s*=\\s*(\\S+)", Pattern.MULTILINE);

  @TempDir Path folder;

  private Map<String, Double> spice(String deck) throws IOException, InterruptedException {
    Map<String, Double> volts = new HashMap<>();
    Matcher matcher = PRINTED.matcher(Spice.run(folder, deck));
    while (matcher.find()) {
      volts.put(matcher.group(1), Double.parseDouble(matcher.group(2)));
    }
    return volts;
  }

  private static String junction(String name, double vf, double amps, double n) {
    double saturation = amps / Math.expm1(vf / (n * 0.0258649));
    return String.format(
        Locale.ROOT, ".model %s D(IS=%.10e N=%.3f GMIN=1e-12)%n", name, saturation, n);
  }

  @Test
  void theOperatingPointIsThatOfSpice() throws IOException, InterruptedException {
    assumeTrue(Spice.installed(), "the launcher installs ngspice where it can");
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "220")
            .resistor("R2", "10k")
            .resistor("R3", "4.7k")
            .resistor("R4", "100")
            .resistor("R5", "1k")
            .line("led", PartKind.LED, "", "led-3", null, "LED1")
            .line("d", PartKind.DIODE, "", "axial-small-glass", null, "D1")
            .line(
                "q",
                PartKind.TRANSISTOR_NPN,
                "",
                "half-round-3",
                new Model.Bipolar(true, 180, "2", "1", "3"),
                "Q1")
            .line(
                "m",
                PartKind.MOSFET_N,
                "",
                "half-round-3",
                new Model.Mosfet(true, 1.5, 0.02, "1", "2", "3"),
                "M1")
            .net("IN", "R1.1", "R2.1", "R4.1")
            .net("A", "R1.2", "LED1.a")
            .net("C", "LED1.k", "Q1.1")
            .net("B", "R2.2", "R3.1", "Q1.2")
            .net("E", "Q1.3", "D1.a")
            .net("DR", "R4.2", "M1.2", "R5.1")
            .net("G", "R5.2", "M1.1")
            .net("GND", "R3.2", "D1.k", "M1.3")
            .supply("s", 5, 500, "IN", "GND")
            .state(
                new BoardState(
                    "on", "on", "s", List.of(), List.of(), Map.of(), Map.of(), Map.of(), Map.of()))
            .parts();
    String deck =
        "* agreement\n"
            + "V1 in 0 5\nR1 in a 220\nR2 in b 10k\nR3 b 0 4.7k\nR4 in dr 100\nR5 dr g 1k\n"
            + "DLED1 a c led\nD1 e 0 dio\nQ1 c b e npn\nM1 dr g 0 0 nm\n"
            + junction("led", 2.0, 0.01, 2.0)
            + junction("dio", 0.65, 0.01, 1.8)
            + ".model npn NPN(IS=1e-14 BF=180 BR=1)\n"
            + ".model nm NMOS(LEVEL=1 VTO=1.5 KP=0.02 LAMBDA=0)\n"
            + ".options temp=27 tnom=27 reltol=1e-6 gmin=1e-12\n.op\n.control\nrun\n"
            + "print v(a) v(b) v(c) v(e) v(dr)\n.endc\n.end\n";
    Map<String, Double> theirs = spice(deck);
    assertThat(theirs).hasSize(5);
    DcResult ours =
        ((DcOutcome.Solved) new DcSolver(parts).solve(parts.kit().states().getFirst(), List.of()))
            .result();
    theirs.forEach((net, volts) ->
        assertThat(ours.volts(net.toUpperCase(Locale.ROOT)))
            .as(net)
            .isCloseTo(volts, within(Math.max(0.001, Math.abs(volts) * 0.001))));
  }

  /** A deck is a program: what a kit calls things must not become a line of it. */
  @Test
  void noTextOfAKitBecomesACommandOfADeck() throws IOException, InterruptedException {
    Path harm = folder.resolve("harm");
    String command = "\n.control\nshell touch " + harm + "\n.endc\n*";
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "1k")
            .resistor("R2" + command, "1k")
            .line("led", PartKind.LED, "", "led-3", null, "LED1" + command)
            .net("A" + command, "R1.1")
            .net("B\nV9 2 0 DC 99\n*", "R1.2", "R2" + command + ".1")
            .net("C", "R2" + command + ".2", "LED1" + command + ".a")
            .net("GND", "LED1" + command + ".k")
            .supply("s", 5, 100, "A" + command, "GND")
            .state("on", "s")
            .parts();
    BoardState on = parts.kit().state("on").orElseThrow();
    String deck = new DcSolver(parts).deck(on, List.of(), "kit" + command).orElseThrow();
    assertThat(deck.lines())
        .allMatch(
            line -> line.matches("[*] .*|[RIVDG][A-Za-z0-9_]* .*|[.](model|options|op|end).*"))
        .noneMatch(line -> line.contains(".control"))
        .noneMatch(line -> line.contains("shell ") || line.startsWith("V9"));
    assumeTrue(Spice.installed(), "the launcher installs ngspice where it can");
    Spice.run(folder, deck);
    assertThat(harm).doesNotExist();
  }
}
