package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.circuit.Cancelled;
import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcSolver;
import humble.core.circuit.Fault;
import humble.core.circuit.FaultSweep;
import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.mend.Habits;
import humble.core.mend.Suspects;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

class FaultSweepTest {
  private static final int EVERY = 5;

  private static Parts parts(String kit) {
    return Parts.of(
        ((KitRead.Opened) KitFolder.at(DemoKits.root().resolve("kits").resolve(kit)).read()).kit());
  }

  private static List<Fault> faults(Parts parts, BoardState state) {
    return Suspects.of(parts, state, Habits.usual()).stream()
        .flatMap(suspect -> suspect.fault().stream())
        .toList();
  }

  /** From the point as designed a few steps lead where the whole ladder leads. */
  @Test
  void everyFaultSolvedFromTheDesignedPointIsWhereASolveFromNowhereEnds() {
    for (String kit : List.of("glowmoth", "weathercock")) {
      Parts parts = parts(kit);
      for (BoardState state : parts.kit().states()) {
        List<Fault> all = faults(parts, state);
        List<Fault> some = new ArrayList<>();
        for (int i = 0; i < all.size(); i += EVERY) {
          some.add(all.get(i));
        }
        Map<Fault, Optional<Snapshot>> swept =
            new FaultSweep(parts, new StateSolver(parts, state)).of(some, () -> false);
        for (Fault fault : some) {
          Snapshot warm = swept.get(fault).orElseThrow();
          DcOutcome cold = new DcSolver(parts).solve(state, List.of(fault));
          String name = kit + " " + state.id() + " " + fault;
          if (cold instanceof DcOutcome.Solved solved) {
            solved
                .result()
                .nets()
                .forEach((net, volts) -> {
                  if (volts != null) {
                    assertThat(warm.openVolts(net).orElseThrow())
                        .as(name + " " + net)
                        .isCloseTo(volts, within(1e-3 + 1e-3 * Math.abs(volts)));
                  }
                });
          } else {
            Assertions.fail(name + " has no operating point");
          }
        }
      }
    }
  }

  @Test
  void bridgesOfTheSameNetsAreOneEditAndDeadIsWithout() {
    Parts parts = parts("glowmoth");
    FaultSweep sweep =
        new FaultSweep(parts, new StateSolver(parts, parts.kit().state("lamp1").orElseThrow()));
    assertThat(sweep.edit(Fault.parse("short:C1.1-C1.2").orElseThrow()))
        .isEqualTo(sweep.edit(Fault.parse("short:C1.2-C1.1").orElseThrow()))
        .isNotEmpty();
    assertThat(sweep.edit(Fault.parse("dead:U1").orElseThrow()))
        .isEqualTo(sweep.edit(Fault.parse("missing:U1").orElseThrow()));
    assertThat(sweep.edit(Fault.parse("open:C1.1").orElseThrow())).as("a capacitor").isEmpty();
  }

  @Test
  void aSweepStopsWhenItIsCancelled() {
    Parts parts = parts("weathercock");
    BoardState state = parts.kit().states().getFirst();
    FaultSweep sweep = new FaultSweep(parts, new StateSolver(parts, state));
    Assertions.assertThatThrownBy(() -> sweep.of(faults(parts, state), () -> true))
        .isInstanceOf(Cancelled.class);
  }
}
