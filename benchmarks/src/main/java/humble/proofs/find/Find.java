package humble.proofs.find;

import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Cable;
import humble.core.kit.Model;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.mend.Diagnosis;
import humble.core.mend.Habits;
import humble.core.mend.Observation;
import humble.core.mend.Predictions;
import humble.core.mend.Sight;
import humble.core.mend.Suspect;
import humble.core.mend.Suspects;
import humble.core.stock.Meter;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.io.IOException;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;

/**
 * Faults drawn by how often they happen, on boards whose parts are drawn within their spreads,
 * measured on a circuit that a SPICE solves and that shares nothing with the one that judges.
 *
 * <p>Found means: in a first group of at most six, or of any size where all of it is at one part.
 * What moves no reading beyond what sound boards differ by is drawn apart and has to be let go.
 */
public final class Find {
  private static final int MOST_MEASUREMENTS = 25;
  private static final int SMALL_GROUP = 6;
  private static final int SOUND_BOARDS = 8;
  private static final int DECILES = 10;

  private final List<Bench> benches = new ArrayList<>();
  private final Spice spice;

  private record Bench(Parts parts, BoardState state, Diagnosis judge, List<String> lights) {
    String name() {
      return parts.kit().id() + " " + state.id();
    }

    /** Contacts that somebody pushes or throws. */
    List<String> keys() {
      return parts.all().stream()
          .filter(part -> parts.isOn(part.ref(), state))
          .filter(part -> part.model() instanceof Model.Switch)
          .filter(part -> part.line().kind().is(PartKind.Fact.PUSHED))
          .map(Part::ref)
          .toList();
    }
  }

  /** How one search ended. */
  private record Walk(
      String what,
      boolean silent,
      boolean found,
      boolean released,
      boolean sure,
      boolean right,
      double belief,
      int measurements,
      int group) {}

  private Find(List<Path> kits, Path folder) {
    this.spice = new Spice(folder);
    for (Path kit : kits) {
      if (!(KitFolder.at(kit).read() instanceof KitRead.Opened opened)) {
        throw new IllegalStateException("the kit at " + kit + " does not open");
      }
      Parts parts = Parts.of(opened.kit());
      for (BoardState state : parts.kit().states()) {
        Predictions predictions =
            new Predictions(parts, state, Suspects.of(parts, state, Habits.usual()), () -> false);
        if (predictions.solvable() && predictions.powered()) {
          benches.add(
              new Bench(
                  parts, state, new Diagnosis(predictions, Meter.USUAL), predictions.lights()));
        }
      }
    }
  }

  /**
   * Runs it.
   *
   * @param arguments number of faults, of sound boards, and the seed
   */
  public static void main(String[] arguments) throws IOException {
    Path root = Path.of(System.getProperty("humble.root", "."));
    int faults = Integer.parseInt(arguments[0]);
    int sound = Integer.parseInt(arguments[1]);
    long seed = Long.parseLong(arguments[2]);
    print(root, faults, sound, seed, System.out);
  }

  /** Gives the kits it is played on: with and without a controller. */
  private static List<Path> kits(Path root, boolean large) {
    List<Path> kits = new ArrayList<>();
    for (String name : List.of("glowmoth", "weathercock", "lockkeeper")) {
      if (large || !name.equals("lockkeeper")) {
        kits.add(root.resolve("kits").resolve(name));
      }
    }
    for (String name : List.of("skiff", "twinlight", "metronome", "foghorn", "buoy")) {
      kits.add(root.resolve("desktop/src/test/resources/kits").resolve(name));
    }
    return kits;
  }

  /** Plays and prints the rows of the table of figures. */
  public static void print(Path root, int faults, int sound, long seed, PrintStream out)
      throws IOException {
    if (Spice.installed()) {
      report(played(root, true, faults, sound, seed), out);
    } else {
      out.println("| finding on SPICE boards: ngspice is not installed | | | |");
    }
  }

  /** Tells whether the SPICE that the boards are simulated by is there. */
  static boolean possible() {
    return Spice.installed();
  }

  /** How a number of searches ended, on boards with a fault and on sound ones. */
  record Played(List<Walk> walks, List<Walk> healthy) {
    /** Gives the share of faults that show which were found, 0 to 1. */
    double found() {
      return percent(walks.stream().filter(walk -> !walk.silent).toList(), Walk::found) / 100;
    }

