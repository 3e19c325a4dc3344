package humble.benchmarks;

import humble.bench.LightsShow;
import humble.bench.PracticeBench;
import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.kit.PinRef;
import humble.core.kit.PointMm;
import humble.core.wake.LightChain;
import humble.core.wake.LightMatrix;
import humble.core.wake.LightScan;
import humble.core.wake.LightSuspect;
import humble.core.wake.ParallelLines;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * Random single faults of what is woken, and where the deduction puts the true one. What is dark
 * and what shines comes from the circuit, solved step by step of the scan; what lines read from
 * drivers that pull at each other through ohms. Neither is the table that the deduction plays.
 */
final class WakeFinding {
  private static final int TRIALS = Integer.getInteger("humble.trials", 500);
  private static final int GROUP_MOST = 4;
  private static final int WITHIN = 3;

  private WakeFinding() {}

  /** Where the true fault was. */
  static final class Tally {
    private final String what;
    private int shown;
    private int silent;
    private int first;
    private int within;
    private final List<Double> ms = new ArrayList<>();

    Tally(String what) {
      this.what = what;
    }

    void add(List<List<String>> groups, List<String> truth, double tookMs) {
      shown++;
      ms.add(tookMs);
      boolean here =
          !groups.isEmpty()
              && groups.getFirst().stream().anyMatch(truth::contains)
              && groups.getFirst().size() <= GROUP_MOST;
      first += here ? 1 : 0;
      within +=
          groups.stream().limit(WITHIN).anyMatch(g -> g.stream().anyMatch(truth::contains)) ? 1 : 0;
    }

    /** Gives the share of faults that came first, in a group that is small enough. */
    double first() {
      return first / (double) shown;
    }

    /** Gives the share of faults that were within the first three groups. */
    double within() {
      return within / (double) shown;
    }

    void print(PrintStream out) {
      ms.sort(null);
      out.printf(
          Locale.ROOT,
          "| waking, %s: %d random single faults that show (%d more did not), the true one first in a"
              + " group of at most %d | %.1f %% | within %d: %.1f %% | deduction %.1f ms, 99th"
              + " percentile %.1f ms |%n",
          what,
          shown,
          silent,
          GROUP_MOST,
          100.0 * first / shown,
          WITHIN,
          100.0 * within / shown,
          ms.get(ms.size() / 2),
          ms.get(ms.size() * 99 / 100));
    }
  }

  static void measure(Path root, PrintStream out) {
    tallies(root, TRIALS, new Random(Long.getLong("humble.seed", 2026)))
        .forEach(tally -> tally.print(out));
  }

  /** Draws so many faults of each kind of thing. */
  static List<Tally> tallies(Path root, int trials, Random random) {
    return List.of(
        matrix("lights in pairs", opened(root.resolve("kits/glowmoth")), trials, random),
        matrix("lights in rows", rows(), trials, random),
        chain(opened(root.resolve("kits/ferryman")), trials, random),
        lines(trials, random));
  }

  private static Peripheral.Matrix matrixOf(Kit kit) {
    return kit.peripherals().stream()
        .filter(Peripheral.Matrix.class::isInstance)
        .map(Peripheral.Matrix.class::cast)
        .findFirst()
        .orElseThrow();
  }

  private static final double NEXT_PIN_MM = 2.6;

