package humble.proofs.find;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The short form of the proof: faults found on boards that a SPICE simulates. */
class FindTest {
  private static final Path ROOT = Path.of(System.getProperty("humble.root", ".."));

  @TempDir Path folder;

  @Test
  void mostFaultsAreFoundAndNobodyIsConvictedFalsely() throws IOException {
    assumeTrue(Find.possible(), "the launcher installs ngspice where it can");
    Find.Played played = Find.played(ROOT, false, 60, 22, 5);
    assertThat(played.found()).isGreaterThan(0.75);
    assertThat(played.falseVerdicts()).isLessThanOrEqualTo(1);
    assertThat(played.released()).isGreaterThan(0.85);
    assertThat(played.untilReleased()).isLessThanOrEqualTo(8);
  }

  /** The other circuit is another, and still the same board. */
  @Test
  void aSoundBoardOfTheOtherCircuitReadsAsOurs() throws IOException, InterruptedException {
    assumeTrue(Find.possible(), "the launcher installs ngspice where it can");
    Parts parts =
        Parts.of(((KitRead.Opened) KitFolder.at(ROOT.resolve("kits/glowmoth")).read()).kit());
    BoardState state = parts.kit().state("lamp1").orElseThrow();
    RealBoard board = new RealBoard(parts, state, Optional.empty(), 1, false);
    Spice.Point theirs = board.solved(new Spice(folder), true, "").orElseThrow();
    DcOutcome.Solved ours =
        (DcOutcome.Solved) new DcSolver(parts).solve(state, java.util.List.of());
    for (Map.Entry<String, Double> net :
        Map.of("VBUS", 0.02, "VIN", 0.06, "3V3", 0.06, "SENSE", 0.06).entrySet()) {
      Double volts = ours.result().volts(net.getKey());
      assertThat(theirs.volts(board.node(net.getKey())))
          .as(net.getKey())
          .isCloseTo(volts, org.assertj.core.api.Assertions.within(net.getValue()))
          .isNotEqualTo(volts);
    }
  }
}
