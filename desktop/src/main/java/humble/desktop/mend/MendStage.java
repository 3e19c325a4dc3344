package humble.desktop.mend;

import humble.core.kit.PinRef;
import humble.core.mend.Diagnosis;
import humble.core.mend.Measure;
import humble.core.units.TypedReading;
import humble.desktop.hand.Hand;
import humble.desktop.hand.HandStage;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.StageId;

/**
 * Something is wrong: how the board stands now, then one measurement after the other, then what it
 * was. Comes from any stage and goes back to it.
 */
public final class MendStage extends HandStage {
  private final OpenBuild open;
  private final Mending mending;
  private final MendHand.Of of;

  /** Makes the stage; {@code from} is where it was called from and goes back to. */
  public MendStage(OpenBuild open, Desk desk, StageId from) {
    super(desk);
    this.open = open;
    this.mending = new Mending(open, seat, from);
    this.of = new MendHand.Of(mending, new MendBoard(mending));
  }

  /** What a hand of a search is about. */
  private record Doing(String what, Search search, Object about) {}

  @Override
  protected Turn turn() {
    if (!mending.over().isEmpty()) {
      return new Turn("over", () -> new OverHand(of));
    }
    return mending
        .search()
        .map(this::turn)
        .orElseGet(() -> new Turn("begin", () -> new BeginHand(of)));
  }

  private Turn turn(Search now) {
    if (now.ready() && !now.solvable()) {
      return new Turn(new Doing("unsolvable", now, ""), () -> new UnsolvableHand(of, now));
    }
    return now.known()
        .map(known -> turn(now, known))
        .orElseGet(() -> new Turn(new Doing("thinking", now, ""), () -> new ThinkingHand(of, now)));
  }

  private Turn turn(Search now, Diagnosis.Known known) {
    if (mending.dialled()) {
      return new Turn(new Doing("dial", now, ""), () -> new DialHand(of, now));
    }
    if (!mending.naming() && AsDesignedHand.isSo(now, known)) {
      return new Turn(
          new Doing("as designed", now, known), () -> new AsDesignedHand(of, now, known));
    }
    return mending
        .asked()
        .filter(measure -> !mending.naming())
        .map(measure -> new Turn(new Doing("ask", now, measure), () -> asking(now, measure)))
        .orElseGet(
            () -> new Turn(new Doing("name", now, known), () -> new NamingHand(of, now, known)));
  }

  private Hand asking(Search now, Measure measure) {
    return switch (measure) {
      case Measure.Look look -> new LookHand(of, now, look);
      case Measure.Amps amps -> new MeasureHand(of, now, amps, TypedReading.Kind.AMPS);
      case Measure.Ohms ohms -> new MeasureHand(of, now, ohms, TypedReading.Kind.OHMS);
      case Measure.Volts volts -> new MeasureHand(of, now, volts, TypedReading.Kind.VOLTS);
      case Measure.Across across -> new MeasureHand(of, now, across, TypedReading.Kind.VOLTS);
    };
  }

  /** All its hands say themselves what takes back. */
  @Override
  protected Card withCommonKeys(Card card) {
    return card;
  }

  /** A click on a light asks how it looks; on any other pad it is measured there. */
  @Override
  public void pick(String spot) {
    mending
        .search()
        .filter(now -> mending.over().isEmpty() && now.known().isPresent())
        .ifPresent(now -> pick(now, spot));
  }

  private void pick(Search now, String spot) {
    if (spot.startsWith("suspect:")) {
      mending.naming(true);
    } else if (spot.startsWith("part:")) {
      layOver(new SymptomHand(of, now, spot.substring("part:".length())));
    } else if (spot.startsWith("pad:")) {
      PinRef.parse(spot.substring("pad:".length()))
          .filter(pin -> open.built().net(pin.toString()).isPresent())
          .ifPresent(pin -> touch(now, pin));
    }
  }

  private void touch(Search now, PinRef pin) {
    now.own(mending.dial().touch(pin, mending.practised(), seat.words()).orElse(null));
    mending.naming(false);
    seat.typed().clear();
  }

  /** Whatever is still being worked out, or hidden, is called off. */
  @Override
  public void left() {
    mending.cancel();
    super.left();
  }

  @Override
  public String guidePage() {
    return "mend";
  }
}