    /** Gives how many verdicts were false. */
    long falseVerdicts() {
      return walks.stream().filter(walk -> walk.sure && !walk.right).count();
    }

    /** Gives the share of sound boards that were let go, 0 to 1. */
    double released() {
      return percent(healthy, Walk::released) / 100;
    }

    /** Gives the measurements until a sound board was let go, median. */
    int untilReleased() {
      return median(healthy.stream().map(Walk::measurements).toList());
    }
  }

  /** Plays; the largest kit takes most of the time, and is left out where {@code large} is not. */
  static Played played(Path root, boolean large, int faults, int sound, long seed)
      throws IOException {
    Path folder = Files.createTempDirectory("find");
    try {
      Find find = new Find(kits(root, large), folder);
      return new Played(find.play(faults, seed), find.sound(sound, seed));
    } finally {
      try (var left = Files.list(folder)) {
        left.forEach(file -> file.toFile().delete());
      }
      Files.deleteIfExists(folder);
    }
  }

  private List<Walk> play(int faults, long seed) {
    return IntStream.range(0, faults)
        .parallel()
        .mapToObj(i -> {
          // A fault that a board cannot have, or that SPICE finds no point for, is drawn again.
          for (int again = 0; again < 50; again++) {
            Random random = new Random(seed * 7_919 + i * 104_729L + again);
            Bench bench = benches.get(random.nextInt(benches.size()));
            Fault fault = drawn(bench, random).orElse(null);
            if (fault != null) {
              Optional<Walk> walk = walk(bench, Optional.of(fault), random.nextLong());
              if (walk.isPresent()) {
                return walk.get();
              }
            }
          }
          throw new IllegalStateException("no fault can be drawn");
        })
        .toList();
  }

  private List<Walk> sound(int boards, long seed) {
    return IntStream.range(0, boards)
        .parallel()
        .mapToObj(i ->
            walk(benches.get(i % benches.size()), Optional.empty(), seed * 31 + i).orElseThrow())
        .toList();
  }

  /** Draws a kind as often as it happens, then one of that kind, each as likely. */
  private static Optional<Fault> drawn(Bench bench, Random random) {
    double at = random.nextDouble();
    List<Part> here =
        bench.parts.all().stream()
            .filter(part -> bench.parts.isOn(part.ref(), bench.state))
            .toList();
    List<Fault> kind = new ArrayList<>();
    if (at > 0.97) {
      return output(bench, random);
    }
    for (Part part : here) {
      if (at < 0.40) {
        joints(bench, part, at < 0.30, random, kind);
      } else if (at < 0.57) {
        bridges(bench, part, kind);
      } else if (at < 0.71) {
        if (part.line().isOriented() && part.pack().pins().size() > 1) {
          kind.add(new Fault.Reversed(part.ref()));
        }
      } else if (at < 0.80) {
        if (part.model() instanceof Model.Resistor r) {
          double share = random.nextBoolean() ? 10 : 0.1;
          kind.add(Fault.parse("value:" + part.ref() + "=" + text(r.ohms() * share)).orElseThrow());
        }
      } else if (at < 0.86) {
        swaps(here, part, kind);
      } else if (at < 0.94) {
        if (!(part.model() instanceof Model.Open)) {
          kind.add(new Fault.Missing(part.ref()));
        }
      } else if (!part.line().kind().is(PartKind.Fact.LASTS)
          && !(part.model() instanceof Model.Open)) {
        kind.add(new Fault.Dead(part.ref()));
      }
    }
    for (Cable cable : bench.parts.kit().handwork().cables()) {
      boolean on = here.stream().filter(part -> cable.endsAt(part.ref())).count() == 2;
      if (on && at >= 0.57 && at < 0.71) {
        kind.add(new Fault.Reversed(cable.id()));
      }
    }
    return kind.isEmpty() ? Optional.empty() : Optional.of(kind.get(random.nextInt(kind.size())));
  }

