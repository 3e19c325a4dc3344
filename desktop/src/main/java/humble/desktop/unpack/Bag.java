package humble.desktop.unpack;

import humble.core.kit.Line;
import humble.core.kit.Loose;
import humble.core.stock.Stocktake;
import humble.core.stock.Substitute;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.LineNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What should be in the bag, cup by cup, and what was counted of it. */
record Bag(Seat seat, OpenBuild open) {
  /** Gives what is to be counted. */
  List<Stocktake.Item> items() {
    return Stocktake.items(open.kit(), open.build().choices());
  }

  /** Gives what is not counted yet. */
  List<Stocktake.Item> left() {
    return items().stream().filter(item -> !open.build().counted().containsKey(item.id())).toList();
  }

  /** Gives the line of an item; empty for what is loose in the bag. */
  Optional<Line> line(Stocktake.Item item) {
    return open.kit().line(item.id());
  }

  /** Gives the loose thing that an item is. */
  Optional<Loose> loose(Stocktake.Item item) {
    return open.kit().loose().stream().filter(loose -> loose.id().equals(item.id())).findFirst();
  }

  /** Gives what an item is called. */
  String name(Stocktake.Item item) {
    return line(item)
        .map(l ->
            l.stripOf() > 0
                ? seat.say("unpack.strips", l.stripOf())
                : LineNames.plural(seat.words(), l))
        .orElseGet(() -> loose(item).map(Loose::name).orElse(item.id()));
  }

  /** Gives what is said of a part that may stand in for one that is short. */
  String standIn(Substitute substitute) {
    return seat.say(
        "unpack.substitute",
        LineNames.single(seat.words(), substitute.line()),
        substitute.spare(),
        seat.say(substitute.because()));
  }

  /** Gives the cups, with one of them in hand; empty for none. */
  Mat cups(String now) {
    List<CupsMat.Cup> cups = new ArrayList<>();
    Map<String, String> names = LineNames.distinct(seat.words(), open.kit().lines());
    for (Stocktake.Item item : items()) {
      Line line = line(item).orElse(null);
      String label =
          line == null || line.stripOf() > 0
              ? name(item)
              : names.getOrDefault(line.id(), line.id());
      cups.add(
          new CupsMat.Cup(
              item.id(),
              label,
              line,
              item.needed(),
              open.build().counted().get(item.id()),
              item.id().equals(now)));
    }
    return new CupsMat(seat.say("unpack.mat"), cups);
  }
}
