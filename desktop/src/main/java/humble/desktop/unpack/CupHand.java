package humble.desktop.unpack;

import humble.core.build.BuildEvent;
import humble.core.host.Replacement;
import humble.core.kit.Home;
import humble.core.kit.Line;
import humble.core.kit.Loose;
import humble.core.orient.NetTrace;
import humble.core.stock.LooseReason;
import humble.core.stock.Stocktake;
import humble.core.stock.Substitute;
import humble.core.words.Phrase;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;

/** Counts one cup. */
final class CupHand extends Hand {
  private static final int MOST_DIGITS = 5;
  private static final int MOST_STAND_INS = 2;

  private final Bag bag;
  private final OpenBuild open;
  private final Stocktake.Item item;

  CupHand(Bag bag, Stocktake.Item item) {
    super(bag.seat());
    this.bag = bag;
    this.open = bag.open();
    this.item = item;
  }

  @Override
  public Card card() {
    List<Stocktake.Item> items = bag.items();
    Card.Maker card =
        seat.card(
            say("unpack.kicker", items.indexOf(item) + 1, items.size()),
            say("unpack.title", bag.name(item)));
    Line line = bag.line(item).orElse(null);
    if (line != null) {
      howKnown(card, line);
      replaces(card, line);
    }
    bag.loose(item).map(this::reason).ifPresent(reason -> card.how(seat.say(reason)));
    card.field(typed().text(), say("unpack.of", item.needed()));
    OptionalInt counted = counted();
    verdict(card, counted);
    if (line != null && counted.isPresent() && counted.getAsInt() < item.needed()) {
      standIns(card, line);
    }
    card.click("0", say("unpack.none"), () -> write(0));
    if (typed().isEmpty()) {
      return card.go(say("unpack.all", item.needed()), () -> write(item.needed()));
    }
    return counted.isPresent()
        ? card.go(say("unpack.go", counted.getAsInt()), () -> write(counted.getAsInt()))
        : card.notYet(say("unpack.count-it"));
  }

  private Phrase reason(Loose loose) {
    return LooseReason.of(open.kit(), loose);
  }

  /** By which print on the bag and on the part it is known, and why it has no place of its own. */
  private void howKnown(Card.Maker card, Line line) {
    if (!(line.bag().isEmpty() && line.marking().isEmpty())) {
      card.how(
          say(
              line.bag().isEmpty()
                  ? "unpack.marking"
                  : line.marking().isEmpty() ? "unpack.bag" : "unpack.bag-marking",
              line.bag(),
              line.marking()));
    }
    if (line.isByCount()) {
      card.how(say("unpack.by-count"));
    } else if (line.refs().isEmpty() || line.home() != Home.BOARD) {
      card.how(
          seat.say(
              NetTrace.home(open.parts(), line)
                  .filter(home -> line.home() == Home.NONE)
                  .map(NetTrace.Proposal::because)
                  .orElseGet(() -> LooseReason.of(line))));
    }
  }

  /** What it goes in place of, and whether it may: told of the place where it fits least. */
  private void replaces(Card.Maker card, Line line) {
    line.refs().stream()
        .filter(ref -> !Replacement.of(open.parts(), ref).isEmpty())
        .max(Comparator.comparing(ref -> Replacement.worst(Replacement.of(open.parts(), ref))))
        .ifPresent(ref -> replaces(card, ref, Replacement.of(open.parts(), ref)));
  }

  private void replaces(Card.Maker card, String ref, List<Replacement.Point> points) {
    Replacement.Verdict worst = Replacement.worst(points);
    if (worst == Replacement.Verdict.FITS) {
      card.how(say("unpack.aged.fits", ref));
      return;
    }
    for (Replacement.Point point : points) {
      if (point.verdict() == worst && worst == Replacement.Verdict.NO) {
        card.verdict(false, seat.say(point.says()));
      } else if (point.verdict() == worst) {
        card.how(say("unpack.aged", ref, seat.say(point.says())));
      } else {
        card.why(seat.say(point.says()));
      }
    }
  }

  private void standIns(Card.Maker card, Line line) {
    Substitute.of(open.kit(), line, open.build().counted()).stream()
        .limit(MOST_STAND_INS)
        .forEach(substitute -> {
          card.row(Standing.DONE, bag.standIn(substitute));
          Phrase look = substitute.look();
          if (look != null) {
            card.how(seat.say(look));
          }
        });
  }

  private void verdict(Card.Maker card, OptionalInt counted) {
    if (typed().isEmpty()) {
      return;
    }
    if (counted.isEmpty()) {
      int at = firstOdd(typed().text());
      card.verdict(false, say("unpack.odd", typed().text().substring(at, at + 1), at + 1));
      return;
    }
    int count = counted.getAsInt();
    switch (item.standing(count)) {
      case SHORT -> card.verdict(false, say("unpack.short", item.needed() - count));
      case EXACT -> card.verdict(true, say("unpack.exact"));
      case SPARE -> card.verdict(true, say("unpack.spare", count - item.needed()));
    }
  }

  private static int firstOdd(String text) {
    for (int i = 0; i < text.length(); i++) {
      if (text.charAt(i) < '0' || text.charAt(i) > '9') {
        return i;
      }
    }
    return text.length() - 1;
  }

  private OptionalInt counted() {
    String text = typed().text();
    return text.matches("[0-9]{1," + MOST_DIGITS + "}")
        ? OptionalInt.of(Integer.parseInt(text))
        : OptionalInt.empty();
  }

  private void write(int count) {
    open.act(new BuildEvent.Counted(item.id(), count));
    typed().clear();
  }

  @Override
  public Mat mat() {
    return bag.cups(item.id());
  }
}
