package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcResult;
import humble.core.circuit.DcSolver;
import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Every demo kit in every state, and a sample of faults, net by net against a real SPICE. */
class SpiceDeckTest {
  private static final int FAULTS_A_KIT = 12;

  @TempDir Path folder;

  static Stream<Arguments> points() {
    List<Arguments> points = new ArrayList<>();
    for (Path path : DemoKits.all()) {
      Parts parts =
          switch (KitFolder.at(path).read()) {
            case KitRead.Opened opened -> Parts.of(opened.kit());
            case KitRead.Refused refused -> throw new AssertionError(refused.findings().toString());
          };
      List<BoardState> states =
          parts.kit().states().stream().filter(state -> state.supply() != null).toList();
      if (states.isEmpty()) {
        // A kit that was told, and not written, has no state of its own yet.
        continue;
      }
      states.forEach(state -> points.add(Arguments.of(parts, state, List.of())));
      List<Fault> faults = faults(parts);
      int step = Math.max(1, faults.size() / FAULTS_A_KIT);
      for (int i = 0; i < faults.size(); i += step) {
        points.add(
            Arguments.of(parts, states.get(i / step % states.size()), List.of(faults.get(i))));
      }
    }
    return points.stream();
  }

  private static List<Fault> faults(Parts parts) {
    List<Fault> faults = new ArrayList<>();
    for (Part part : parts.all()) {
      PartKind kind = part.line().kind();
      boolean two = part.pack().pins().size() <= 3;
      if (two && (kind.isDiode() || kind.isThreeLegged())) {
        faults.add(new Fault.Reversed(part.ref()));
      }
      if (two && kind == PartKind.RESISTOR) {
        Fault.parse("open:" + part.ref() + ".1").ifPresent(faults::add);
        Fault.parse("value:" + part.ref() + "=47").ifPresent(faults::add);
      }
      if (kind == PartKind.CAPACITOR) {
        Fault.parse("short:" + part.ref() + ".1-" + part.ref() + ".2").ifPresent(faults::add);
      }
    }
    return faults;
  }

  private Spice spice(String deck) throws IOException, InterruptedException {
    String printed = Ngspice.run(folder, deck);
    return new Spice(Ngspice.volts(deck, printed), diodes(printed));
  }

  private record Spice(Map<String, Double> volts, Map<String, Double> amps) {}

  /** Currents of diodes by the name of their element, from the table of devices. */
  private static Map<String, Double> diodes(String printed) {
    Map<String, Double> amps = new HashMap<>();
    List<String> names = List.of();
    for (String line : printed.split("\n")) {
      List<String> words = List.of(line.strip().split("\\s+"));
      if (words.getFirst().equals("device")) {
        names = words;
      } else if (words.getFirst().equals("id") && words.size() == names.size()) {
        for (int i = 1; i < words.size(); i++) {
          amps.put(names.get(i), Double.valueOf(words.get(i)));
        }
      }
    }
    return amps;
  }

  @ParameterizedTest
  @MethodSource("points")
  void everyNetIsThatOfSpice(Parts parts, BoardState state, List<Fault> faults)
      throws IOException, InterruptedException {
    assumeTrue(Ngspice.installed(), "the launcher installs ngspice where it can");
    DcSolver solver = new DcSolver(parts);
    DcResult ours =
        switch (solver.solve(state, faults)) {
          case DcOutcome.Solved solved -> solved.result();
          case DcOutcome.Unsolved unsolved -> throw new AssertionError(unsolved.why());
        };
    String deck = solver.deck(state, faults, "agreement").orElseThrow();
    assertThat(deck).endsWith(".op\n.end\n").doesNotContain(".control");
    Spice theirs = spice(deck);
    ours.nets()
        .forEach((net, volts) -> {
          if (volts != null) {
            // In a deck every character but letters, digits and underscores is an underscore.
            Double other = theirs.volts().get(net.replaceAll("[^A-Za-z0-9_]", "_"));
            assertThat(other).as(net).isNotNull();
            assertThat(volts)
                .as(net)
                .isCloseTo(other, within(Math.max(0.001, Math.abs(other) * 0.001)));
          }
        });
    ours.parts()
        .forEach((ref, current) -> {
          if (Boolean.TRUE.equals(current.lit())) {
            Double other = theirs.amps().get("d" + ref.toLowerCase(Locale.ROOT));
            assertThat(other).as(ref).isNotNull();
            assertThat(current.ma() / 1000).as(ref).isCloseTo(other, withinPercentage(1));
          }
        });
  }
}
