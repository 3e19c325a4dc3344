package humble.proofs.kill;

import humble.core.build.BuildEvent;
import humble.desktop.keys.BenchKeys;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.StageId;
import humble.desktop.walk.BareKeys;
import humble.desktop.walk.KeypadWalk;
import humble.store.BenchFile;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javafx.scene.input.KeyCode;

/**
 * Acts as a maker does, through the keys of the bench, and says every act once the card has shown
 * it: {@code ack NUMBER HASH}. Goes on until it is killed. What could not be written is said too
 * ({@code unwritten}), and the same key is pressed again. Arguments: home, kit, seed.
 */
public final class Driver {
  private static final int STUCK = 400;
  private static final long WAIT_MS = 15;

  private final PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
  private final Set<Long> said = new HashSet<>();
  private final Random random;

  Driver(long seed) {
    this.random = new Random(seed);
  }

  /** Runs until it is killed. */
  public static void main(String[] arguments) throws InterruptedException {
    new Driver(Long.parseLong(arguments[2])).run(Path.of(arguments[0]), Path.of(arguments[1]));
    System.exit(0);
  }

  private void run(Path home, Path kit) throws InterruptedException {
    Optional<Journal> journal = opened(BenchFile.open(home, Clock.systemUTC()).outcome());
    if (journal.isEmpty()) {
      return;
    }
    BlockingQueue<Runnable> queue = BareKeys.queue();
    ExecutorService background =
        Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().factory());
    Session session = new Session(journal.get(), home, List.of(kit), background, queue::add);
    session.layLast();
    BareKeys bare = new BareKeys(session, Clock.systemUTC(), queue);
    out.println("open");
    int still = 0;
    while (still < STUCK) {
      bare.takeIn(0);
      boolean moved = step(bare.keys(), bare.walk());
      tell(bare.keys());
      if (moved) {
        still = 0;
      } else {
        still++;
        bare.takeIn(WAIT_MS);
      }
      if (bare.walk().over()) {
        bare.keys().goByKey(StageId.SHELF);
        bare.press(KeyCode.ADD);
        bare.press(KeyCode.ENTER);
      }
    }
    out.println("stuck at " + bare.keys().stage() + ": " + bare.keys().card().title());
  }

  private Optional<Journal> opened(JournalOpen outcome) {
    return switch (outcome) {
      case JournalOpen.Opened open -> Optional.of(open.journal());
      case JournalOpen.Damaged damaged -> {
        out.println("refused " + damaged.damage().getFirst().text());
        yield Optional.empty();
      }
      case JournalOpen.Refused refused -> {
        out.println("refused " + refused.why());
        yield Optional.empty();
      }
    };
  }

  /** Mostly does what the card asks for; now and then takes back, remarks or looks elsewhere. */
  boolean step(BenchKeys keys, KeypadWalk walk) {
    int what = keys.build().isEmpty() ? 99 : random.nextInt(60);
    switch (what) {
      case 0 -> walk.press(KeyCode.SUBTRACT);
      case 1 -> {
        walk.press(KeyCode.MULTIPLY);
        walk.number(Integer.toString(random.nextInt(1000)));
        walk.press(KeyCode.ENTER);
      }
      case 2 -> {
        StageId back = keys.stage();
        walk.press(KeyCode.F1);
        keys.goByKey(back);
      }
      default -> {
        return walk.step();
      }
    }
    return true;
  }

  /** Says what the build shows now, and whether the card tells of an act that was not written. */
  void tell(BenchKeys keys) {
    OpenBuild open = keys.build().orElse(null);
    if (open != null) {
      for (BuildEvent.Entry entry : open.build().entries()) {
        if (said.add(entry.number())) {
          out.println(
              "ack " + entry.number() + " " + Integer.toHexString(entry.event().hashCode()));
        }
      }
    }
    keys.unwritten()
        .ifPresent(why -> {
          out.println("unwritten " + why);
          pause();
        });
  }

  private static void pause() {
    try {
      Thread.sleep(WAIT_MS * 4);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
