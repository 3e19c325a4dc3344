package humble.proofs.kill;

import humble.core.build.BuildEvent;
import humble.proofs.Scratch;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;

/**
 * The command {@code kill N [--seed K] [--json]}: kills windows in every way there is and holds
 * what they had shown as done against the journal. Exit status 0 when nothing is missing and every
 * journal opens as it was written, else 1.
 */
public final class Kill {
  private static final long LONGEST_MS = 9_000;
  private static final String[] CALLS = {
    "pwrite64", "fdatasync", "fsync", "ftruncate", "unlink", "openat", "write", "fallocate"
  };

  private final PrintStream out;
  private final Path root;
  private final Path folder;
  private final Random random;
  private final boolean traces;
  private final boolean mounts;
  private final Map<Scene, Integer> ran = new EnumMap<>(Scene.class);
  private final List<String> findings = new ArrayList<>();
  private int acts;
  private int missing;
  private int refused;
  private int full;
  private int beforeOpen;

  Kill(PrintStream out, Path root, Path folder, long seed)
      throws IOException, InterruptedException {
    this.out = out;
    this.root = root;
    this.folder = Files.createDirectories(folder);
    this.random = new Random(seed);
    this.traces = succeeds("strace", "-f", "true");
    this.mounts = tried();
  }

  /**
   * What came of it.
   *
   * @param kills windows killed
   * @param acts acts that had been shown as done
   * @param missing how many of them are not in the journal
   * @param refused journals that did not open, or not as they were written
   * @param full acts that were told as not written since the disk was full
   * @param beforeOpen windows killed before their journal was open
   * @param scenes how often each way was taken
   * @param findings what was found, in words
   */
  record Result(
      int kills,
      int acts,
      int missing,
      int refused,
      int full,
      int beforeOpen,
      Map<Scene, Integer> scenes,
      List<String> findings) {}

  /** Runs the command. */
  public static void main(String[] arguments) throws IOException, InterruptedException {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    List<String> words = List.of(arguments);
    if (words.isEmpty() || !words.getFirst().matches("[0-9]{1,5}")) {
      System.err.println("kill N: how many windows to kill.");
      System.exit(2);
    }
    int at = words.indexOf("--seed");
    long seed = at < 0 ? System.nanoTime() : Long.parseLong(words.get(at + 1));
    Path root = Path.of(System.getProperty("humble.root", "."));
    Path folder = Files.createTempDirectory("humble-kill");
    Kill kill = new Kill(out, root, folder, seed);
    Result result = kill.run(Integer.parseInt(words.getFirst()), !words.contains("--json"));
    if (words.contains("--json")) {
      out.printf(
          "{\"kills\":%d,\"acts\":%d,\"missing\":%d,\"refused\":%d,\"full\":%d,"
              + "\"before_open\":%d,\"scenes\":%s,\"seed\":%d}%n",
          result.kills(),
          result.acts(),
          result.missing(),
          result.refused(),
          result.full(),
          result.beforeOpen(),
          result.scenes().toString().replaceAll("(\\w+)=", "\"$1\":"),
          seed);
    } else {
      out.printf(
          "%d kills, %,d acts shown as done: %d missing, %d journals refused;"
              + " %d times the disk was full, %d windows killed before their journal was open. %s%n",
          result.kills(),
          result.acts(),
          result.missing(),
          result.refused(),
          result.full(),
          result.beforeOpen(),
          result.scenes());
    }
    result.findings().forEach(System.err::println);
    if (result.findings().isEmpty()) {
      Scratch.delete(folder);
    } else {
      System.err.println("The benches are kept in " + folder);
    }
    System.exit(result.missing() == 0 && result.refused() == 0 ? 0 : 1);
  }

  private static boolean succeeds(String... words) throws IOException, InterruptedException {
    try {
      return new ProcessBuilder(words)
              .redirectErrorStream(true)
              .redirectOutput(ProcessBuilder.Redirect.DISCARD)
              .start()
              .waitFor()
          == 0;
    } catch (IOException e) {
      // The tool is not there.
      return false;
    }
  }

