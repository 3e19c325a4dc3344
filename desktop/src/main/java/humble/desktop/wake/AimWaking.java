package humble.desktop.wake;

import humble.bench.trim.PracticeBeam;
import humble.core.kit.Peripheral;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.wake.Aim;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * A beam that is aimed by hand: what the sensor reads after each turn, the best so far, which way
 * next, and when to glue it. Facts: {@code best} and {@code answer}.
 */
final class AimWaking extends WakeHand {
  private final Peripheral.LightGate gate;
  private final List<Double> read = new ArrayList<>();
  private double enough;
  private boolean practised;

  private AimWaking(WakeBench bench, Peripheral.LightGate gate) {
    super(bench, gate);
    this.gate = gate;
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.LightGate gate
        ? Optional.of(new AimWaking(bench, gate))
        : Optional.empty();
  }

  @Override
  protected Card test() {
    Card.Maker card = words.prepared(begun(words.title()));
    if (enough <= 0) {
      card.how(say("wake.aim.dark"));
    } else {
      Aim aim = new Aim(read, enough);
      card.how(say("wake.aim." + aim.next().name().toLowerCase(Locale.ROOT)));
      aim.best()
          .ifPresent(best ->
              card.how(say("wake.aim.best", read.get(best), best + 1, read.size(), enough)));
      if (aim.next() == Aim.Next.GLUE) {
        card.verdict(true, say("wake.aim.good", read.getLast()));
        return card.go(say("wake.aim.glued"), () -> write(aim, true));
      }
      if (aim.next() == Aim.Next.STUCK) {
        card.key('/', say("wake.mend"), () -> write(aim, false));
      }
      if (typed().isEmpty()) {
        card.key(Card.ESC, say("wake.read.anew"), this::anew);
      }
    }
    beside(card);
    card.field(typed().text(), "", Takes.DIGITS);
    if (typed().isEmpty()) {
      return open.practiceOn()
          ? card.go(say("wake.read.practice"), this::practise)
          : card.notYet(say("wake.read.type"));
    }
    return switch (Quantity.parse(typed().text())) {
      case QuantityText.Read number ->
          card.go(say("wake.read.go", typed().text()), () -> take(number.value()));
      case QuantityText.Unreadable bad ->
          card.verdict(false, bad.sentence()).notYet(say("wake.read.type"));
    };
  }

  private void practise() {
    PracticeBeam beam = new PracticeBeam(open.practice().seed() ^ gate.id().hashCode());
    double reads = enough <= 0 ? beam.dark() : beam.reads(read, enough);
    typed().show(String.format(Locale.ROOT, "%.0f", reads));
  }

  /** Twice what the dark reads, and a tenth of it more, tells the lamp from the dark for good. */
  private void take(double value) {
    if (enough <= 0) {
      enough = Math.max(2.1 * value, 1e-9);
    } else {
      read.add(value);
    }
    practised |= typed().isPractice();
    typed().clear();
  }

  private void anew() {
    read.clear();
    enough = 0;
  }

  private void write(Aim aim, boolean good) {
    String best = aim.best().isPresent() ? read.get(aim.best().getAsInt()).toString() : "";
    boolean practice = practised;
    anew();
    practised = false;
    answered(Map.of("best", best), good, practice);
    if (!good) {
      mend();
    }
  }

  @Override
  protected boolean mayBeUnmeasured() {
    return true;
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    double most = Math.max(2 * enough, read.stream().mapToDouble(v -> v).max().orElse(1));
    return Optional.of(
        new ReadingsPicture(
            TestPicture.of(open, gate, seat.words()),
            enough <= 0
                ? Optional.empty()
                : Optional.of(
                    new ReadingsPicture.Scale(0, most, List.of(new double[] {enough, most}))),
            List.copyOf(read)));
  }
}