  private static Tally matrix(String what, Parts parts, int trials, Random random) {
    Tally tally = new Tally(what);
    Peripheral.Matrix matrix = matrixOf(parts.kit());
    BoardState idle = parts.kit().state("idle").orElseThrow();
    LightMatrix reckoning = new LightMatrix(parts, matrix);
    LightsShow show = new LightsShow(parts, matrix, idle);
    while (tally.shown < trials) {
      int light = 1 + random.nextInt(matrix.lights().size());
      String ref = matrix.lights().get(light - 1).ref();
      String line = matrix.lines().get(random.nextInt(matrix.lines().size()));
      String text;
      List<String> truth;
      switch (random.nextInt(11)) {
        case 10 -> {
          // Ohms enough to be seen: a light at two thirds of its current looks like its neighbours.
          String pin = ref + "." + (1 + random.nextInt(2));
          text = "cold:" + pin + "=" + (100 + random.nextInt(400));
          truth = List.of("cold:" + pin);
        }
        case 0, 1, 2, 3 -> {
          text = "open:" + ref + "." + (1 + random.nextInt(2));
          truth = List.of(text);
        }
        case 4, 5 -> {
          text = "reversed:" + ref;
          truth = List.of("reversed:" + light);
        }
        case 6 -> {
          text = "dead:" + ref;
          truth = List.of("dead:" + light);
        }
        case 7, 8 -> {
          text = "open:" + line;
          truth = List.of(text);
        }
        default -> {
          String a;
          String b;
          do {
            a = matrix.lines().get(random.nextInt(matrix.lines().size()));
            b = matrix.lines().get(random.nextInt(matrix.lines().size()));
          } while (!areNeighbours(parts, a, b));
          text = "short:" + a + "-" + b;
          truth = List.of("short:" + a + "-" + b, "short:" + b + "-" + a);
        }
      }
      LightScan seen = show.with(List.of(Fault.parse(text).orElseThrow()));
      if (seen.isSound()) {
        tally.silent++;
        continue;
      }
      long begin = System.nanoTime();
      List<LightSuspect> suspects = reckoning.suspects(seen);
      tally.add(
          suspects.stream().map(LightSuspect::group).toList(),
          truth,
          (System.nanoTime() - begin) / 1e6);
    }
    return tally;
  }

  /** Solder runs from a pin to the next one. */
  private static boolean areNeighbours(Parts parts, String a, String b) {
    PinRef one = PinRef.parse(a).flatMap(parts::canonical).orElseThrow();
    PinRef other = PinRef.parse(b).flatMap(parts::canonical).orElseThrow();
    return !one.equals(other)
        && one.ref().equals(other.ref())
        && at(parts, one).distanceMm(at(parts, other)) <= NEXT_PIN_MM;
  }

  private static PointMm at(Parts parts, PinRef pin) {
    return parts.get(pin.ref()).pack().pins().stream()
        .filter(each -> each.number().equals(pin.pin()))
        .findFirst()
        .orElseThrow()
        .at();
  }

  private static Tally chain(Parts parts, int trials, Random random) {
    Tally tally = new Tally("lights in a chain");
    Peripheral.Chain chain =
        parts.kit().peripherals().stream()
            .filter(Peripheral.Chain.class::isInstance)
            .map(Peripheral.Chain.class::cast)
            .findFirst()
            .orElseThrow();
    BoardState idle = parts.kit().state("idle").orElseThrow();
    while (tally.shown < trials) {
      int k = 1 + random.nextInt(chain.count());
      String ref = chain.refs().get(k - 1);
      String text;
      List<String> truth;
      switch (random.nextInt(6)) {
        case 0, 1 -> {
          text = "open:" + ref + ".1";
          truth = List.of("data:" + k);
        }
        case 2 -> {
          if (k == chain.count()) {
            tally.silent++;
            continue;
          }
          text = "open:" + ref + ".4";
          truth = List.of("data:" + (k + 1));
        }
        case 3 -> {
          text = "open:" + ref + ".2";
          truth = List.of("power:" + k);
        }
        case 4 -> {
          text = "open:" + ref + ".3";
          truth = List.of("power:" + k);
        }
        default -> {
          text = "dead:" + ref;
          truth = List.of("dead:" + k);
        }
      }
      PracticeBench bench = new PracticeBench(parts, 1, List.of(Fault.parse(text).orElseThrow()));
      var shows = bench.wake().chain(chain, idle);
      long begin = System.nanoTime();
      List<LightSuspect> suspects =
          new LightChain(chain.count()).suspects(shows.darkFrom(), shows.odd());
      tally.add(
          suspects.stream().map(LightSuspect::group).toList(),
          truth,
          (System.nanoTime() - begin) / 1e6);
    }
    return tally;
  }

