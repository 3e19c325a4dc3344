package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.core.kit.BoardState;
import humble.core.kit.Peripheral;
import humble.core.wake.BusPlan;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * A bus of two wires: the addresses that answered are typed and held against the plan. Facts:
 * {@code found} and {@code answer}.
 */
final class BusWaking extends WakeHand {
  private final Peripheral.Bus bus;
  private final TestWords words;
  private final BusPlan plan;
  private boolean practised;

  private BusWaking(WakeBench bench, Peripheral.Bus bus) {
    super(bench, bus);
    this.bus = bus;
    this.words = new TestWords(bench.seat(), bus);
    this.plan = BusPlan.of(bus, OptionalDouble.empty());
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.Bus bus
        ? Optional.of(new BusWaking(bench, bus))
        : Optional.empty();
  }

  @Override
  public Card card() {
    Card.Maker card = words.prepared(begun(words.title())).how(say("wake.bus.how"));
    Optional<Set<Integer>> found = found();
    plan.plan()
        .forEach(given ->
            card.row(
                found.filter(all -> all.contains(given.address())).isPresent()
                    ? Standing.DONE
                    : Standing.TO_DO,
                say("wake.bus.device", given.ref(), hex(given.address()))));
    plan.clashes()
        .forEach(clash ->
            card.row(
                Standing.TO_DO,
                say("wake.bus.clash", hex(clash.address()), String.join(", ", clash.refs()))));
    card.why(seat.say(plan.pullup().advice()));
    if (asking()) {
      return card.notYet(say("wake.asking"));
    }
    card.field(typed().text(), "", Takes.TEXT).key(Card.ESC, say("mend.leave"), typed()::clear);
    if (typed().isEmpty()) {
      if (!ails().isEmpty()) {
        card.verdict(false, say("wake.bus.before", bench.facts(bus).getOrDefault("found", "")));
      } else if (!trouble().isEmpty()) {
        card.verdict(false, trouble());
      }
      later(card);
      return open.practiceOn()
          ? card.go(say("wake.bus.run"), this::run)
          : card.notYet(say("wake.bus.type"));
    }
    if (found.isEmpty()) {
      card.verdict(false, say("wake.bus.unreadable"));
      return card.notYet(say("wake.bus.type"));
    }
    return judged(card, found.get());
  }

  private Card judged(Card.Maker card, Set<Integer> found) {
    List<BusPlan.Given> missing = plan.missing(found);
    List<Integer> strays = plan.strays(found);
    boolean good = missing.isEmpty() && strays.isEmpty() && plan.clashes().isEmpty();
    if (practised) {
      card.why(say("wake.simulated"));
    }
    if (!strays.isEmpty()) {
      card.row(
          Standing.TO_DO,
          say(
              "wake.bus.stray",
              strays.stream().map(BusWaking::hex).collect(Collectors.joining(", "))));
    }
    card.verdict(
        good,
        good
            ? say("wake.bus.all")
            : say(
                "wake.bus.missing",
                missing.stream().map(BusPlan.Given::ref).collect(Collectors.joining(", "))));
    return card.go(say(good ? "wake.does" : "wake.write"), () -> write(found, good));
  }

  private void run() {
    BoardState state = bench.powered().orElse(null);
    PracticeBench practice = open.practice();
    ask(
        List.of(),
        () ->
            state == null
                ? new WakeBench.Answer.Trouble<>(say("wake.no-state"))
                : new WakeBench.Answer.Shown<>(practice.wake().answering(bus, plan.plan(), state)),
        shown -> {
          practised = true;
          typed()
              .show(
                  shown.isEmpty()
                      ? "0"
                      : shown.stream().map(BusWaking::hex).collect(Collectors.joining(" ")));
        });
  }

  /** Addresses in hexadecimal, apart by blanks or commas; a single 0 is that none answered. */
  private Optional<Set<Integer>> found() {
    String text = typed().text().strip().toLowerCase(Locale.ROOT);
    Set<Integer> found = new TreeSet<>();
    if (text.equals("0")) {
      return Optional.of(found);
    }
    for (String word : text.split("[\\s,;]+")) {
      if (!word.matches("(0x)?[0-7]?[0-9a-f]")) {
        return Optional.empty();
      }
      found.add(Integer.parseInt(word.replaceFirst("0x", ""), 16));
    }
    return Optional.of(found);
  }

  private void write(Set<Integer> found, boolean good) {
    Map<String, String> facts =
        Map.of(
            "found",
            found.stream().map(BusWaking::hex).collect(Collectors.joining(" ")),
            "answer",
            good ? "does" : "not");
    boolean practice = practised;
    practised = false;
    typed().clear();
    if (good) {
      open.act(saw(facts, practice), woke());
    } else {
      open.act(saw(facts, practice));
    }
  }

  private static String hex(int address) {
    return String.format(Locale.ROOT, "0x%02x", address);
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    return Optional.of(TestPicture.of(open, bus, seat.words()));
  }
}
