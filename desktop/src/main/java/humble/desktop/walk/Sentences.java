package humble.desktop.walk;

import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/**
 * Every sentence that the program says along a whole build, in its order, pressed through by the
 * keypad on the practice bench. Arguments of {@code main}: file to write, folder for the journals,
 * kits.
 */
public final class Sentences {
  private static final int MOST_STEPS = 4000;
  private static final int MOST_WAITS = 600;
  private static final int WAIT_MS = 50;

  private Sentences() {}

  /** One card as it was said. */
  public record Said(String stage, Card card) {
    /** Gives its sentences, one a line, the kicker first. */
    public List<String> lines() {
      List<String> lines = new ArrayList<>();
      lines.add(card.title());
      card.how().forEach(line -> lines.add("  " + line));
      card.caution().ifPresent(c -> lines.add((c.grave() ? "  (!) " : "  (mind) ") + c.text()));
      card.verdict().ifPresent(v -> lines.add((v.good() ? "  (good) " : "  (bad) ") + v.text()));
      card.rows().forEach(row -> lines.add("  [" + mark(row) + "] " + row.text()));
      card.why().forEach(line -> lines.add("  because: " + line));
      lines.add("  Enter: " + card.go());
      return lines;
    }

    private static String mark(Card.Row row) {
      return row.standing().name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
  }

  /** Walks a kit from the bag to the book and gives every card that was shown, each once. */
  public static List<Said> of(Path kit, Path home) throws InterruptedException {
    BlockingQueue<Runnable> queue = BareKeys.queue();
    List<Said> said = new ArrayList<>();
    try (ExecutorService background = Executors.newVirtualThreadPerTaskExecutor()) {
      if (!(Journal.open(home.resolve("bench.db"), Clock.systemUTC())
          instanceof JournalOpen.Opened opened)) {
        throw new IllegalStateException("the journal cannot be opened");
      }
      Session session = new Session(opened.journal(), home, List.of(kit), background, queue::add);
      try {
        session.layKit(kit);
        walk(new BareKeys(session, Clock.systemUTC(), queue), said);
      } finally {
        session.close();
      }
    }
    return said;
  }

  private static void walk(BareKeys bench, List<Said> said) throws InterruptedException {
    Set<List<String>> known = new LinkedHashSet<>();
    int waits = 0;
    for (int steps = 0; !bench.walk().over() && steps < MOST_STEPS; steps++) {
      note(bench, said, known);
      if (bench.walk().step()) {
        waits = 0;
      } else if (++waits > MOST_WAITS) {
        throw new IllegalStateException("it does not go on at: " + bench.keys().card().title());
      } else {
        bench.takeIn(WAIT_MS);
      }
    }
    note(bench, said, known);
  }

  private static void note(BareKeys bench, List<Said> said, Set<List<String>> known) {
    Said now = new Said(bench.keys().stage().name(), bench.keys().card());
    if (known.add(now.lines())) {
      said.add(now);
    }
  }

  /** Writes the log. */
  public static void main(String[] arguments) throws IOException, InterruptedException {
    StringBuilder log = new StringBuilder("# What the program says\n\n");
    log.append("Every card along a whole build of each kit, pressed through by the keypad on the\n")
        .append("practice bench. Written by `./humble sentences`.\n");
    for (int i = 2; i < arguments.length; i++) {
      Path kit = Path.of(arguments[i]);
      Path home = Files.createTempDirectory(Path.of(arguments[1]), "said");
      log.append("\n## ").append(kit.getFileName()).append("\n");
      String stage = "";
      for (Said said : of(kit, home)) {
        if (!said.stage().equals(stage)) {
          stage = said.stage();
          log.append("\n### ").append(stage.toLowerCase(Locale.ROOT)).append("\n");
        }
        log.append("\n```\n");
        said.lines().forEach(line -> log.append(line).append('\n'));
        log.append("```\n");
      }
    }
    Files.write(Path.of(arguments[0]), log.toString().getBytes(StandardCharsets.UTF_8));
  }
}
