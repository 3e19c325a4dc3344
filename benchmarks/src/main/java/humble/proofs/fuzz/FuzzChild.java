package humble.proofs.fuzz;

import humble.core.kit.Kit;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicLong;

/**
 * Puts inputs through one reader, in a process with a small heap. Arguments: root of the program,
 * reader, first input, inputs, most milliseconds, kits whose commands are run, folder. Prints a
 * line for each finding and one line of figures.
 */
public final class FuzzChild {
  /** How long one input may take; less may be asked for, to find what is merely slow. */
  private static final long HANG_MS = Long.getLong("humble.fuzz.hang", 2_000);

  private static final long COMMANDS_HANG_MS = 20_000;

  private final PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
  private final Path root;
  private final String name;
  private final Path folder;
  private final Mutation mutation;
  private final Reader reader;
  private final Commands commands;

  /** The input that is being read, and when it was begun, for whoever watches. */
  private final AtomicLong now = new AtomicLong(-1);

  private final AtomicLong since = new AtomicLong();
  private final int corpus;
  private final Set<String> told = new TreeSet<>();
  private long largest;
  private long exceptions;
  private long hangs;
  private long opened;
  private long ran;

  private FuzzChild(Path root, String name, Path folder) throws IOException {
    this.root = root;
    this.name = name;
    this.folder = Files.createDirectories(folder);
    List<byte[]> seeds = Corpus.bytes(root, name);
    if (seeds.isEmpty()) {
      throw new IllegalArgumentException("the corpus has nothing for '" + name + "'");
    }
    copy("gerber/plain.gbr", "top.gbr");
    copy("drill/plain.drl", "holes.drl");
    copy("netlist/plain.ipc", "nets.ipc");
    this.corpus = seeds.size();
    this.mutation = new Mutation(seeds, name.equals("kit"));
    this.reader = new Reader(name, folder, kit());
    this.commands = new Commands(folder.resolve("commands"));
  }

  /** Kits of the corpus name these files. */
  private void copy(String from, String to) throws IOException {
    Files.copy(
        root.resolve("corpus").resolve(from),
        folder.resolve(to),
        StandardCopyOption.REPLACE_EXISTING);
  }

  private Kit kit() {
    return switch (KitFolder.at(root.resolve("kits/glowmoth")).read()) {
      case KitRead.Opened read -> read.kit();
      case KitRead.Refused refused -> throw new IllegalStateException(refused.toString());
    };
  }

  /** Runs. */
  public static void main(String[] arguments) throws IOException {
    FuzzChild child = new FuzzChild(Path.of(arguments[0]), arguments[1], Path.of(arguments[6]));
    child.run(
        Long.parseLong(arguments[2]),
        Long.parseLong(arguments[3]),
        Long.parseLong(arguments[4]),
        Long.parseLong(arguments[5]));
  }

  private void run(long first, long inputs, long mostMs, long kits) throws IOException {
    watch();
    long begin = System.nanoTime();
    long mutating = begin;
    long done = 0;
    for (long input = first; input < first + inputs; input++) {
      // The corpus is always read whole: the time is that of the mutations.
      if (input == corpus) {
        mutating = System.nanoTime();
      }
      if (input > corpus && (System.nanoTime() - mutating) / 1_000_000 > mostMs) {
        break;
      }
      one(input, kits);
      done++;
    }
    out.printf(
        "figures %d %d %d %d %d %d %d%n",
        done, exceptions, hangs, largest, (System.nanoTime() - begin) / 1_000_000, opened, ran);
  }

  private void one(long input, long kits) throws IOException {
    byte[] bytes = mutation.input(input);
    largest = Math.max(largest, bytes.length);
    begin(input);
    Optional<Kit> kit = Optional.empty();
    try {
      kit = reader.read(input, bytes);
    } catch (RuntimeException | Error e) {
      exceptions++;
      tell(Finding.of(input, e), bytes);
    }
    end(HANG_MS, bytes);
    if (kit.isPresent()) {
      opened++;
      if (ran < kits && name.equals("kit")) {
        ran++;
        begin(input);
        for (String fault : commands.faults(bytes, kit.get())) {
          exceptions++;
          tell(new Finding(input, fault), bytes);
        }
        end(COMMANDS_HANG_MS, bytes);
      }
    }
  }

  private void begin(long input) {
    since.set(System.nanoTime());
    now.set(input);
  }

  private void end(long mostMs, byte[] bytes) throws IOException {
    long took = (System.nanoTime() - since.get()) / 1_000_000;
    long input = now.getAndSet(-1);
    if (took > mostMs) {
      hangs++;
      tell(new Finding(input, "It took " + took + " ms"), bytes);
    }
  }

  /** The same fault is told once, with the first input that showed it. */
  private void tell(Finding finding, byte[] bytes) throws IOException {
    if (told.add(finding.what().replaceAll("[0-9]+ ms", "long"))) {
      Path file = folder.resolve(name + "-" + finding.input() + ".bin");
      Files.write(file, bytes);
      out.println("finding " + finding.input() + " " + finding.what() + " (" + file + ")");
    }
  }

  /** An input that never ends would end the proof without a word: it is named from outside. */
  private void watch() {
    Thread.ofPlatform()
        .daemon()
        .start(() -> {
          try {
            while (true) {
              Thread.sleep(2_000);
              long input = now.get();
              long took = (System.nanoTime() - since.get()) / 1_000_000;
              if (input >= 0 && took > 60_000) {
                out.println("finding " + input + " It never ends");
                Files.write(folder.resolve(name + "-" + input + ".bin"), mutation.input(input));
                System.exit(9);
              }
            }
          } catch (InterruptedException | IOException e) {
            out.println("finding 0 The watch ended: " + e);
          }
        });
  }
}