  /** Eight drivers of some ohms, each read through a threshold with a little noise. */
  private static Tally lines(int trials, Random random) {
    Tally tally = new Tally("parallel lines");
    int width = 8;
    List<Long> wrote = ParallelLines.walking(width);
    while (tally.shown < trials) {
      int a = random.nextInt(width);
      int b = (a + 1 + random.nextInt(width - 1)) % width;
      int kind = random.nextInt(6);
      double lowOhm = 15 + 15 * random.nextDouble();
      double highOhm = 70 + 60 * random.nextDouble();
      double leak = random.nextDouble() * 5;
      boolean pulledUp = random.nextBoolean();
      List<List<Long>> read = new ArrayList<>();
      for (long word : wrote) {
        List<Long> readings = new ArrayList<>();
        for (int r = 0; r < 8; r++) {
          long value = 0;
          for (int line = 0; line < width; line++) {
            double volts = drive(word, line, lowOhm, highOhm, Double.NaN, 0);
            if (kind == 0 && line == a) {
              volts = pulledUp ? 4.7 : 0.2; // nothing drives it: a resistor holds it
            } else if (kind == 1 && line == a) {
              volts = drive(word, line, lowOhm, highOhm, pulledUp ? 5 : 0, 0.5);
            } else if (kind == 2 && (line == a || line == b)) {
              volts = joined(word, a, b, lowOhm, highOhm);
            } else if (kind == 3 && (line == a || line == b)) {
              volts = drive(word, line == a ? b : a, lowOhm, highOhm, Double.NaN, 0);
            } else if (kind >= 4 && line == a) {
              volts = random.nextInt(3) == 0 ? leak : volts; // it comes and goes
            }
            value |= (volts + 0.05 * random.nextGaussian() > 1.5 ? 1L : 0L) << line;
          }
          readings.add(value);
        }
        read.add(readings);
      }
      List<String> truth =
          switch (kind) {
            case 0, 1 -> List.of(pulledUp ? "stuck1" : "stuck0");
            case 2 -> List.of("joined:" + b);
            case 3 -> List.of("swapped:" + b);
            default -> List.of("flicker");
          };
      long begin = System.nanoTime();
      List<ParallelLines.Line> lines = new ParallelLines(width, wrote, read).lines();
      double took = (System.nanoTime() - begin) / 1e6;
      boolean shows =
          lines.stream().anyMatch(line -> !(line.state() instanceof ParallelLines.Good));
      if (!shows) {
        tally.silent++;
        continue;
      }
      boolean others =
          lines.stream()
              .filter(line -> line.bit() != a && !(line.bit() == b && (kind == 2 || kind == 3)))
              .allMatch(line -> line.state() instanceof ParallelLines.Good);
      tally.add(others ? List.of(List.of(lines.get(a).state().text())) : List.of(), truth, took);
    }
    return tally;
  }

  private static double drive(
      long word, int line, double lowOhm, double highOhm, double rail, double railOhm) {
    boolean high = (word >> line & 1) == 1;
    double from = high ? 5 : 0;
    double ohm = high ? highOhm : lowOhm;
    return Double.isNaN(rail) ? from : (from / ohm + rail / railOhm) / (1 / ohm + 1 / railOhm);
  }

  /** Low drivers are the stronger ones: of two that pull against each other low wins. */
  private static double joined(long word, int a, int b, double lowOhm, double highOhm) {
    double sum = 0;
    double siemens = 0;
    for (int line : new int[] {a, b}) {
      boolean high = (word >> line & 1) == 1;
      double ohm = high ? highOhm : lowOhm;
      sum += (high ? 5 : 0) / ohm;
      siemens += 1 / ohm;
    }
    return sum / siemens;
  }

  private static Parts opened(Path kit) {
    return switch (KitFolder.at(kit).read()) {
      case KitRead.Opened read -> Parts.of(read.kit());
      case KitRead.Refused refused -> throw new IllegalStateException(refused.toString());
    };
  }

