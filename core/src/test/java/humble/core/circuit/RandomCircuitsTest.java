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
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Circuits that nobody designed, with a fault in some, held against a SPICE run of their deck. */
class RandomCircuitsTest {
  private static final Pattern NODE =
      Pattern.compile(
          "^\\s*(?:V\\()?(\\d+)\\)?\\s+(-?[\\d.]+(?:e[+-]\\d+)?)\\s*$", Pattern.MULTILINE);
  private static final Pattern NET =
      Pattern.compile("^\\* net (\\S+) = (\\d+)$", Pattern.MULTILINE);
  private static final String[] OHMS = {"10", "47", "220", "1k", "4.7k", "47k", "100k"};

  @TempDir Path folder;

  @BeforeAll
  static void needsSpice() {
    assumeTrue(Spice.installed(), "the launcher installs ngspice where it can");
  }

  /** A circuit being drawn: parts with their pins on nets. */
  private static final class Drawn {
    private final Random random;
    private final KitMaker kit = KitMaker.kit();
    private final Map<String, List<String>> nets = new LinkedHashMap<>();
    private final List<String> names = new ArrayList<>(List.of("IN", "GND"));
    private final List<String> refs = new ArrayList<>();

    Drawn(long seed) {
      random = new Random(seed);
    }

    private String any() {
      return names.get(random.nextInt(names.size()));
    }

    private double of(double... values) {
      return values[random.nextInt(values.length)];
    }

    private void wire(String ref, String... on) {
      refs.add(ref);
      for (int pin = 1; pin <= on.length; pin++) {
        nets.computeIfAbsent(on[pin - 1], key -> new ArrayList<>()).add(ref + '.' + pin);
      }
    }

    private void two(String ref, PartKind kind, String pack, Model model) {
      kit.line("line-" + ref, kind, "", pack, model, ref);
      wire(ref, any(), any());
    }

    private void three(String ref, PartKind kind, Model model, String a, String b, String c) {
      kit.line("line-" + ref, kind, "", "half-round-3", model, ref);
      wire(ref, a, b, c);
    }

    private void resistor(String ref, String a, String b) {
      kit.resistor(ref, OHMS[random.nextInt(OHMS.length)]);
      wire(ref, a, b);
    }

    private void part(int i) {
      switch (random.nextInt(9)) {
        case 0 ->
            two(
                "D" + i,
                PartKind.DIODE,
                "axial-small-glass",
                new Model.Junction(of(0.3, 0.65), 10, of(1.05, 1.8), false));
        case 1, 2 ->
            two(
                "LED" + i,
                PartKind.LED,
                "led-3",
                new Model.Junction(of(1.8, 2, 3.1), of(2, 20), 2, true));
        case 3 ->
            two("Z" + i, PartKind.ZENER, "axial-small-glass", new Model.Zener(of(2.7, 5.1), 5));
        case 4 ->
            three(
                "Q" + i,
                PartKind.TRANSISTOR_NPN,
                new Model.Bipolar(random.nextBoolean(), of(80, 300), "2", "1", "3"),
                any(),
                any(),
                any());
        case 5 ->
            three(
                "M" + i,
                PartKind.MOSFET_N,
                new Model.Mosfet(true, of(1, 2), of(0.01, 0.5), "1", "2", "3"),
                any(),
                any(),
                "GND");
        case 6 ->
            three(
                "U" + i,
                PartKind.REGULATOR,
                new Model.Regulator(of(3.3, 5), of(0.3, 1.7), of(100, 500), 5, 65, "1", "2", "3"),
                "IN",
                "GND",
                any());
        case 7 ->
            two("BT" + i, PartKind.BATTERY, "header-1x2", new Model.Battery(3, of(1, 12), 220, 2));
        default -> resistor("R" + i, any(), any());
      }
    }

