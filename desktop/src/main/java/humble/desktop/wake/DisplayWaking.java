package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.core.kit.BoardState;
import humble.core.kit.Peripheral;
import humble.core.wake.DisplaySetting;
import humble.core.wake.Pose;
import humble.core.words.Words;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.stage.Card;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A display: it shows a figure, the picture that looks the same is picked, and the setting follows
 * from the group of the square. Facts: those of {@link DisplaySetting}.
 */
final class DisplayWaking extends WakeHand {
  private final Peripheral.Display display;
  private boolean ran;

  /** The picture picked, from 1; 0 for none. */
  private int picked;

  private DisplayWaking(WakeBench bench, Peripheral.Display display) {
    super(bench, display);
    this.display = display;
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.Display display
        ? Optional.of(new DisplayWaking(bench, display))
        : Optional.empty();
  }

  @Override
  protected Card test() {
    return ran ? which() : first();
  }

  private Card first() {
    Card.Maker card = words.prepared(begun(say("wake.display.title")));
    card.how(say("wake.display.how"));
    beside(card);
    return begins(card, "wake.display.run", "wake.display.own", this::run);
  }

  private void run() {
    if (!open.practiceOn()) {
      ran = true;
      return;
    }
    BoardState state = bench.powered().orElse(null);
    PracticeBench practice = open.practice();
    ask(
        List.of("show"),
        () ->
            state != null && practice.displayPowered(display, state)
                ? new WakeBench.Answer.Shown<>(true)
                : new WakeBench.Answer.Trouble<Boolean>(say("wake.display.unpowered")),
        shown -> ran = shown);
  }

  private DisplaySetting setting() {
    return DisplaySetting.of(bench.facts(display));
  }

  private DisplaySetting needed() {
    return setting()
        .neededFor(new DisplaySetting.Seen(Pose.all().get(picked - 1), false, false, 0, 0));
  }

  private String mirrored(Pose pose) {
    return say(pose.mirror() ? "wake.mirrored" : "wake.plain");
  }

  private Card which() {
    Card.Maker card = begun(say("wake.display.which")).how(say("wake.display.which.how"));
    card.key('+', say("wake.else"), this::elsewise);
    Pose present = setting().pose();
    card.why(say("wake.display.present", present.rotateDeg(), mirrored(present)));
    for (int i = 1; !asking() && i <= Pose.all().size(); i++) {
      int number = i;
      card.silent((char) ('0' + i), () -> picked = number);
    }
    if (!trouble().isEmpty()) {
      card.verdict(false, trouble());
    } else if (picked > 0) {
      Pose pose = needed().pose();
      card.verdict(
          picked == 1,
          picked == 1
              ? say("wake.display.upright")
              : say("wake.display.needed", pose.rotateDeg(), mirrored(pose)));
    }
    if (open.practiceOn()) {
      card.why(say("wake.simulated"));
    }
    if (asking()) {
      return card.notYet(say("wake.asking"));
    }
    return picked == 0
        ? card.notYet(say("wake.display.pick"))
        : card.go(
            say(picked == 1 ? "wake.display.awake" : "wake.display.send"),
            picked == 1 ? () -> answered(Map.of(), true, open.practiceOn()) : this::send);
  }

  private void send() {
    DisplaySetting needed = needed();
    if (!open.practiceOn()) {
      sent(needed, false);
      return;
    }
    String request =
        "display "
            + needed.pose().rotateDeg()
            + (needed.pose().mirror() ? " 1" : " 0")
            + " 0 0 0 0";
    ask(
        List.of(request),
        () -> new WakeBench.Answer.Shown<>(needed),
        setting -> sent(setting, true));
  }

  private void sent(DisplaySetting setting, boolean practice) {
    open.act(saw(setting.facts(), practice));
    picked = 0;
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    if (!ran) {
      return Optional.empty();
    }
    Optional<Pose> shown =
        open.practiceOn()
            ? Optional.of(open.practice().figure(display, setting()))
            : Optional.empty();
    return Optional.of(new Screen(shown, picked, seat.words()));
  }

  /** How the figure looks on the practice bench, and the eight it may look like. */
  private record Screen(Optional<Pose> shown, int picked, Words words) implements Waking.Picture {
    @Override
    public void paint(Pen pen, double x, double y, double w, double h) {
      double upper = shown.isPresent() ? h * 0.52 : 0;
      shown.ifPresent(pose -> simulated(pen, pose, x, y, w, upper));
      pen.box(x, y + upper, w, h - upper, 8, Token.CARD, Token.LINE);
      pen.text(
          words.say("wake.display.choose"),
          x + 18,
          y + upper + 22,
          15,
          Token.INK_SOFT,
          Pen.Hang.LEFT);
      double step = w / 8;
      double size = Math.min(step - 16, h - upper - 110);
      for (int i = 0; i < Pose.all().size(); i++) {
        choice(pen, i + 1, x + (i + 0.5) * step, y + upper + 44 + size / 2, size);
      }
    }

    private void simulated(Pen pen, Pose pose, double x, double y, double w, double upper) {
      double size = upper - 50;
      pen.box(x + w / 2 - size * 0.86, y, size * 1.72, upper - 30, 8, Token.BOARD, Token.INK);
      figure(pen, pose, x + w / 2, y + (upper - 30) / 2, size * 0.72);
      pen.text(
          words.say("wake.display.legend"),
          x + w / 2,
          y + upper - 14,
          15,
          Token.INK_SOFT,
          Pen.Hang.MIDDLE);
    }

    private void choice(Pen pen, int number, double x, double y, double size) {
      if (picked == number) {
        pen.box(x - size / 2 - 6, y - size / 2 - 6, size + 12, size + 12, 6, null, Token.COPPER);
        pen.box(x - size / 2 - 8, y - size / 2 - 8, size + 16, size + 16, 7, null, Token.COPPER);
      }
      Pose pose = Pose.all().get(number - 1);
      figure(pen, pose, x, y, size);
      pen.bold(Integer.toString(number), x, y + size / 2 + 18, 18, Token.INK, Pen.Hang.MIDDLE);
      pen.text(
          words.say("wake.boat.keel." + BoatFigure.keel(pose)),
          x,
          y + size / 2 + 36,
          12,
          Token.INK_SOFT,
          Pen.Hang.MIDDLE);
      pen.text(
          words.say("wake.boat.sail." + BoatFigure.sail(pose)),
          x,
          y + size / 2 + 51,
          12,
          Token.INK_SOFT,
          Pen.Hang.MIDDLE);
    }

    private static void figure(Pen pen, Pose pose, double x, double y, double size) {
      pen.box(x - size / 2, y - size / 2, size, size, 4, Token.BOARD, Token.INK);
      BoatFigure.paint(pen, pose, x, y, size);
    }
  }
}