  private boolean tried() throws IOException, InterruptedException {
    Path at = Files.createDirectories(folder.resolve("mount"));
    return mount(at) && unmount(at);
  }

  private static boolean mount(Path at) throws IOException, InterruptedException {
    return succeeds("mount", "-t", "tmpfs", "-o", "size=4m", "tmpfs", at.toString());
  }

  private static boolean unmount(Path at) throws IOException, InterruptedException {
    return succeeds("umount", "-l", at.toString());
  }

  /** Kills so many windows; the way of each is told where {@code tells}. */
  Result run(int kills, boolean tells) throws IOException, InterruptedException {
    if (tells && !traces) {
      out.println("No tracer here: nothing is killed at a system call, only at random moments.");
    }
    if (tells && !mounts) {
      out.println("Nothing can be mounted here: the full disk is made by failing system calls.");
    }
    Path home = folder.resolve("home-0");
    for (int number = 0; number < kills; number++) {
      // A bench is killed a few times over, as in life; a new one is killed at its very first
      // start.
      if (number % 5 == 0) {
        home = folder.resolve("home-" + number);
      }
      Scene scene = scene(number);
      ran.merge(scene, 1, Integer::sum);
      one(scene, home, number);
      if (tells && number % 10 == 9) {
        out.println(number + 1 + " killed, " + acts + " acts, " + missing + " missing");
      }
    }
    return new Result(
        kills, acts, missing, refused, full, beforeOpen, Map.copyOf(ran), List.copyOf(findings));
  }

  private Scene scene(int number) {
    return switch (number % 10) {
      case 2, 5, 7 -> traces ? Scene.CALL : Scene.MOMENT;
      case 3 -> Scene.TWO;
      case 6 -> mounts || traces ? Scene.FULL : Scene.MOMENT;
      case 9 -> Scene.WINDOW;
      default -> Scene.MOMENT;
    };
  }

  private Path kit() {
    return root.resolve("kits/glowmoth");
  }

  private void one(Scene scene, Path home, int number) throws IOException, InterruptedException {
    switch (scene) {
      case MOMENT -> {
        Child child = start(List.of(), home, number);
        Thread.sleep(
            random.nextInt(4) == 0 ? random.nextInt(1_500) : 1_000 + random.nextInt(5_000));
        end(scene, home, List.of(child));
      }
      case CALL -> {
        Child child = start(tracer(), home, number);
        child.waitFor(LONGEST_MS);
        end(scene, home, List.of(child));
      }
      case TWO -> {
        Child one = start(List.of(), home, number);
        Child two = start(List.of(), home, number + 1000);
        Thread.sleep(1_500 + random.nextInt(5_000));
        end(scene, home, List.of(one, two));
      }
      case WINDOW -> {
        Child child =
            Child.start(
                List.of(),
                WindowDriver.class,
                List.of(
                    unpacks(),
                    "-Dglass.platform=Headless",
                    "-Dprism.order=sw",
                    "-Djava.awt.headless=true"),
                home,
                kit(),
                number);
        Thread.sleep(2_000 + random.nextInt(5_000));
        end(scene, home, List.of(child));
      }
      case FULL -> full(number);
    }
  }

  /** A killed process does not clear away what it has unpacked: it unpacks where we do. */
  private String unpacks() {
    return "-Dorg.sqlite.tmpdir=" + folder;
  }

  private Child start(List<String> before, Path home, int number) throws IOException {
    return Child.start(before, Driver.class, List.of(unpacks()), home, kit(), number);
  }

  /** Kills at the so-manieth call of one kind; only calls that touch the journal's files count. */
  private List<String> tracer() {
    String call = CALLS[random.nextInt(CALLS.length)];
    int when = 1 + random.nextInt(call.equals("pwrite64") ? 200 : 40);
    return List.of(
        "strace",
        "-f",
        "-qq",
        "-o",
        "/dev/null",
        "-e",
        "trace=" + call,
        "-e",
        "inject=" + call + ":signal=SIGKILL:when=" + when);
  }

