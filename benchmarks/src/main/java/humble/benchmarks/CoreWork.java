package humble.benchmarks;

import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcSolver;
import humble.core.circuit.Fault;
import humble.core.circuit.FaultSweep;
import humble.core.circuit.StateSolver;
import humble.core.intake.Draft;
import humble.core.intake.Intake;
import humble.core.kit.BoardState;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.likeness.Eyes;
import humble.core.likeness.Light;
import humble.core.likeness.LookAlikes;
import humble.core.mend.Diagnosis;
import humble.core.mend.Habits;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.mend.Predictions;
import humble.core.mend.Suspects;
import humble.core.power.Expectation;
import humble.core.power.GateReckoning;
import humble.core.route.NoPlan;
import humble.core.route.Plan;
import humble.core.route.Planner;
import humble.core.route.School;
import humble.core.stock.Meter;
import humble.core.stock.MeterProfile;
import humble.formats.board.BoardFileDamage;
import humble.formats.board.Gerber;
import humble.formats.board.Layer;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import humble.formats.kit.KitWriter;
import humble.formats.table.PartsTable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
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
  private final Parts parts = Parts.of(opened(kit));
  private final Parts largest = Parts.of(opened(kit.resolveSibling("lockkeeper")));
  private final Diagnosis mending = mending(largest);
  private double nudge;
  private final String list = list(5000);
  private final byte[] gerber = gerber();
  private final Parts many = many();
  private final Kit threeHundred = resistors(300);
  private final Kit forty = resistors(40);

  private static Kit opened(Path folder) {
    return switch (KitFolder.at(folder).read()) {
      case KitRead.Opened opened -> opened.kit();
      case KitRead.Refused refused ->
          throw new IllegalStateException(refused.findings().toString());
    };
  }

  static String title(String method) {
    return switch (method) {
      case "readKit" -> "read and check the demo kit";
      case "solveOneState" -> "operating point of one state";
      case "solveLargest" -> "operating point of the largest demo kit, all its lights on";
      case "sweepFaults" -> "all single faults of the badge (56 parts) in all its states";
      case "nextMeasurement" ->
          "next measurement on the largest demo kit, after its first two answers";
      case "expectGate" -> "what the gate should read, tolerances and usual faults included";
      case "planLow" -> "plan, lowest part first";
      case "bringIn" -> "bring in a parts list of 5,000 lines, read to written text";
      case "readGerber" -> "read a Gerber layer of 10 MB";
      case "planBlocks" -> "plan, block by block";
      case "planThreeHundred" -> "plan a kit of 300 parts in 60 groups, lowest part first";
      case "lookAlikes" -> "look-alikes of a 300-line kit";
      case "smallestSet" -> "look-alikes of 40 lines and the smallest set, exact";
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

  /** Solves the fullest state of the largest demo kit. */
  @Benchmark
  public DcOutcome solveLargest() {
    return new DcSolver(largest).solve(largest.kit().states().getLast(), List.of());
  }

  /** Lists and solves every single fault of the badge in every state, on all processors. */
  @Benchmark
  public int sweepFaults() {
    int solved = 0;
    for (BoardState state : parts.kit().states()) {
      List<Fault> faults =
          Suspects.of(parts, state, Habits.usual()).stream()
              .flatMap(suspect -> suspect.fault().stream())
              .toList();
      solved += new FaultSweep(parts, new StateSolver(parts, state)).of(faults, () -> false).size();
    }
    return solved;
  }

  /** Judges every suspect after two answers and looks for the best measurement. */
  @Benchmark
  public Diagnosis.Known nextMeasurement() {
    nudge = nudge == 0 ? 1e-5 : 0;
    return mending.after(
        List.of(
            new Observation.Reading(
                new Measure.Amps(String.valueOf(largest.kit().states().getLast().supply())),
                0.2 + nudge,
                1e-3),
            new Observation.Reading(new Measure.Volts("5V"), 4.99, 0.01)));
  }

  private static Diagnosis mending(Parts parts) {
    BoardState state = parts.kit().states().getLast();
    Diagnosis diagnosis =
        new Diagnosis(
            new Predictions(parts, state, Suspects.of(parts, state, Habits.usual()), () -> false),
            Meter.USUAL);
    diagnosis.suspectsAfter(List.of());
    return diagnosis;
  }

  /** Reckons what the first gate should read. */
  @Benchmark
  public Optional<Expectation> expectGate() {
    return new GateReckoning(parts).of(parts.kit().gates().getFirst());
  }

  /** Brings in a long parts list, from its text to the text of the kit file. */
  @Benchmark
  public byte[] bringIn() throws IOException {
    Draft draft =
        Intake.draft("Long list", PartsTable.parts(list, "list.csv").rows(), List.of(), Map.of());
    return KitWriter.text(draft.kit());
  }

  /** Finds what looks alike among 300 lines of resistors, and the few to measure. */
  @Benchmark
  public LookAlikes lookAlikes() {
    return LookAlikes.of(threeHundred, Light.WARM, Eyes.DEUTAN, MeterProfile.USUAL);
  }

  /** The same for 40 lines in a warm light to red-weak eyes, exact. */
  @Benchmark
  public LookAlikes smallestSet() {
    return LookAlikes.of(forty, Light.WARM, Eyes.PROTAN, MeterProfile.USUAL);
  }

  private static String list(int lines) {
    StringBuilder list = new StringBuilder("Ref,Value,Package,Qty,Note\n");
    for (int i = 1; i <= lines; i++) {
      list.append("R").append(i).append(',').append(i).append("k,axial 0207,1,row ").append(i);
      list.append('\n');
    }
    return list.toString();
  }

  /** Resistors of the preferred numbers, decade after decade, two tolerances. */
  private static Kit resistors(int lines) {
    int[] digits = {
      10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91
    };
    StringBuilder list = new StringBuilder("Ref,Value,Tolerance\n");
    for (int i = 0; i < lines; i++) {
      long ohms = digits[i % digits.length] * (long) Math.pow(10, i / digits.length % 5);
      list.append("R").append(i + 1).append(',').append(ohms).append("R,");
      list.append(i / digits.length < 5 ? "5" : "1").append("%\n");
    }
    try {
      return Intake.draft("x", PartsTable.parts(list.toString(), "x").rows(), List.of(), Map.of())
          .kit();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Reads a layer of 10 MB: strokes, flashes and regions. */
  @Benchmark
  public Layer readGerber() throws BoardFileDamage {
    return Gerber.read("large.gbr", gerber);
  }

  /** Plans block by block. */
  @Benchmark
  public Plan planBlocks() throws NoPlan {
    return Planner.plan(parts, School.BLOCKS, Map.of(), 0, Set.of());
  }

  /** Plans a kit of 300 parts. */
  @Benchmark
  public Plan planThreeHundred() throws NoPlan {
    return Planner.plan(many, School.LOW, Map.of(), 0, Set.of());
  }

  /** Sixty lines of five parts, of all heights and leads, a tenth of them delicate. */
  private static Parts many() {
    String[] packages = {
      "axial-quarter-watt",
      "disc-5",
      "radial-5x11",
      "led-5",
      "dip-8",
      "half-round-3",
      "tab-3-upright",
      "radial-8x12",
      "crystal-low",
      "header-1x6",
      "tact-6",
      "film-5"
    };
    StringBuilder list = new StringBuilder("Ref,Value,Package,Kind\n");
    for (int i = 0; i < 60; i++) {
      String pack = packages[i % packages.length];
      String kind =
          pack.startsWith("led") ? "led" : pack.startsWith("axial") ? "resistor" : "other";
      list.append("X").append(5 * i + 1).append("-X").append(5 * i + 5).append(',').append(i + 1);
      list.append("k,").append(pack).append(',').append(kind).append('\n');
    }
    try {
      return Parts.of(
          Intake.draft("x", PartsTable.parts(list.toString(), "x").rows(), List.of(), Map.of())
              .kit());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static byte[] gerber() {
    StringBuilder out =
        new StringBuilder("%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,0.2*%\n%ADD11R,1.6X1.6*%\nD10*\n");
    for (int i = 0; out.length() < 10 << 20; i++) {
      long x = i % 1000 * 100_000L;
      long y = i / 1000 * 100_000L;
      out.append("X").append(x).append("Y").append(y).append("D02*\n");
      out.append("X").append(x + 50_000).append("Y").append(y + 70_000).append("D01*\n");
      if (i % 50 == 0) {
        out.append("D11*\nX").append(x).append("Y").append(y).append("D03*\nD10*\n");
      }
    }
    return out.append("M02*\n").toString().getBytes(StandardCharsets.ISO_8859_1);
  }

  /** Plans by the school of the lowest part. */
  @Benchmark
  public Plan planLow() throws NoPlan {
    return Planner.plan(parts, School.LOW, Map.of(), 0, Set.of());
  }
}
