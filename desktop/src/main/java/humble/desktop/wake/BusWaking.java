package humble.desktop.wake;

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
 * A bus of two wires: each planned device has a digit that tells that it answered; what answered
 * besides is typed. Fact {@code found}: the addresses that answered.
 */
final class BusWaking extends WakeHand {
  private static final int MOST_DIGITS = 9;

  private final Peripheral.Bus bus;
  private final BusPlan plan;
  private final Set<Integer> found = new TreeSet<>();
  private boolean ran;
  private boolean typing;
  private boolean practised;

  private BusWaking(WakeBench bench, Peripheral.Bus bus) {
    super(bench, bus);
    this.bus = bus;
    this.plan = BusPlan.of(bus, OptionalDouble.empty());
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.Bus bus
        ? Optional.of(new BusWaking(bench, bus))
        : Optional.empty();
  }

  @Override
  protected Card test() {
    return typing ? another() : ran ? which() : first();
  }

  private Card first() {
    Card.Maker card = words.prepared(begun(words.title())).how(say("wake.bus.how"));
    plan.plan()
        .forEach(given ->
            card.row(Standing.TO_DO, say("wake.bus.device", given.ref(), hex(given.address()))));
    plan.clashes()
        .forEach(clash ->
            card.row(
                Standing.TO_DO,
                say("wake.bus.clash", hex(clash.address()), String.join(", ", clash.refs()))));
    card.why(seat.say(plan.pullup().advice()));
    beside(card);
    if (!ails().isEmpty()) {
      card.verdict(false, say("wake.bus.before", bench.facts(bus).getOrDefault("found", "")));
    }
    return begins(card, "wake.bus.run", "wake.bus.own", this::run);
  }

  private void run() {
    found.clear();
    practised = false;
    if (!open.practiceOn()) {
      ran = true;
      return;
    }
    practise(
        (practice, state) -> Optional.of(practice.wake().answering(bus, plan.plan(), state)),
        shown -> {
          found.addAll(shown);
          practised = true;
          ran = true;
        });
  }

  private Card which() {
    Card.Maker card = begun(say("wake.bus.which")).how(say("wake.bus.which.how"));
    for (int i = 0; i < plan.plan().size(); i++) {
      BusPlan.Given given = plan.plan().get(i);
      Standing standing = found.contains(given.address()) ? Standing.DONE : Standing.TO_DO;
      String text = say("wake.bus.device", given.ref(), hex(given.address()));
      if (i < MOST_DIGITS) {
        card.choice(
            i + 1, standing, say("mend.choice", i + 1, text), () -> toggle(given.address()));
      } else {
        card.row(standing, text);
      }
    }
    List<Integer> strays = plan.strays(found);
    if (!strays.isEmpty()) {
      card.row(Standing.DEVIATED, say("wake.bus.stray", hex(strays)));
    }
    card.key('0', say("wake.bus.another"), () -> typing = true);
    if (practised) {
      card.why(say("wake.simulated"));
    }
    List<BusPlan.Given> missing = plan.missing(found);
    boolean good = missing.isEmpty() && strays.isEmpty() && plan.clashes().isEmpty();
    card.verdict(
        good,
        good
            ? say("wake.bus.all")
            : missing.isEmpty()
                ? say("wake.bus.not-planned")
                : say(
                    "wake.bus.missing",
                    missing.stream().map(BusPlan.Given::ref).collect(Collectors.joining(", "))));
    return card.go(say(good ? "wake.does" : "wake.write"), () -> write(good));
  }

  private void toggle(int address) {
    if (!found.remove(address)) {
      found.add(address);
    }
  }

  /** An address that is not planned: it has letters, so it is typed on the main block. */
  private Card another() {
    Card.Maker card =
        begun(say("wake.bus.another"))
            .how(say("wake.bus.another.how"))
            .field(typed().text(), "", Takes.TEXT)
            .key(Card.ESC, say("mend.leave"), this::leaveTyping)
            .silent(Card.BACK, () -> {});
    String text = typed().text().strip().toLowerCase(Locale.ROOT);
    if (text.isEmpty()) {
      return card.notYet(say("wake.bus.another.type"));
    }
    if (!text.matches("(0x)?[0-7]?[0-9a-f]")) {
      return card.verdict(false, say("wake.bus.unreadable")).notYet(say("wake.bus.another.type"));
    }
    int address = Integer.parseInt(text.replaceFirst("0x", ""), 16);
    return card.go(
        say("wake.bus.another.go", hex(address)),
        () -> {
          found.add(address);
          leaveTyping();
        });
  }

  private void leaveTyping() {
    typing = false;
    typed().clear();
  }

  private void write(boolean good) {
    String all = hex(List.copyOf(found));
    boolean practice = practised;
    ran = false;
    answered(Map.of("found", all), good, practice);
  }

  private static String hex(List<Integer> addresses) {
    return addresses.stream().map(BusWaking::hex).collect(Collectors.joining(" "));
  }

  private static String hex(int address) {
    return String.format(Locale.ROOT, "0x%02x", address);
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    return Optional.of(TestPicture.of(open, bus, seat.words()));
  }
}
