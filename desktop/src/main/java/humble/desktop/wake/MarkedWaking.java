package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.core.kit.BoardState;
import humble.core.kit.Peripheral;
import humble.core.wake.LightNumbers;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * A test of many alike, each with a number: all are run, the numbers of those that fail are typed
 * or clicked, and what they have in common is told. Its words begin with {@code wake.} and the
 * kind's own name; its fact has the numbers.
 */
abstract class MarkedWaking extends WakeHand {
  /** Long enough to see which light it is, short enough to wait for all of them. */
  private static final int DWELL_MS = 400;

  private final String kind;
  private final String fact;
  private final List<String> refs;
  private final Set<Integer> marked = new TreeSet<>();
  private boolean ran;
  private @Nullable Set<Integer> simulated;

  /**
   * Makes it.
   *
   * @param kind what its words begin with after {@code wake.}
   * @param fact name of the fact that has the numbers
   * @param refs the parts that bear the numbers from 1; a ref is empty where it is no part
   */
  MarkedWaking(
      WakeBench bench, Peripheral peripheral, String kind, String fact, List<String> refs) {
    super(bench, peripheral);
    this.kind = "wake." + kind + ".";
    this.fact = fact;
    this.refs = List.copyOf(refs);
  }

  /** Gives the numbers that fail on the simulated board; asked on the thread of its line. */
  protected abstract Set<Integer> failing(PracticeBench practice, BoardState powered);

  /** Gives what a real board is told over its line, one after the other; none where it is not. */
  protected List<String> requests() {
    return List.of();
  }

  @Override
  protected final boolean isTold() {
    return !requests().isEmpty();
  }

  /** Gives what the marked ones have in common, in words. */
  protected abstract List<String> told(Set<Integer> numbers);

  /** Tells whether those that fail on the simulated board are seen, rather than told at once. */
  protected abstract boolean isSeen();

  private Set<Integer> before() {
    return LightNumbers.of(bench.facts(peripheral()).getOrDefault(fact, ""));
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

  private void fails(Card.Maker card, Set<Integer> numbers) {
    card.verdict(false, say(kind + "marked", List.copyOf(numbers)));
    told(numbers).forEach(text -> card.row(Standing.TO_DO, text));
  }

  private void run() {
    simulated = null;
    marked.clear();
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
    BoardState state = bench.powered().orElse(null);
    PracticeBench practice = open.practice();
    ask(
        List.of(),
        () ->
            state == null
                ? new WakeBench.Answer.Trouble<>(say("wake.no-state"))
                : new WakeBench.Answer.Shown<>(failing(practice, state)),
        shown -> {
          simulated = shown;
          if (!isSeen()) {
            marked.addAll(shown);
          }
          ran = true;
        });
  }

  private Card which() {
    Card.Maker card = begun(say(kind + "which")).how(say(kind + "which.how"));
    card.field(typed().text(), say(kind + "unit"));
    Optional<Integer> number = number();
    if (!typed().isEmpty() && number.isEmpty()) {
      card.verdict(false, say(kind + "no-such", refs.size()));
    } else if (!marked.isEmpty()) {
      fails(card, marked);
    }
    if (simulated != null) {
      card.why(say("wake.simulated"));
    }
    if (isTold() && !open.practiceOn() && bench.hasBoard()) {
      card.key('+', say("wake.line.again"), this::run);
      if (asking()) {
        return card.notYet(say("wake.asking"));
      }
      if (!trouble().isEmpty()) {
        card.verdict(false, trouble());
      }
    }
    if (!typed().isEmpty()) {
      return number
          .map(n -> card.go(say(kind + (marked.contains(n) ? "unmark" : "mark"), n), () -> mark(n)))
          .orElseGet(() -> card.notYet(say("wake.number")));
    }
    return card.go(say(kind + (marked.isEmpty() ? "all" : "write"), marked.size()), this::write);
  }

  private Optional<Integer> number() {
    return typed().text().matches("[0-9]{1,6}")
        ? Optional.of(Integer.parseInt(typed().text()))
            .filter(number -> number >= 1 && number <= refs.size())
        : Optional.empty();
  }

  private void mark(int number) {
    if (!marked.remove(number)) {
      marked.add(number);
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
    Map<String, String> facts = Map.of(fact, LightNumbers.text(marked));
    boolean all = marked.isEmpty();
    ran = false;
    marked.clear();
    answered(facts, all, simulated != null);
  }

  @Override
  protected final Optional<Waking.Picture> picture() {
    Set<Integer> failed = simulated;
    boolean shows = ran && failed != null && isSeen();
    Set<Integer> shining = new TreeSet<>();
    if (shows && failed != null) {
      IntStream.rangeClosed(1, refs.size()).forEach(shining::add);
      shining.removeAll(failed);
    }
    return Optional.of(
        TestPicture.of(open, peripheral(), seat.words())
            .numbered(
                refs,
                ran ? Set.copyOf(marked) : before(),
                shining,
                say(kind + (shows ? "legend" : "numbers"))));
  }
}