  /** Twelve lights in three rows and four columns behind resistors, a chip that drives them. */
  private static Parts rows() {
    StringBuilder lights = new StringBuilder();
    StringBuilder nets = new StringBuilder();
    StringBuilder places = new StringBuilder();
    for (int r = 0; r < 3; r++) {
      nets.append(",\"ROW").append(r).append("\":[\"R").append(r + 1).append(".2\"");
      for (int c = 0; c < 4; c++) {
        nets.append(",\"LED").append(r * 4 + c + 1).append(".a\"");
      }
      nets.append("],\"P")
          .append(r)
          .append("\":[\"U1.")
          .append(r + 1)
          .append("\",\"R")
          .append(r + 1)
          .append(".1\"]");
    }
    for (int c = 0; c < 4; c++) {
      nets.append(",\"COL").append(c).append("\":[\"U1.").append(c + 5).append("\"");
      for (int r = 0; r < 3; r++) {
        nets.append(",\"LED").append(r * 4 + c + 1).append(".k\"");
      }
      nets.append("]");
    }
    for (int n = 1; n <= 12; n++) {
      lights.append(n > 1 ? "," : "").append("\"LED").append(n).append("\"");
      places
          .append(",{\"ref\":\"LED")
          .append(n)
          .append("\",\"board\":\"m\",\"x_mm\":")
          .append(10 + 8 * ((n - 1) % 4))
          .append(",\"y_mm\":")
          .append(10 + 8 * ((n - 1) / 4))
          .append("}");
    }
    String outputs =
        "\"1\":{\"ron_ohm\":25},\"2\":{\"ron_ohm\":25},\"3\":{\"ron_ohm\":25},\"5\":{\"ron_ohm\":25},"
            + "\"6\":{\"ron_ohm\":25},\"7\":{\"ron_ohm\":25},\"8\":{\"ron_ohm\":25}";
    String kit =
        "{\"format\":\"humble-kit/1\",\"id\":\"rows\",\"name\":\"Rows\",\"kind\":\"module\","
            + "\"boards\":[{\"id\":\"m\",\"width_mm\":70,\"height_mm\":50}],\"lines\":["
            + "{\"id\":\"l\",\"kind\":\"led\",\"package\":\"led-3\",\"supplied\":12,\"refs\":["
            + lights
            + "]},"
            + "{\"id\":\"r\",\"kind\":\"resistor\",\"value\":\"150\",\"package\":\"axial-quarter-watt\","
            + "\"supplied\":3,\"refs\":[\"R1\",\"R2\",\"R3\"]},"
            + "{\"id\":\"u\",\"kind\":\"ic\",\"package\":\"dip-14\",\"supplied\":1,\"refs\":[\"U1\"],\"model\":"
            + "{\"type\":\"load\",\"plus\":\"14\",\"minus\":\"9\",\"ma\":5,\"min_v\":2.5,\"outputs\":{"
            + outputs
            + "}}},{\"id\":\"j\",\"kind\":\"header\",\"package\":\"header-1x2\",\"supplied\":1,\"refs\":[\"J1\"]}],"
            + "\"places\":[{\"ref\":\"U1\",\"board\":\"m\",\"x_mm\":60,\"y_mm\":25},"
            + "{\"ref\":\"J1\",\"board\":\"m\",\"x_mm\":4,\"y_mm\":40}"
            + places
            + ",{\"ref\":\"R1\",\"board\":\"m\",\"x_mm\":20,\"y_mm\":36},{\"ref\":\"R2\",\"board\":\"m\","
            + "\"x_mm\":20,\"y_mm\":40},{\"ref\":\"R3\",\"board\":\"m\",\"x_mm\":20,\"y_mm\":44}],"
            + "\"nets\":{\"VCC\":[\"J1.1\",\"U1.14\"],\"GND\":[\"J1.2\",\"U1.9\"]"
            + nets
            + "},"
            + "\"supplies\":[{\"id\":\"b\",\"volts\":5,\"limit_ma\":300,\"plus\":\"J1.1\",\"minus\":\"J1.2\"}],"
            + "\"states\":[{\"id\":\"idle\",\"supply\":\"b\"}],\"peripherals\":[{\"id\":\"m\",\"kind\":\"matrix\","
            + "\"part\":\"U1\",\"wiring\":\"rows\",\"volts\":5,\"vf_v\":2,\"rows\":[\"U1.1\",\"U1.2\",\"U1.3\"],"
            + "\"columns\":[\"U1.5\",\"U1.6\",\"U1.7\",\"U1.8\"],\"refs\":["
            + lights
            + "]}]}";
    return switch (KitFolder.at(Path.of("."))
        .parse(kit.getBytes(StandardCharsets.UTF_8), humble.formats.ReadingBudget.usual())) {
      case KitRead.Opened read -> Parts.of(read.kit());
      case KitRead.Refused refused -> throw new IllegalStateException(refused.toString());
    };
  }
}