  /** A controller without its program, or an output that stands. */
  private static Optional<Fault> output(Bench bench, Random random) {
    List<String> driven = bench.state.drive().keySet().stream().sorted().toList();
    if (driven.isEmpty()) {
      return Optional.empty();
    }
    String pin = driven.get(random.nextInt(driven.size()));
    PinRef at = PinRef.parse(pin).flatMap(bench.parts::canonical).orElseThrow();
    boolean programmed =
        bench.parts.get(at.ref()).model() instanceof Model.Load load && load.starts().waits();
    return Optional.of(
        programmed && random.nextBoolean()
            ? new Fault.Blank(at.ref())
            : new Fault.Stuck(at, !"high".equals(bench.state.drive().get(pin))));
  }

  private static String text(double ohms) {
    return String.format(Locale.ROOT, "%.4g", ohms).contains("e")
        ? Long.toString(Math.round(ohms))
        : String.format(Locale.ROOT, "%.4g", ohms);
  }

  private static void joints(
      Bench bench, Part part, boolean open, Random random, List<Fault> kind) {
    for (PackagePin pin : part.pack().pins()) {
      PinRef ref = new PinRef(part.ref(), pin.number());
      if (bench.parts.netOf(ref).isPresent()) {
        double ohms = Math.round(30 * Math.pow(10, random.nextDouble()));
        kind.add(open ? new Fault.OpenJoint(ref) : new Fault.Cold(ref, ohms));
      }
    }
  }

  private static void bridges(Bench bench, Part part, List<Fault> kind) {
    List<PackagePin> pins = part.pack().pins();
    for (int i = 0; i < pins.size(); i++) {
      for (int k = i + 1; k < pins.size(); k++) {
        PinRef a = new PinRef(part.ref(), pins.get(i).number());
        PinRef b = new PinRef(part.ref(), pins.get(k).number());
        boolean near = pins.get(i).at().distanceMm(pins.get(k).at()) < 2.6;
        Optional<String> netA = bench.parts.netOf(a);
        Optional<String> netB = bench.parts.netOf(b);
        if (near && netA.isPresent() && netB.isPresent() && !netA.equals(netB)) {
          kind.add(new Fault.Bridge(a, b));
        }
      }
    }
  }

  private static void swaps(List<Part> here, Part part, List<Fault> kind) {
    for (Part other : here) {
      boolean mayChange =
          part.ref().compareTo(other.ref()) < 0
              && part.line() != other.line()
              && part.pack().id().equals(other.pack().id())
              && !part.model().equals(other.model())
              && part.line().kind() == other.line().kind()
              && !part.line().kind().is(PartKind.Fact.PULLED);
      if (mayChange) {
        kind.add(new Fault.Swapped(part.ref(), other.ref()));
      }
    }
  }

