package humble.desktop.finish;

import humble.bench.trim.PracticeInstrument;
import humble.core.build.BuildEvent;
import humble.core.kit.Calibration;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.wake.Averaged;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.session.Errand;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * A calibration, step by step: what to do with the terminals, how long it settles, and readings
 * until their mean is known well enough.
 */
final class CalibrationHand extends FinishHand {
  private static final long LOOKS_NS = 100_000_000;

  private final Calibration calibration;
  private final List<Double> read = new ArrayList<>();
  private boolean practised;
  private int readFor = 1;
  private int settled;
  private @Nullable Errand<?> settling;

  CalibrationHand(Seat seat, OpenBuild open, Calibration calibration) {
    super(seat, open, calibration.id());
    this.calibration = calibration;
  }

  private int step() {
    for (int i = 1; i <= calibration.steps().size(); i++) {
      if (open.build().finished().step(calibration.id(), i).isEmpty()) {
        return i;
      }
    }
    return calibration.steps().size();
  }

  @Override
  public Card card() {
    int number = step();
    if (readFor != number) {
      // A step that was taken back is read anew; what another one read is not its own.
      anew();
      readFor = number;
    }
    Calibration.Step step = calibration.steps().get(number - 1);
    Card.Maker card =
        begun(
            calibration.title(),
            say("calibrate." + step.doing().text())
                + " · "
                + say("calibrate.of", number, calibration.steps().size()));
    card.how(step.say().isEmpty() ? say("calibrate." + step.doing().text() + ".how") : step.say());
    needs(card, step.loose());
    later(card);
    if (step.nominal() > 0) {
      card.how(say("calibrate.nominal", shown(step.nominal()) + " " + step.unit()));
    }
    for (int i = 1; i <= calibration.steps().size(); i++) {
      card.row(
          i < number ? Standing.DONE : i == number ? Standing.NOW : Standing.TO_DO,
          say("calibrate." + calibration.steps().get(i - 1).doing().text()));
    }
    if (settled != number && step.waitS() > 0) {
      return settles(card, number, step);
    }
    return step.readings() == 0
        ? card.go(say("calibrate.done"), () -> write(number))
        : reads(card, number, step);
  }

  private Card settles(Card.Maker card, int number, Calibration.Step step) {
    Errand<?> now = settling;
    String seconds = String.format(Locale.ROOT, "%.0f", step.waitS());
    if (now != null && now.isRunning()) {
      card.key(Card.ESC, say("calibrate.settled"), () -> settle(number));
      return card.notYet(say("calibrate.settling", seconds));
    }
    if (open.practiceOn()) {
      card.why(say("calibrate.simulated-wait", seconds));
      return card.go(say("calibrate.simulated-settle", seconds), () -> settle(number));
    }
    return card.go(
        say("calibrate.settle", seconds),
        () ->
            settling =
                own(
                    open.works()
                        .start(
                            calledOff -> {
                              long end = System.nanoTime() + (long) (step.waitS() * 1e9);
                              while (System.nanoTime() < end && !calledOff.getAsBoolean()) {
                                java.util.concurrent.locks.LockSupport.parkNanos(LOOKS_NS);
                              }
                              return number;
                            },
                            this::settle)));
  }

  private void settle(int number) {
    Errand<?> now = settling;
    settled = number;
    settling = null;
    if (now != null && now.isRunning()) {
      now.cancel();
    }
  }

  private Card reads(Card.Maker card, int number, Calibration.Step step) {
    boolean enough = false;
    if (!read.isEmpty()) {
      Averaged all = Averaged.of(read, step.readings(), step.within());
      enough = all.isEnough();
      card.row(
          Standing.NOW,
          say(
              read.size() < 2 ? "calibrate.one" : "calibrate.mean",
              shown(all.mean()) + " " + step.unit(),
              shown(all.spread()),
              read.size()));
      card.why(
          enough
              ? say("calibrate.enough", read.size())
              : say("calibrate.more", all.wanted() - read.size()));
      if (!enough && read.size() >= Math.max(2, step.readings())) {
        card.key('+', say("calibrate.unsure"), () -> write(number));
      }
      card.key(Card.ESC, say("wake.read.anew"), this::anew);
    }
    card.field(typed().text(), step.unit(), Takes.SIGNED);
    if (typed().isEmpty()) {
      if (enough) {
        return card.go(say("calibrate.next"), () -> write(number));
      }
      return open.practiceOn()
          ? card.go(say("wake.read.practice"), () -> practise(number))
          : card.notYet(say("wake.read.type"));
    }
    return switch (Quantity.parse(typed().text())) {
      case QuantityText.Read value ->
          card.go(say("wake.read.go", typed().text() + " " + step.unit()), () -> take(value));
      case QuantityText.Unreadable bad ->
          card.verdict(false, bad.sentence()).notYet(say("wake.read.type"));
    };
  }

  private static String shown(double value) {
    return String.format(Locale.ROOT, Math.abs(value) >= 1000 ? "%.1f" : "%.3g", value);
  }

  private void take(QuantityText.Read value) {
    practised |= typed().isPractice();
    read.add(value.value());
    typed().clear();
  }

  private void practise(int number) {
    double reads =
        new PracticeInstrument(open.practice().seed()).reads(calibration, number, read.size());
    typed().show(shown(reads));
  }

  private void anew() {
    read.clear();
    practised = false;
    typed().clear();
  }

  private void write(int number) {
    List<Double> all = List.copyOf(read);
    boolean practice = practised || all.isEmpty() && open.practiceOn();
    anew();
    open.act(new BuildEvent.Calibrated(calibration.id(), number, all, practice));
  }

  @Override
  public Mat mat() {
    Calibration.Step step = calibration.steps().get(step() - 1);
    return new CalibrationMat(calibration.title(), step, List.copyOf(read), seat.words());
  }
}
