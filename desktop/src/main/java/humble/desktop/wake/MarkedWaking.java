package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.core.kit.BoardState;
import humble.core.kit.Peripheral;
import humble.core.wake.LightNumbers;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * A test of many alike, each with a number: all are run, the numbers of those that do something
 * else are typed or clicked, and what they have in common is told. There are several ways to do
 * something else; one of them is being marked. Its words begin with {@code wake.} and the kind's
 * own name; each way is a fact with its numbers.
 */
abstract class MarkedWaking extends WakeHand {
  /** Long enough to see which light it is, short enough to wait for all of them. */
  private static final int DWELL_MS = 400;

  private final String kind;
  private final List<String> ways;
  private final List<String> refs;
  private final Map<String, Set<Integer>> marked = new LinkedHashMap<>();
  private int way;
  private boolean ran;
  private @Nullable Map<String, Set<Integer>> simulated;

  /**
   * Makes it.
   *
   * @param kind what its words begin with after {@code wake.}
   * @param ways names of the facts that have the numbers, the usual one first
   * @param refs the parts that bear the numbers from 1; a ref is empty where it is no part
   */
  MarkedWaking(
      WakeBench bench, Peripheral peripheral, String kind, List<String> ways, List<String> refs) {
    super(bench, peripheral);
    this.kind = "wake." + kind + ".";
    this.ways = List.copyOf(ways);
    this.refs = List.copyOf(refs);
    clear();
  }

  /**
   * Gives the numbers that do something else on the simulated board, by the way they do; asked on
   * the thread of its line.
   */
  protected abstract Map<String, Set<Integer>> failing(PracticeBench practice, BoardState powered);

  /** Gives what a real board is told over its line, one after the other; none where it is not. */
  protected List<String> requests() {
    return List.of();
  }

  @Override
  protected final boolean isTold() {
    return !requests().isEmpty();
  }

  /** Gives what the marked ones have in common, in words. */
  protected abstract List<String> told(Map<String, Set<Integer>> numbers);

  /** Tells whether those that fail on the simulated board are seen, rather than told at once. */
  protected abstract boolean isSeen();

  private void clear() {
    ways.forEach(each -> marked.put(each, new TreeSet<>()));
    way = 0;
  }

  private Map<String, Set<Integer>> before() {
    Map<String, Set<Integer>> all = new LinkedHashMap<>();
    ways.forEach(
        each -> all.put(each, LightNumbers.of(bench.facts(peripheral()).getOrDefault(each, ""))));
    return all;
  }

  private static boolean isSound(Map<String, Set<Integer>> numbers) {
    return numbers.values().stream().allMatch(Set::isEmpty);
  }

  @Override
  protected final Card test() {
    return ran ? which() : first();
  }

  private Card first() {
    Card.Maker card = words.prepared(begun(words.title())).how(say(kind + "how", refs.size()));
    beside(card);
    if (isTold()) {
      overLine(card);
    }
    if (ails().isEmpty()) {
      return begins(card, kind + "run", kind + "own", this::run);
    }
    fails(card, before());
    card.choice(1, Standing.TO_DO, say("mend.choice", 1, say("wake.again")), this::run);
    return asking()
        ? begins(card, kind + "run", kind + "own", this::run)
        : card.go(say("wake.mend"), this::mend);
  }

  private void fails(Card.Maker card, Map<String, Set<Integer>> numbers) {
    List<String> sentences = new ArrayList<>();
    numbers.forEach((each, its) -> {
      if (!its.isEmpty()) {
        sentences.add(say(kind + "marked." + each, List.copyOf(its)));
      }
    });
    card.verdict(false, String.join(" ", sentences));
    told(numbers).forEach(text -> card.row(Standing.TO_DO, text));
  }

  private void run() {
    simulated = null;
    clear();
    if (!open.practiceOn() && !isTold()) {
      ran = true;
      return;
    }
    if (!open.practiceOn()) {
      ask(
          requests(),
          DWELL_MS,
          () -> new WakeBench.Answer.Shown<>(true),
          done -> {
            ran = true;
          });
      return;
    }
    practise(
        (practice, state) -> Optional.of(failing(practice, state)),
        shown -> {
          simulated = shown;
          if (!isSeen()) {
            shown.forEach((each, numbers) -> at(each).addAll(numbers));
          }
          ran = true;
        });
  }

  private Set<Integer> at(String of) {
    return marked.computeIfAbsent(of, key -> new TreeSet<>());
  }

  private Card which() {
    String now = ways.get(way);
    Card.Maker card = begun(say(kind + "which")).how(say(kind + "which.how." + now));
    card.field(typed().text(), say(kind + "unit"));
    Optional<Integer> number = number();
    if (!typed().isEmpty() && number.isEmpty()) {
      card.verdict(false, say(kind + "no-such", refs.size()));
    } else if (!isSound(marked)) {
      fails(card, marked);
    }
    if (simulated != null) {
      card.why(say("wake.simulated"));
    }
    String next = ways.get((way + 1) % ways.size());
    card.key('+', say(kind + "instead." + next), () -> way = (way + 1) % ways.size());
    if (typed().isEmpty()) {
      card.key(Card.ESC, say("wake.read.anew"), () -> ran = false);
    }
    if (!typed().isEmpty()) {
      return number
          .map(n ->
              card.go(
                  say(kind + (at(now).contains(n) ? "unmark" : "mark." + now), n), () -> mark(n)))
          .orElseGet(() -> card.notYet(say("wake.number")));
    }
    long all = marked.values().stream().flatMap(Set::stream).distinct().count();
    return card.go(say(kind + (all == 0 ? "all" : "write"), all), this::write);
  }

  private Optional<Integer> number() {
    return typed().text().matches("[0-9]{1,6}")
        ? Optional.of(Integer.parseInt(typed().text()))
            .filter(number -> number >= 1 && number <= refs.size())
        : Optional.empty();
  }

  private void mark(int number) {
    Set<Integer> now = at(ways.get(way));
    if (!now.remove(number)) {
      now.add(number);
    }
    typed().clear();
  }

  /** A click on one marks it, as its number does. */
  @Override
  public void pick(String spot) {
    int at = refs.indexOf(spot.replaceFirst("^part:", ""));
    if (ran && at >= 0) {
      mark(at + 1);
    }
  }

  private void write() {
    Map<String, String> facts = new HashMap<>();
    marked.forEach((each, numbers) -> facts.put(each, LightNumbers.text(numbers)));
    boolean all = isSound(marked);
    ran = false;
    clear();
    answered(facts, all, simulated != null);
  }

  @Override
  protected final Optional<Waking.Picture> picture() {
    Map<String, Set<Integer>> failed = simulated;
    boolean shows = ran && failed != null && isSeen();
    List<Set<Integer>> marks = new ArrayList<>((ran ? marked : before()).values());
    TestPicture board =
        TestPicture.of(open, peripheral(), seat.words())
            .numbered(refs, marks, say(kind + (shows ? "legend" : "numbers")));
    return Optional.of(
        shows && failed != null ? board.shining(List.copyOf(failed.values())) : board);
  }
}