  private Optional<Walk> walk(Bench bench, Optional<Fault> fault, long seed) {
    try {
      RealBoard board = new RealBoard(bench.parts, bench.state, fault, seed, true);
      RealBoard same = new RealBoard(bench.parts, bench.state, Optional.empty(), seed, true);
      SpiceBench meter = SpiceBench.of(board, same, spice, seed).orElse(null);
      if (meter == null) {
        return Optional.empty();
      }
      boolean silent = fault.isPresent() && isSilent(bench, fault.get(), seed);
      List<Observation> seen = new ArrayList<>();
      bench.lights.forEach(light -> seen.add(new Observation.Seen(meter.look(light), light)));
      // Whoever has a board before him has tried its keys, and tells of two at most.
      meter.idle(bench.keys()).stream()
          .limit(2)
          .forEach(key -> seen.add(new Observation.Seen(Sight.IDLE, key)));
      int begin = seen.size();
      Diagnosis.Known known = bench.judge.after(seen);
      while (known.next().isPresent() && seen.size() - begin < MOST_MEASUREMENTS) {
        seen.add(meter.answer(known.next().get().measure()));
        known = bench.judge.after(seen);
      }
      if (System.getProperty("humble.told") != null) {
        tell(bench, fault, silent, seen.subList(begin, seen.size()), known);
      }
      return Optional.of(judged(bench, fault, silent, known, seen.size() - begin));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  private static void tell(
      Bench bench,
      Optional<Fault> fault,
      boolean silent,
      List<Observation> seen,
      Diagnosis.Known known) {
    System.out.println(
        bench.name()
            + " | "
            + fault.map(Object::toString).orElse("sound")
            + (silent ? " (silent)" : "")
            + " | "
            + known.suspects().stream()
                .limit(3)
                .map(named ->
                    String.format(
                        Locale.ROOT,
                        "%.3f %s (%d)",
                        named.belief(),
                        named.suspect().name(),
                        named.group().size()))
                .toList()
            + " explained "
            + known.explained()
            + " | "
            + seen);
  }

  private Walk judged(
      Bench bench, Optional<Fault> fault, boolean silent, Diagnosis.Known known, int measured) {
    Diagnosis.Named first = known.suspects().isEmpty() ? null : known.suspects().getFirst();
    if (first == null) {
      return new Walk("", silent, false, false, false, false, 0, measured, 0);
    }
    String name = fault.map(Find::named).orElse(Suspect.NO_FAULT);
    boolean named = first.group().contains(name) || fault.filter(f -> turned(f, first)).isPresent();
    boolean small = first.group().size() <= SMALL_GROUP || atOnePart(first.group());
    boolean released = first.group().contains(Suspect.NO_FAULT);
    return new Walk(
        bench.name() + " " + name,
        silent,
        named && small && !released,
        released,
        known.explained() && first.belief() >= Diagnosis.SURE,
        named || silent && released,
        first.belief(),
        measured,
        first.group().size());
  }

  /** A cold joint is one suspect, whatever its ohms. */
  private static String named(Fault fault) {
    return fault instanceof Fault.Cold cold
        ? new Fault.Cold(cold.pin()).toString()
        : fault.toString();
  }

  /** A bridge and a swap have two names; a value may be written in two ways. */
  private static boolean turned(Fault fault, Diagnosis.Named first) {
    if (fault instanceof Fault.Bridge bridge) {
      return first.group().contains(new Fault.Bridge(bridge.b(), bridge.a()).toString());
    }
    if (fault instanceof Fault.Swapped swapped) {
      return first.group().contains(new Fault.Swapped(swapped.b(), swapped.a()).toString());
    }
    return fault instanceof Fault.WrongValue wrong
        && first.group().stream()
            .flatMap(name -> Fault.parse(name).stream())
            .anyMatch(other ->
                other instanceof Fault.WrongValue value
                    && value.ref().equals(wrong.ref())
                    && Math.abs(value.ohms() - wrong.ohms()) < 0.01 * wrong.ohms());
  }

  private static boolean atOnePart(List<String> group) {
    Set<String> shared = null;
    for (String name : group) {
      Set<String> refs = new TreeSet<>(Fault.parse(name).map(Fault::refs).orElse(List.of()));
      if (shared == null) {
        shared = refs;
      } else {
        shared.retainAll(refs);
      }
    }
    return shared != null && !shared.isEmpty();
  }

  /** What sound boards of one state differ by: lows and highs of every net, and of the current. */
  private final Map<String, Map<String, double[]>> bands = new TreeMap<>();

  private boolean isSilent(Bench bench, Fault fault, long seed)
      throws IOException, InterruptedException {
    Map<String, double[]> band = band(bench);
    RealBoard plain = new RealBoard(bench.parts, bench.state, Optional.of(fault), seed, false);
    RealBoard sound = new RealBoard(bench.parts, bench.state, Optional.empty(), seed, false);
    SpiceBench meter = SpiceBench.metered(plain, sound, spice, seed).orElse(null);
    if (meter == null) {
      return false;
    }
    SpiceBench as = SpiceBench.metered(sound, sound, spice, seed).orElse(null);
    if (as == null) {
      return false;
    }
    Map<String, Double> usual = readings(bench, as);
    for (Map.Entry<String, Double> at : readings(bench, meter).entrySet()) {
      double[] ends = band.getOrDefault(at.getKey(), new double[2]);
      double floor = at.getKey().startsWith("I(") ? 3e-4 : 0.02;
      double doubt = floor + 0.008 * Math.abs(at.getValue()) + (ends[1] - ends[0]) / 2;
      double off = Math.abs(at.getValue() - usual.getOrDefault(at.getKey(), 0.0));
      if (off > doubt) {
        return false;
      }
    }
    return bench.lights.stream().allMatch(light -> meter.look(light) == meter.soundLook(light));
  }

  private static Map<String, Double> readings(Bench bench, SpiceBench meter) {
    Map<String, Double> readings = new TreeMap<>(meter.nets());
    sources(bench).forEach(source -> readings.put("I(" + source + ")", meter.amps(source)));
    return readings;
  }

  private static List<String> sources(Bench bench) {
    String supply = bench.state.supply();
    return supply != null
        ? List.of(supply)
        : bench.parts.all().stream()
            .filter(part -> part.model() instanceof Model.Battery)
            .map(Part::ref)
            .toList();
  }

  private synchronized Map<String, double[]> band(Bench bench)
      throws IOException, InterruptedException {
    Map<String, double[]> band = bands.get(bench.name());
    if (band == null) {
      band = new LinkedHashMap<>();
      for (int i = 0; i < SOUND_BOARDS; i++) {
        RealBoard sound = new RealBoard(bench.parts, bench.state, Optional.empty(), 900 + i, true);
        SpiceBench meter = SpiceBench.metered(sound, sound, spice, i).orElse(null);
        if (meter != null) {
          for (Map.Entry<String, Double> at : readings(bench, meter).entrySet()) {
            double[] ends =
                band.computeIfAbsent(
                    at.getKey(), key -> new double[] {at.getValue(), at.getValue()});
            ends[0] = Math.min(ends[0], at.getValue());
            ends[1] = Math.max(ends[1], at.getValue());
          }
        }
      }
      bands.put(bench.name(), band);
    }
    return band;
  }

  private static void report(Played played, PrintStream out) {
    List<Walk> walks = played.walks;
    List<Walk> healthy = played.healthy;
    List<Walk> shown = walks.stream().filter(walk -> !walk.silent).toList();
    List<Walk> silent = walks.stream().filter(Walk::silent).toList();
    out.printf(
        Locale.ROOT,
        "| finding on SPICE boards: %d faults that show, found in a first group of at most six or at one part | %.1f %% | | |%n",
        shown.size(),
        percent(shown, Walk::found));
    out.printf(
        Locale.ROOT,
        "| finding on SPICE boards: false verdicts, of all | %.1f %% | | |%n",
        percent(walks, walk -> walk.sure && !walk.right));
    out.printf(
        Locale.ROOT,
        "| finding on SPICE boards: measurements, median; size of the first group, median | %d; %d | | |%n",
        median(shown.stream().map(Walk::measurements).toList()),
        median(shown.stream().map(Walk::group).toList()));
    out.printf(
        Locale.ROOT,
        "| finding on SPICE boards: %d faults that move no reading, let go or found | %.1f %% | | |%n",
        silent.size(),
        percent(silent, walk -> walk.released || walk.found));
    out.printf(
        Locale.ROOT,
        "| finding on SPICE boards: %d sound boards let go; measurements, median | %.1f %%; %d | | |%n",
        healthy.size(),
        percent(healthy, Walk::released),
        median(healthy.stream().map(Walk::measurements).toList()));
    Map<Integer, List<Walk>> byBelief = new TreeMap<>();
    for (Walk walk : walks) {
      int decile = (int) Math.min(DECILES - 1, Math.floor(walk.belief * DECILES));
      byBelief.computeIfAbsent(decile, key -> new ArrayList<>()).add(walk);
    }
    byBelief.forEach((decile, those) ->
        out.printf(
            Locale.ROOT,
            "| finding on SPICE boards: first group given %d to %d %%, right in | %.0f %% of %d | %.0f %% given, mean | |%n",
            decile * 10,
            decile * 10 + 10,
            percent(those, Walk::right),
            those.size(),
            100 * those.stream().mapToDouble(Walk::belief).average().orElse(0)));
    if (System.getProperty("humble.missed") != null) {
      shown.stream().filter(walk -> !walk.found).forEach(walk -> out.println("missed " + walk));
    }
  }

  private static double percent(List<Walk> walks, java.util.function.Predicate<Walk> which) {
    return walks.isEmpty() ? 0 : 100.0 * walks.stream().filter(which).count() / walks.size();
  }

  private static int median(List<Integer> of) {
    List<Integer> sorted = of.stream().sorted().toList();
    return sorted.isEmpty() ? 0 : sorted.get(sorted.size() / 2);
  }
}