  /** A disk that fills up under a window, is emptied again, and the window killed after that. */
  private void full(int number) throws IOException, InterruptedException {
    Path home = Files.createDirectories(folder.resolve("full-" + number));
    if (!mounts) {
      int from = 30 + random.nextInt(100);
      Child child =
          start(
              List.of(
                  "strace",
                  "-f",
                  "-qq",
                  "-o",
                  "/dev/null",
                  "-e",
                  "trace=pwrite64",
                  "-e",
                  "inject=pwrite64:error=ENOSPC:when=" + from + ".." + (from + 40)),
              home,
              number);
      Thread.sleep(6_000);
      end(Scene.FULL, home, List.of(child));
      return;
    }
    mount(home);
    try {
      Child child = start(List.of(), home, number);
      waitUntilOpen(child);
      Thread.sleep(300 + random.nextInt(500));
      Path ballast = home.resolve("ballast");
      fill(ballast);
      long until = System.currentTimeMillis() + 8_000;
      while (child.unwritten().isEmpty() && System.currentTimeMillis() < until) {
        Thread.sleep(50);
      }
      Files.deleteIfExists(ballast);
      long written = System.currentTimeMillis() + LONGEST_MS;
      while (!child.unwritten().isEmpty()
          && child.ackedAfterTrouble() == 0
          && System.currentTimeMillis() < written) {
        Thread.sleep(50);
      }
      if (!child.unwritten().isEmpty() && child.ackedAfterTrouble() == 0) {
        refused++;
        findings.add("after a full disk nothing was written any more: " + child.other());
      }
      Thread.sleep(300 + random.nextInt(700));
      end(Scene.FULL, home, List.of(child));
    } finally {
      unmount(home);
    }
  }

  private static void waitUntilOpen(Child child) throws InterruptedException {
    for (int i = 0; i < 200 && !child.isOpen() && !child.isOver(); i++) {
      Thread.sleep(50);
    }
  }

  private static void fill(Path ballast) throws IOException {
    byte[] piece = new byte[4096];
    try (var to = Files.newOutputStream(ballast)) {
      while (true) {
        to.write(piece);
      }
    } catch (IOException e) {
      // The disk is full, as it was meant to be.
      return;
    }
  }

  /** Kills the windows and holds what they said against the journal. */
  private void end(Scene scene, Path home, List<Child> children)
      throws IOException, InterruptedException {
    for (Child child : children) {
      child.kill();
    }
    Map<Long, String> acked = new HashMap<>();
    for (Child child : children) {
      acked.putAll(child.acked());
      full += child.unwritten().getOrDefault("FULL", 0);
      if (!child.isOpen()) {
        beforeOpen++;
      }
      for (String line : child.other()) {
        if (line.startsWith("refused") || line.startsWith("stuck")) {
          refused++;
          findings.add(scene + ": " + line);
        }
      }
    }
    acts += acked.size();
    compare(scene, home.resolve("bench.db"), acked);
  }

  private void compare(Scene scene, Path file, Map<Long, String> acked) {
    switch (Journal.open(file, Clock.systemUTC())) {
      case JournalOpen.Opened opened -> {
        Map<Long, String> there = new HashMap<>();
        try (Journal journal = opened.journal()) {
          for (String id : journal.builds()) {
            for (BuildEvent.Entry entry : journal.build(id).entries()) {
              there.put(entry.number(), Integer.toHexString(entry.event().hashCode()));
            }
          }
        }
        acked.forEach((number, hash) -> {
          if (!hash.equals(there.get(number))) {
            missing++;
            findings.add(scene + ": act " + number + " is missing or another");
          }
        });
      }
      case JournalOpen.Damaged damaged -> {
        refused++;
        findings.add(scene + ": damaged: " + damaged.damage().getFirst().text());
        damaged.journal().close();
      }
      case JournalOpen.Refused no -> {
        refused++;
        findings.add(scene + ": " + no.why());
      }
    }
  }

  /** Gives how many seconds a kill takes at the most, for whoever waits. */
  static long longestSeconds() {
    return TimeUnit.MILLISECONDS.toSeconds(LONGEST_MS) + 10;
  }
}
