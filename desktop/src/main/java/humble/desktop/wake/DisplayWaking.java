package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.core.kit.BoardState;
import humble.core.kit.Peripheral;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.wake.DisplaySetting;
import humble.core.wake.Pose;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A display: it shows a figure, the picture that looks the same is picked, then how its colours
 * come out, then how far its frame is off; each gives the setting to use. Facts: those of {@link
 * DisplaySetting}.
 */
final class DisplayWaking extends WakeHand {
  /** What is looked at, one after the other. */
  private enum Look {
    POSE,
    COLOURS,
    COLUMNS,
    ROWS
  }

  private final Peripheral.Display display;
  private boolean ran;
  private Look look = Look.POSE;

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
    if (!ran) {
      return first();
    }
    return switch (look) {
      case POSE -> lies();
      case COLOURS -> colours();
      case COLUMNS, ROWS -> shifted();
    };
  }

  @Override
  protected boolean isTold() {
    return true;
  }

  private Card first() {
    Card.Maker card = words.prepared(begun(say("wake.display.title")));
    card.how(say("wake.display.how"));
    beside(card);
    overLine(card);
    return begins(card, "wake.display.run", "wake.display.own", this::run);
  }

  private void run() {
    if (!open.practiceOn()) {
      ask(List.of("show"), () -> new WakeBench.Answer.Shown<>(true), shown -> ran = shown);
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
    return DisplaySetting.of(display.config(), bench.facts(display));
  }

  private Optional<DisplaySetting.Seen> simulated() {
    return open.practiceOn()
        ? Optional.of(open.practice().figure(display, setting()))
        : Optional.empty();
  }

  private String mirrored(Pose pose) {
    return say(pose.mirror() ? "wake.mirrored" : "wake.plain");
  }

  /** Begins a card with pictures to choose from. */
  private Card.Maker pictures(String title, int count) {
    Card.Maker card =
        begun(say("wake.display." + title)).how(say("wake.display." + title + ".how"));
    card.key('+', say("wake.else"), this::elsewise);
    for (int i = 1; !asking() && i <= count; i++) {
      int number = i;
      card.silent((char) ('0' + i), () -> picked = number);
    }
    if (!trouble().isEmpty()) {
      card.verdict(false, trouble());
    }
    if (open.practiceOn()) {
      card.why(say("wake.simulated"));
    }
    return card;
  }

  /** Ends a card with pictures: the first of them is how it should look. */
  private Card chosen(Card.Maker card, int count, DisplaySetting needed, Runnable good) {
    if (asking()) {
      return card.notYet(say("wake.asking"));
    }
    if (picked == 0) {
      return card.notYet(say("wake.display.pick", count));
    }
    return picked == 1
        ? card.go(say("wake.display.good"), good)
        : card.go(say("wake.display.send"), () -> send(needed));
  }

  private DisplaySetting needed(Pose pose, boolean swapped, boolean inverted, int x, int y) {
    return setting().neededFor(new DisplaySetting.Seen(pose, swapped, inverted, x, y));
  }

  private Card lies() {
    Card.Maker card = pictures("which", Pose.all().size());
    Pose present = setting().pose();
    card.why(say("wake.display.present", present.rotateDeg(), mirrored(present)));
    Pose seen = picked == 0 ? Pose.UPRIGHT : Pose.all().get(picked - 1);
    DisplaySetting needed = needed(seen, false, false, 0, 0);
    if (picked > 0 && trouble().isEmpty()) {
      Pose pose = needed.pose();
      card.verdict(
          picked == 1,
          picked == 1
              ? say("wake.display.upright")
              : say("wake.display.needed", pose.rotateDeg(), mirrored(pose)));
    }
    return chosen(card, Pose.all().size(), needed, () -> next(Look.COLOURS));
  }

  private Card colours() {
    List<DisplayPicture.Colours> ways = DisplayPicture.Colours.of(display.colour());
    Card.Maker card = pictures(display.colour() ? "colours" : "ground", ways.size());
    DisplayPicture.Colours seen = picked == 0 ? DisplayPicture.Colours.PLAIN : ways.get(picked - 1);
    DisplaySetting needed = needed(Pose.UPRIGHT, seen.swapped(), seen.inverted(), 0, 0);
    if (picked > 0 && trouble().isEmpty()) {
      card.verdict(
          picked == 1,
          picked == 1
              ? say("wake.display.colours.good")
              : say(
                  "wake.display.colours.needed",
                  say(needed.swapRedBlue() ? "wake.display.swap" : "wake.display.no-swap"),
                  say(needed.invert() ? "wake.display.invert" : "wake.display.no-invert")));
    }
    return chosen(card, ways.size(), needed, () -> next(Look.COLUMNS));
  }

  private void next(Look then) {
    look = then;
    picked = 0;
  }

  /** The frame along the edges tells how far the picture lies off: first sideways, then upright. */
  private Card shifted() {
    boolean columns = look == Look.COLUMNS;
    Card.Maker card =
        begun(say(columns ? "wake.display.columns" : "wake.display.rows"))
            .how(say("wake.display.frame"))
            .how(say(columns ? "wake.display.columns.how" : "wake.display.rows.how"));
    card.key('+', say("wake.else"), this::elsewise);
    card.field(typed().text(), say("wake.display.px"), Takes.SIGNED);
    if (open.practiceOn()) {
      card.why(say("wake.simulated"));
    }
    if (!trouble().isEmpty()) {
      card.verdict(false, trouble());
    }
    if (asking()) {
      return card.notYet(say("wake.asking"));
    }
    int there = simulated().map(seen -> columns ? seen.shiftXPx() : seen.shiftYPx()).orElse(0);
    if (typed().isEmpty()) {
      return there == 0
          ? card.go(say(columns ? "wake.display.whole" : "wake.display.awake"), this::whole)
          : card.go(say("wake.read.practice"), () -> typed().show(Integer.toString(there)));
    }
    return switch (Quantity.parse(typed().text())) {
      case QuantityText.Read px
          when px.value() == Math.rint(px.value()) && Math.abs(px.value()) < display.widthPx() ->
          px.value() == 0
              ? card.go(say(columns ? "wake.display.whole" : "wake.display.awake"), this::whole)
              : card.go(say("wake.display.send"), () -> shift((int) px.value()));
      case QuantityText.Read px ->
          card.verdict(false, say("wake.display.no-px")).notYet(say("wake.read.type"));
      case QuantityText.Unreadable bad ->
          card.verdict(false, bad.sentence()).notYet(say("wake.read.type"));
    };
  }

  private void shift(int px) {
    typed().clear();
    boolean columns = look == Look.COLUMNS;
    send(needed(Pose.UPRIGHT, false, false, columns ? px : 0, columns ? 0 : px));
  }

  private void whole() {
    typed().clear();
    if (look == Look.COLUMNS) {
      next(Look.ROWS);
    } else {
      answered(Map.of(), true, open.practiceOn());
    }
  }

  private void send(DisplaySetting needed) {
    String request =
        String.format(
            java.util.Locale.ROOT,
            "display %d %d %d %d %d %d",
            needed.pose().rotateDeg(),
            needed.pose().mirror() ? 1 : 0,
            needed.swapRedBlue() ? 1 : 0,
            needed.invert() ? 1 : 0,
            needed.xOffsetPx(),
            needed.yOffsetPx());
    boolean practice = open.practiceOn();
    ask(
        List.of(request),
        () -> new WakeBench.Answer.Shown<>(needed),
        setting -> {
          open.act(saw(setting.facts(), practice));
          picked = 0;
        });
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    if (!ran) {
      return Optional.empty();
    }
    return Optional.of(
        switch (look) {
          case POSE -> DisplayPicture.poses(display, simulated(), picked, seat.words());
          case COLOURS -> DisplayPicture.colours(display, simulated(), picked, seat.words());
          case COLUMNS, ROWS -> DisplayPicture.frame(display, simulated(), seat.words());
        });
  }
}
