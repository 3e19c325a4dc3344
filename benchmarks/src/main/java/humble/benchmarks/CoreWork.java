package humble.benchmarks;

import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcSolver;
import humble.core.kit.Parts;
import humble.core.power.Expectation;
import humble.core.power.GateReckoning;
import humble.core.route.NoPlan;
import humble.core.route.Plan;
import humble.core.route.Planner;
import humble.core.route.School;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** What JMH runs: each a piece of work that a person waits for. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class CoreWork {
  private final Path kit = Path.of(System.getProperty("humble.root", "."), "kits", "glowmoth");
  private final Parts parts = Parts.of(opened());

  private humble.core.kit.Kit opened() {
    return switch (KitFolder.at(kit).read()) {
      case KitRead.Opened opened -> opened.kit();
      case KitRead.Refused refused ->
          throw new IllegalStateException(refused.findings().toString());
    };
  }

  static String title(String method) {
    return switch (method) {
      case "readKit" -> "read and check the demo kit";
      case "solveOneState" -> "operating point of one state";
      case "expectGate" -> "what the gate should read, tolerances and usual faults included";
      case "planLow" -> "plan, lowest part first";
      default -> method;
    };
  }

  /** Reads and checks the demo kit. */
  @Benchmark
  public KitRead readKit() {
    return KitFolder.at(kit).read();
  }

  /** Solves one state. */
  @Benchmark
  public DcOutcome solveOneState() {
    return new DcSolver(parts).solve(parts.kit().states().getFirst(), List.of());
  }

  /** Reckons what the first gate should read. */
  @Benchmark
  public Optional<Expectation> expectGate() {
    return new GateReckoning(parts).of(parts.kit().gates().getFirst());
  }

  /** Plans by the school of the lowest part. */
  @Benchmark
  public Plan planLow() throws NoPlan {
    return Planner.plan(parts, School.LOW, Map.of(), 0, Set.of());
  }
}
