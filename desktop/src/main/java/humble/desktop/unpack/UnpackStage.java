package humble.desktop.unpack;

import humble.core.build.BuildEvent;
import humble.core.kit.Line;
import humble.core.kit.Loose;
import humble.core.stock.Stocktake;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Counts what is in the bag, cup by cup. */
public final class UnpackStage implements Stage {
  private static final int MOST_PIECES = 100_000;

  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private String typed = "";

  /** Makes the stage. */
  public UnpackStage(OpenBuild open, Desk desk) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
  }

  private List<Stocktake.Item> items() {
    return Stocktake.items(open.kit(), open.build().choices());
  }

  private Optional<Stocktake.Item> current() {
    return items().stream()
        .filter(item -> !open.build().counted().containsKey(item.id()))
        .findFirst();
  }

  private String name(Stocktake.Item item) {
    Optional<Line> line = open.kit().line(item.id());
    return line.map(l -> LineNames.plural(words, l))
        .orElseGet(() -> loose(item).map(Loose::name).orElse(item.id()));
  }

  private Optional<Loose> loose(Stocktake.Item item) {
    return open.kit().loose().stream().filter(loose -> loose.id().equals(item.id())).findFirst();
  }

  @Override
  public Card card() {
    Stocktake.Item item = current().orElse(null);
    if (item == null) {
      return summary();
    }
    List<Stocktake.Item> items = items();
    Card.Maker card =
        new Card.Maker(
            words.say("unpack.kicker", items.indexOf(item) + 1, items.size()),
            words.say("unpack.title", name(item)));
    open.kit()
        .line(item.id())
        .ifPresent(line -> {
          if (!line.bag().isEmpty() || !line.marking().isEmpty()) {
            card.how(
                words.say(
                    line.bag().isEmpty()
                        ? "unpack.marking"
                        : line.marking().isEmpty() ? "unpack.bag" : "unpack.bag-marking",
                    line.bag(),
                    line.marking()));
          }
        });
    loose(item).ifPresent(loose -> card.how(words.say("unpack.loose", loose.usedFor())));
    card.field(typed, words.say("unpack.of", item.needed()));
    verdict(card, item);
    card.hint(
        "0",
        words.say("unpack.none"),
        () -> {
          desk.type("0");
          enter("0");
          desk.refresh();
        });
    common(card);
    int count = typed.isEmpty() ? item.needed() : parsed().orElse(-1);
    return count < 0
        ? card.notYet(words.say("unpack.count-it"))
        : card.go(typed.isEmpty() ? words.say("unpack.all", count) : words.say("unpack.go", count));
  }

  private void verdict(Card.Maker card, Stocktake.Item item) {
    if (typed.isEmpty()) {
      return;
    }
    if (parsed().isEmpty()) {
      int at = firstOdd();
      card.verdict(false, words.say("unpack.odd", typed.substring(at, at + 1), at + 1));
      return;
    }
    int count = parsed().get();
    switch (item.standing(count)) {
      case SHORT -> card.verdict(false, words.say("unpack.short", item.needed() - count));
      case EXACT -> card.verdict(true, words.say("unpack.exact"));
      case SPARE -> card.verdict(true, words.say("unpack.spare", count - item.needed()));
    }
  }

  private int firstOdd() {
    for (int i = 0; i < typed.length(); i++) {
      if (typed.charAt(i) < '0' || typed.charAt(i) > '9') {
        return i;
      }
    }
    return typed.length() - 1;
  }

  private Optional<Integer> parsed() {
    try {
      int count = Integer.parseInt(typed);
      return count >= 0 && count <= MOST_PIECES ? Optional.of(count) : Optional.empty();
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  private void common(Card.Maker card) {
    card.hint(
        "−",
        words.say("key.take-back"),
        () -> {
          open.takeBack();
          desk.go(StageId.UNPACK);
        });
  }

  private Card summary() {
    List<String> shortOf = new ArrayList<>();
    List<String> spare = new ArrayList<>();
    Map<String, Integer> counted = open.build().counted();
    for (Stocktake.Item item : items()) {
      int count = counted.getOrDefault(item.id(), 0);
      switch (item.standing(count)) {
        case SHORT -> shortOf.add(words.say("unpack.row", name(item), count, item.needed()));
        case SPARE -> spare.add(words.say("unpack.row", name(item), count, item.needed()));
        case EXACT -> {}
      }
    }
    Card.Maker card =
        new Card.Maker(
            words.say("unpack.counted"),
            words.say(shortOf.isEmpty() ? "unpack.complete" : "unpack.something-short"));
    card.how(words.say(shortOf.isEmpty() ? "unpack.complete.how" : "unpack.short.how"));
    shortOf.stream().limit(6).forEach(row -> card.row(Standing.TO_DO, row));
    if (!spare.isEmpty()) {
      card.why(words.say("unpack.spares", spare));
    }
    open.plan()
        .ifPresent(plan -> {
          if (!plan.blocked().isEmpty()) {
            card.why(
                words.say(
                    "unpack.blocks",
                    plan.blocked().stream().map(b -> b.ref()).toList(),
                    Math.round(plan.minutes())));
          }
        });
    common(card);
    return card.go(words.say("unpack.sort"));
  }

  @Override
  public void typing(String text) {
    typed = text;
  }

  @Override
  public void enter(String text) {
    Stocktake.Item item = current().orElse(null);
    if (item == null) {
      desk.go(StageId.SORT);
      return;
    }
    typed = text;
    int count = text.isEmpty() ? item.needed() : parsed().orElse(-1);
    if (count >= 0) {
      open.act(new BuildEvent.Counted(item.id(), count));
      desk.type("");
    }
  }

  @Override
  public Mat mat() {
    List<CupsMat.Cup> cups = new ArrayList<>();
    String now = current().map(Stocktake.Item::id).orElse("");
    for (Stocktake.Item item : items()) {
      Line line = open.kit().line(item.id()).orElse(null);
      String label = line == null ? name(item) : LineNames.brief(words, line);
      cups.add(
          new CupsMat.Cup(
              label,
              line,
              item.needed(),
              open.build().counted().get(item.id()),
              item.id().equals(now)));
    }
    return new CupsMat(words.say("unpack.mat"), cups);
  }
}
