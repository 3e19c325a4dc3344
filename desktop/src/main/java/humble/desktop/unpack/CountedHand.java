package humble.desktop.unpack;

import humble.core.route.Plan;
import humble.core.stock.Reach;
import humble.core.stock.Stocktake;
import humble.core.stock.Substitute;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Reckoned;
import humble.desktop.stage.Card;
import humble.desktop.stage.PaperOut;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.formats.label.CupLabels;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** All is counted: what is short, what stands in for it, how far the build gets, and the labels. */
final class CountedHand extends Hand {
  private static final int MOST_ROWS = 6;

  private final Bag bag;
  private final OpenBuild open;
  private final PaperOut labels;

  /** Makes it; labels are written into the folder of the bench. */
  CountedHand(Bag bag, Path home) {
    super(bag.seat());
    this.bag = bag;
    this.open = bag.open();
    this.labels = new PaperOut(seat.words(), home.resolve("labels"), open.build().id(), ".pdf");
  }

  @Override
  public Card card() {
    List<String> shortOf = rows(Stocktake.Standing.SHORT);
    List<String> spare = rows(Stocktake.Standing.SPARE);
    List<String> found =
        open.build().lookedOver().entrySet().stream()
            .filter(look -> !look.getValue())
            .map(Map.Entry::getKey)
            .toList();
    boolean whole = shortOf.isEmpty() && found.isEmpty();
    Card.Maker card =
        seat.card(
            say("unpack.counted"),
            say(
                whole
                    ? "unpack.complete"
                    : shortOf.isEmpty() ? "unpack.something-found" : "unpack.something-short"));
    card.how(say(whole ? "unpack.complete.how" : "unpack.short.how"));
    shortOf.stream().limit(MOST_ROWS).forEach(row -> card.row(Standing.TO_DO, row));
    found.forEach(spot -> card.row(Standing.TO_DO, say("unpack.look.row", spot)));
    standIns().forEach(text -> card.row(Standing.DONE, text));
    open.reckoned().flatMap(Reckoned::reach).ifPresent(reach -> reach(card, reach));
    if (!spare.isEmpty()) {
      card.why(say("unpack.spares", spare));
    }
    labels(card);
    return card.go(say("unpack.sort"), () -> seat.desk().go(StageId.SORT));
  }

  private int counted(Stocktake.Item item) {
    return open.build().counted().getOrDefault(item.id(), 0);
  }

  private List<Stocktake.Item> items(Stocktake.Standing standing) {
    return bag.items().stream().filter(i -> i.standing(counted(i)) == standing).toList();
  }

  private List<String> rows(Stocktake.Standing standing) {
    return items(standing).stream()
        .map(item -> say("unpack.row", bag.name(item), counted(item), item.needed()))
        .toList();
  }

  private List<String> standIns() {
    List<String> texts = new ArrayList<>();
    for (Stocktake.Item item : items(Stocktake.Standing.SHORT)) {
      bag.line(item)
          .flatMap(
              line -> Substitute.of(open.kit(), line, open.build().counted()).stream().findFirst())
          .ifPresent(substitute -> texts.add(bag.standIn(substitute)));
    }
    return texts;
  }

  /** Says how far the build gets, and what waits. */
  private void reach(Card.Maker card, Reach reach) {
    card.how(
        say(
            "unpack.reach",
            Math.round(reach.minutes()),
            Math.round(reach.allMinutes()),
            reach.steps(),
            reach.allSteps()));
    List<Plan.Blocked> blocked = open.plan().map(Plan::blocked).orElse(List.of());
    if (!blocked.isEmpty()) {
      card.why(say("unpack.waits", blocked.stream().map(this::waits).toList()));
    }
  }

  private String waits(Plan.Blocked blocked) {
    return blocked.ref().equals(blocked.waitsFor())
        ? blocked.ref()
        : say("unpack.waits-for", blocked.ref(), blocked.waitsFor());
  }

  private void labels(Card.Maker card) {
    labels.answer().ifPresent(said -> card.verdict(said.good(), said.text()));
    if (labels.asking()) {
      card.key('+', say("unpack.labels.beside"), () -> labels.writeBeside(this::sheet));
    }
    card.key(
        'P',
        say(labels.asking() ? "unpack.labels.again" : "unpack.labels"),
        () -> labels.write(this::sheet));
  }

  private byte[] sheet() throws IOException {
    return CupLabels.pdf(open.kit(), open.build().choices(), Locale.getDefault());
  }

  @Override
  public Mat mat() {
    return bag.cups("");
  }
}
