package humble.proofs.kill;

import humble.proofs.ChildJvm;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;

/** A driver in a process of its own, and what it has said so far. */
final class Child {
  private final Process process;
  private final Thread reads;
  private final Map<Long, String> acked = new ConcurrentHashMap<>();
  private final Map<String, Integer> unwritten = new ConcurrentHashMap<>();
  private final List<String> other = java.util.Collections.synchronizedList(new ArrayList<>());
  private volatile boolean open;
  private volatile int ackedAfterTrouble;

  private Child(Process process) {
    this.process = process;
    this.reads = Thread.ofPlatform().daemon().start(this::read);
  }

  /**
   * Starts a driver.
   *
   * @param before words before the command, such as those of a tracer; empty for none
   */
  static Child start(
      List<String> before, Class<?> driver, List<String> options, Path home, Path kit, long seed)
      throws IOException {
    List<String> words = new ArrayList<>(before);
    words.addAll(
        ChildJvm.command(
            options,
            driver.getName(),
            List.of(home.toString(), kit.toString(), Long.toString(seed))));
    return new Child(new ProcessBuilder(words).redirectErrorStream(true).start());
  }

  private void read() {
    try (BufferedReader lines = process.inputReader(StandardCharsets.UTF_8)) {
      for (String line = lines.readLine(); line != null; line = lines.readLine()) {
        take(line);
      }
    } catch (IOException | UncheckedIOException e) {
      // A killed process closes its end.
      open = true;
    }
  }

  private void take(String line) {
    String[] words = line.split(" ");
    switch (words[0]) {
      case "open" -> open = true;
      case "ack" -> {
        // A line that was cut off by the kill was not said.
        if (words.length == 3) {
          acked.put(Long.valueOf(words[1]), words[2]);
          ackedAfterTrouble += unwritten.isEmpty() ? 0 : 1;
        }
      }
      case "unwritten" -> unwritten.merge(words.length > 1 ? words[1] : "", 1, Integer::sum);
      default -> other.add(line);
    }
  }

  boolean isOpen() {
    return open;
  }

  boolean isOver() {
    return !process.isAlive();
  }

  /** Gives the acts that were shown as done, each with its hash, by number. */
  Map<Long, String> acked() {
    return acked;
  }

  /** Gives how often an act was told as not written, by reason. */
  Map<String, Integer> unwritten() {
    return unwritten;
  }

  /** Gives how many acts were written after one had not been. */
  int ackedAfterTrouble() {
    return ackedAfterTrouble;
  }

  /** Gives everything else it said. */
  List<String> other() {
    return List.copyOf(other);
  }

  /** Kills it and everything it started, and takes in what it still said. */
  void kill() throws InterruptedException {
    process.descendants().forEach(ProcessHandle::destroyForcibly);
    process.destroyForcibly();
    process.waitFor(10, TimeUnit.SECONDS);
    reads.join(2_000);
  }

  /** Waits until it has ended by itself. */
  boolean waitFor(long ms) throws InterruptedException {
    boolean ended = process.waitFor(ms, TimeUnit.MILLISECONDS);
    if (ended) {
      reads.join(2_000);
    }
    return ended;
  }
}
