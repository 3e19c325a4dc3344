package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.bench.SimulatedBoard;
import humble.core.kit.BoardState;
import humble.core.kit.Peripheral;
import humble.core.wake.ThroughChecks;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Something without a controller: the fewest checks by a meter that beeps. Facts: {@code open}, the
 * pairs that do not go through, {@code joined}, those that may touch.
 */
final class ThroughWaking extends WakeHand {
  private final ThroughChecks plan;
  private final List<ThroughChecks.Check> checks;
  private final List<Boolean> beeped = new ArrayList<>();
  private boolean practised;

  private ThroughWaking(WakeBench bench, Peripheral.Passive passive) {
    super(bench, passive);
    this.plan = ThroughChecks.of(passive.through());
    this.checks = plan.checks();
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.Passive passive && !passive.through().isEmpty()
        ? Optional.of(new ThroughWaking(bench, passive))
        : Optional.empty();
  }

  @Override
  protected Card test() {
    return beeped.size() < checks.size() ? asks() : judged();
  }

  private Card asks() {
    Card.Maker card = begun(words.title());
    if (beeped.isEmpty()) {
      words.prepared(card).how(say("wake.through.how", checks.size()));
      if (!ails().isEmpty()) {
        Map<String, String> before = bench.facts(peripheral());
        card.verdict(
            false,
            say(
                "wake.read.before",
                (before.getOrDefault("open", "") + " " + before.getOrDefault("joined", ""))
                    .strip()));
        card.key('/', say("wake.mend"), this::mend);
      }
      beside(card);
    } else {
      card.key(Card.ESC, say("wake.read.anew"), this::anew);
    }
    ThroughChecks.Check now = checks.get(beeped.size());
    boolean joined = now instanceof ThroughChecks.Check.Through;
    card.how(
        switch (now) {
          case ThroughChecks.Check.Through each -> say("wake.through.ask", each.a(), each.b());
          case ThroughChecks.Check.Apart each ->
              say(
                  "wake.through.apart",
                  String.join(", ", each.one()),
                  String.join(", ", each.other()));
        });
    card.why(say("wake.words.count", beeped.size() + 1, checks.size()));
    if (asking()) {
      return card.notYet(say("wake.asking"));
    }
    if (!trouble().isEmpty()) {
      card.verdict(false, trouble());
    }
    choice(card, 1, "wake.through.beeps", true);
    choice(card, 2, "wake.through.silent", false);
    return open.practiceOn()
        ? card.go(say("wake.through.practice"), () -> practise(now))
        : card.go(
            say(joined ? "wake.through.it-beeps" : "wake.through.it-is-silent"),
            () -> beeped.add(joined));
  }

  private void choice(Card.Maker card, int digit, String key, boolean beeps) {
    card.choice(
        digit, Standing.TO_DO, say("mend.choice", digit, say(key)), () -> beeped.add(beeps));
  }

  private void practise(ThroughChecks.Check check) {
    PracticeBench practice = open.practice();
    // With everything in: the meter takes the power off by itself.
    Optional<BoardState> state = bench.powered().or(() -> open.kit().states().stream().findFirst());
    // The meter needs no program that runs.
    look(
        () ->
            state
                .flatMap(practice::board)
                .<WakeBench.Answer<Boolean>>map(
                    board -> new WakeBench.Answer.Shown<>(beeps(board, check)))
                .orElseGet(() -> new WakeBench.Answer.Trouble<>(say("wake.no-state"))),
        beeps -> {
          beeped.add(beeps);
          practised = true;
        });
  }

  private static boolean beeps(SimulatedBoard board, ThroughChecks.Check check) {
    return switch (check) {
      case ThroughChecks.Check.Through each -> board.goesThrough(each.a(), each.b());
      case ThroughChecks.Check.Apart each ->
          each.one().stream()
              .anyMatch(a -> each.other().stream().anyMatch(b -> board.goesThrough(a, b)));
    };
  }

  private void anew() {
    beeped.clear();
    practised = false;
  }

  private List<String> notThrough() {
    List<String> pairs = new ArrayList<>();
    for (int i = 0; i < checks.size(); i++) {
      if (checks.get(i) instanceof ThroughChecks.Check.Through each && !beeped.get(i)) {
        pairs.add(each.a() + "-" + each.b());
      }
    }
    return pairs;
  }

  private List<String> joined() {
    Set<Integer> bunches = new HashSet<>();
    int bunch = 0;
    for (int i = 0; i < checks.size(); i++) {
      if (checks.get(i) instanceof ThroughChecks.Check.Apart) {
        if (beeped.get(i)) {
          bunches.add(bunch);
        }
        bunch++;
      }
    }
    return plan.bridged(bunches).stream().map(pair -> String.join("-", pair)).toList();
  }

  private Card judged() {
    List<String> cut = notThrough();
    List<String> joined = joined();
    boolean good = cut.isEmpty() && joined.isEmpty();
    Card.Maker card =
        begun(words.title()).verdict(good, say(good ? "wake.through.good" : "wake.through.not"));
    cut.forEach(pair -> card.row(Standing.TO_DO, say("wake.through.row.open", pair)));
    joined.forEach(pair ->
        card.row(
            Standing.TO_DO,
            say(joined.size() == 1 ? "wake.through.row.joined" : "wake.through.row.maybe", pair)));
    if (practised) {
      card.why(say("wake.simulated"));
    }
    card.key(Card.ESC, say("wake.read.anew"), this::anew);
    return card.go(say(good ? "wake.does" : "wake.write"), () -> write(cut, joined, good));
  }

  private void write(List<String> cut, List<String> joined, boolean good) {
    boolean practice = practised;
    anew();
    answered(
        Map.of("open", String.join(" ", cut), "joined", String.join(" ", joined)), good, practice);
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    return Optional.of(TestPicture.of(open, peripheral(), seat.words()));
  }
}