    Parts parts() {
      kit.line("line-J1", PartKind.HEADER, "", "header-1x2", null, "J1");
      wire("J1", "IN", "GND");
      int count = 4 + random.nextInt(5);
      for (int i = 1; i <= count; i++) {
        String from = any();
        names.add("N" + i);
        resistor("R" + i, from, "N" + i);
      }
      for (int i = count + 1; i <= 2 * count; i++) {
        part(i);
      }
      nets.forEach((net, pins) -> kit.net(net, pins.toArray(String[]::new)));
      return kit.supply("s", of(3, 5, 9, 12), of(20, 100, 500), "J1.1", "J1.2")
          .state(
              new BoardState(
                  "on", "on", "s", List.of(), List.of(), Map.of(), Map.of(), Map.of(), Map.of()))
          .parts();
    }

    List<Fault> fault() {
      String ref = refs.get(random.nextInt(refs.size() - 1));
      return switch (random.nextInt(5)) {
        case 0 -> Fault.parse("open:" + ref + ".1").stream().toList();
        case 1 -> Fault.parse("short:" + ref + ".1-" + ref + ".2").stream().toList();
        case 2 -> List.of(new Fault.Missing(ref));
        default -> List.of();
      };
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 100, 200, 300})
  void everyNetOfEveryCircuitIsThatOfSpice(long first) throws IOException, InterruptedException {
    for (long seed = first; seed < first + 12; seed++) {
      Drawn drawn = new Drawn(seed);
      Parts parts = drawn.parts();
      agrees("seed " + seed, parts, drawn.fault());
    }
  }

  @Test
  void namesOfPartsNeverMeetTheNamesThatTheDeckMakesUp() throws IOException, InterruptedException {
    KitMaker kit = KitMaker.kit();
    List<String> in = new ArrayList<>(List.of("R1.1"));
    List<String> ground = new ArrayList<>();
    List<String> mid = new ArrayList<>(List.of("R1.2"));
    kit.resistor("R1", "100");
    for (int i = 1; i < 12; i++) {
      for (String ref : List.of("Z" + i, "X" + i)) {
        kit.line(
            "line-" + ref,
            PartKind.ZENER,
            "",
            "axial-small-glass",
            new Model.Zener(3.3 + i, 5),
            ref);
        mid.add(ref + ".1");
        ground.add(ref + ".2");
      }
    }
    kit.net("IN", in.toArray(String[]::new))
        .net("MID", mid.toArray(String[]::new))
        .net("GND", ground.toArray(String[]::new))
        .supply("s", 12, 500, "IN", "GND")
        .state(
            new BoardState(
                "on", "on", "s", List.of(), List.of(), Map.of(), Map.of(), Map.of(), Map.of()));
    agrees("zeners", kit.parts(), List.of());
  }

  private void agrees(String name, Parts parts, List<Fault> faults)
      throws IOException, InterruptedException {
    BoardState state = parts.kit().states().getFirst();
    DcSolver solver = new DcSolver(parts);
    assertThat(solver.solve(state, faults)).as(name).isInstanceOf(DcOutcome.Solved.class);
    DcResult ours = ((DcOutcome.Solved) solver.solve(state, faults)).result();
    String deck = solver.deck(state, faults, name).orElseThrow();
    Map<String, Double> theirs = spice(deck);
    Matcher net = NET.matcher(deck);
    while (net.find()) {
      Double volts = ours.volts(net.group(1));
      if (volts != null && !net.group(2).equals("0")) {
        assertThat(theirs.getOrDefault(net.group(2), Double.NaN))
            .as(name + " " + faults + ", " + net.group(1))
            .isCloseTo(volts, within(Math.max(0.001, Math.abs(volts) * 0.001)));
      }
    }
  }

  private Map<String, Double> spice(String deck) throws IOException, InterruptedException {
    Map<String, Double> volts = new HashMap<>();
    Matcher matcher = NODE.matcher(Spice.run(folder, deck));
    while (matcher.find()) {
      volts.put(matcher.group(1), Double.parseDouble(matcher.group(2)));
    }
    return volts;
  }
}
