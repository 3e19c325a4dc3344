package humble.desktop.unpack;

import humble.core.build.BuildEvent;
import humble.core.kit.Board;
import humble.core.kit.Host;
import humble.core.kit.Line;
import humble.core.kit.LookOver;
import humble.core.kit.Loose;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.orient.NetTrace;
import humble.core.stock.LooseReason;
import humble.core.stock.Reach;
import humble.core.stock.Snapping;
import humble.core.stock.Stocktake;
import humble.core.stock.Strips;
import humble.core.stock.Substitute;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.session.Reckoned;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.PaperOut;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.formats.label.CupLabels;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Counts what is in the bag, cup by cup; before it the host board of a conversion is checked, after
 * it strips are snapped and the bare board is looked over.
 */
public final class UnpackStage implements Stage {
  private static final int MOST_PIECES = 100_000;
  private static final int MOST_ROWS = 6;

  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private final PaperOut labels;
  private String typed = "";
  private int host;
  private String picked = "";

  /**
   * Makes the stage.
   *
   * @param home folder of the bench, for what is printed
   */
  public UnpackStage(OpenBuild open, Desk desk, Path home) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
    this.labels = new PaperOut(words, home.resolve("labels"), open.build().id(), ".pdf");
  }

  /** What this stage asks for now. */
  private sealed interface Now {
    /** The number on the host board. */
    record HostBoard() implements Now {}

    /** A count. */
    record Cup(Stocktake.Item item) implements Now {}

    /** Strips to snap. */
    record Snap(Strips strips) implements Now {}

    /** A place on the bare board. */
    record Look(Board board, List<LookOver.Spot> spots, int index) implements Now {
      LookOver.Spot spot() {
        return spots.get(index);
      }
    }

    /** Nothing more. */
    record Done() implements Now {}
  }

  private Now now() {
    if (!open.kit().hosts().isEmpty()
        && !open.build().host().map(BuildEvent.HostRead::fits).orElse(false)) {
      return new Now.HostBoard();
    }
    List<Stocktake.Item> left =
        items().stream().filter(item -> !open.build().counted().containsKey(item.id())).toList();
    if (!left.isEmpty()) {
      return new Now.Cup(
          left.stream()
              .filter(item -> item.id().equals(picked))
              .findFirst()
              .orElse(left.getFirst()));
    }
    for (Strips strips : Progress.toSnap(open)) {
      if (!open.build().snapped().contains(strips.pieces().getFirst().line())) {
        return new Now.Snap(strips);
      }
    }
    for (Board board : open.kit().boards()) {
      List<LookOver.Spot> spots = LookOver.of(open.parts(), board);
      for (int i = 0; i < spots.size(); i++) {
        if (!open.build().lookedOver().containsKey(board.id() + "/" + spots.get(i).id())) {
          return new Now.Look(board, spots, i);
        }
      }
    }
    return new Now.Done();
  }

  private List<Stocktake.Item> items() {
    return Stocktake.items(open.kit(), open.build().choices());
  }

  private String name(Stocktake.Item item) {
    Optional<Line> line = open.kit().line(item.id());
    return line.map(l ->
            l.stripOf() > 0 ? words.say("unpack.strips", l.stripOf()) : LineNames.plural(words, l))
        .orElseGet(() -> loose(item).map(Loose::name).orElse(item.id()));
  }

  private Optional<Loose> loose(Stocktake.Item item) {
    return open.kit().loose().stream().filter(loose -> loose.id().equals(item.id())).findFirst();
  }

  @Override
  public Card card() {
    return switch (now()) {
      case Now.HostBoard ask -> hostCard();
      case Now.Cup cup -> cupCard(cup.item());
      case Now.Snap snap -> snapCard(snap.strips());
      case Now.Look look -> lookCard(look);
      case Now.Done done -> summary();
    };
  }

  private Card hostCard() {
    List<Host> hosts = open.kit().hosts();
    Host asked = hosts.get(Math.min(host, hosts.size() - 1));
    Card.Maker card =
        new Card.Maker(words.say("unpack.host.kicker"), words.say("unpack.host.title"));
    card.how(
        asked.where().isEmpty()
            ? words.say("unpack.host.how", asked.name())
            : words.say("unpack.host.where", asked.name(), asked.where()));
    BuildEvent.HostRead read = open.build().host().orElse(null);
    if (read != null) {
      card.verdict(false, words.say("unpack.host.wrong"));
      card.how(words.say("unpack.host.stop"));
    }
    card.why(words.say("unpack.host.why"));
    if (hosts.size() > 1) {
      card.hint(
          "+",
          words.say("unpack.host.next"),
          () -> {
            plus();
            desk.refresh();
          });
    }
    card.hint(
        "0",
        words.say("unpack.host.none"),
        () -> {
          digit(0);
          desk.refresh();
        });
    common(card);
    return card.go(words.say("unpack.host.go", asked.mustShow()));
  }

  private Card cupCard(Stocktake.Item item) {
    List<Stocktake.Item> items = items();
    Card.Maker card =
        new Card.Maker(
            words.say("unpack.kicker", items.indexOf(item) + 1, items.size()),
            words.say("unpack.title", name(item)));
    Line line = open.kit().line(item.id()).orElse(null);
    if (line != null && !(line.bag().isEmpty() && line.marking().isEmpty())) {
      card.how(
          words.say(
              line.bag().isEmpty()
                  ? "unpack.marking"
                  : line.marking().isEmpty() ? "unpack.bag" : "unpack.bag-marking",
              line.bag(),
              line.marking()));
    }
    if (line != null && (line.refs().isEmpty() || !line.home().equals("board"))) {
      card.how(
          desk.coreWords()
              .say(
                  NetTrace.home(open.parts(), line)
                      .filter(home -> line.home().equals("none"))
                      .map(NetTrace.Proposal::because)
                      .orElseGet(() -> LooseReason.of(line))));
    }
    loose(item)
        .ifPresent(loose -> card.how(desk.coreWords().say(LooseReason.of(open.kit(), loose))));
    card.field(typed, words.say("unpack.of", item.needed()));
    verdict(card, item);
    if (line != null) {
      parsed().filter(count -> count < item.needed()).ifPresent(count -> substitutes(card, line));
    }
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

  private void substitutes(Card.Maker card, Line line) {
    Substitute.of(open.kit(), line, open.build().counted()).stream()
        .limit(2)
        .forEach(substitute -> {
          card.row(Standing.DONE, substituteText(substitute));
          if (substitute.look() != null) {
            card.how(desk.coreWords().say(substitute.look()));
          }
        });
  }

  private String substituteText(Substitute substitute) {
    return words.say(
        "unpack.substitute",
        LineNames.single(words, substitute.line()),
        substitute.spare(),
        desk.coreWords().say(substitute.because()));
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

  private Card snapCard(Strips strips) {
    Snapping way = strips.snapping().orElseThrow();
    Card.Maker card =
        new Card.Maker(
            words.say("unpack.snap.kicker"),
            words.say(
                strips.receptacle() ? "unpack.snap.cut" : "unpack.snap.title",
                way.snaps(),
                way.strips().size()));
    card.how(words.say(strips.receptacle() ? "unpack.snap.how-cut" : "unpack.snap.how"));
    for (List<Integer> strip : way.strips()) {
      card.row(
          Standing.TO_DO,
          words.say(
              "unpack.snap.row",
              strips.stripLength(),
              String.join(" + ", strip.stream().map(String::valueOf).toList())));
    }
    card.why(words.say("unpack.snap.why"));
    common(card);
    return card.go(words.say("unpack.snap.go"));
  }

  private Card lookCard(Now.Look look) {
    Card.Maker card =
        new Card.Maker(
            words.say("unpack.look.kicker", look.index() + 1, look.spots().size()),
            words.say("unpack.look.title"));
    card.how(desk.coreWords().say(look.spot().what()));
    card.why(words.say("unpack.look.why"));
    card.hint(
        "0",
        words.say("unpack.look.found"),
        () -> {
          digit(0);
          desk.refresh();
        });
    common(card);
    return card.go(words.say("unpack.look.go"));
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
    List<String> standIns = new ArrayList<>();
    Map<String, Integer> counted = open.build().counted();
    for (Stocktake.Item item : items()) {
      int count = counted.getOrDefault(item.id(), 0);
      switch (item.standing(count)) {
        case SHORT -> {
          shortOf.add(words.say("unpack.row", name(item), count, item.needed()));
          open.kit()
              .line(item.id())
              .flatMap(line -> Substitute.of(open.kit(), line, counted).stream().findFirst())
              .ifPresent(substitute -> standIns.add(substituteText(substitute)));
        }
        case SPARE -> spare.add(words.say("unpack.row", name(item), count, item.needed()));
        case EXACT -> {}
      }
    }
    List<String> found =
        open.build().lookedOver().entrySet().stream()
            .filter(look -> !look.getValue())
            .map(Map.Entry::getKey)
            .toList();
    boolean whole = shortOf.isEmpty() && found.isEmpty();
    Card.Maker card =
        new Card.Maker(
            words.say("unpack.counted"),
            words.say(
                whole
                    ? "unpack.complete"
                    : shortOf.isEmpty() ? "unpack.something-found" : "unpack.something-short"));
    card.how(words.say(whole ? "unpack.complete.how" : "unpack.short.how"));
    shortOf.stream().limit(MOST_ROWS).forEach(row -> card.row(Standing.TO_DO, row));
    found.forEach(spot -> card.row(Standing.TO_DO, words.say("unpack.look.row", spot)));
    standIns.forEach(text -> card.row(Standing.DONE, text));
    open.reckoned().flatMap(Reckoned::reach).ifPresent(reach -> reach(card, reach));
    if (!spare.isEmpty()) {
      card.why(words.say("unpack.spares", spare));
    }
    labels.answer().ifPresent(said -> card.verdict(said.good(), said.text()));
    if (labels.asking()) {
      card.hint(
          "+",
          words.say("unpack.labels.beside"),
          () -> {
            plus();
            desk.refresh();
          });
    }
    card.hint(
        "P",
        words.say(labels.asking() ? "unpack.labels.again" : "unpack.labels"),
        () -> {
          letter('P');
          desk.refresh();
        });
    common(card);
    return card.go(words.say("unpack.sort"));
  }

  /** Says how far the build gets, and what waits. */
  private void reach(Card.Maker card, Reach reach) {
    card.how(
        words.say(
            "unpack.reach",
            Math.round(reach.minutes()),
            Math.round(reach.allMinutes()),
            reach.steps(),
            reach.allSteps()));
    open.plan()
        .ifPresent(plan -> {
          if (!plan.blocked().isEmpty()) {
            card.why(
                words.say(
                    "unpack.waits",
                    plan.blocked().stream()
                        .map(b ->
                            b.ref().equals(b.waitsFor())
                                ? b.ref()
                                : words.say("unpack.waits-for", b.ref(), b.waitsFor()))
                        .toList()));
          }
        });
  }

  private byte[] labels() throws IOException {
    return CupLabels.pdf(open.kit(), open.build().choices(), Locale.getDefault());
  }

  @Override
  public void typing(String text) {
    typed = text;
  }

  @Override
  public void letter(char letter) {
    if (letter == 'P') {
      labels.write(this::labels);
    }
  }

  @Override
  public void plus() {
    if (labels.asking()) {
      labels.writeBeside(this::labels);
      return;
    }
    int hosts = open.kit().hosts().size();
    host = hosts == 0 ? 0 : (host + 1) % hosts;
  }

  @Override
  public void digit(int digit) {
    if (digit != 0) {
      return;
    }
    switch (now()) {
      case Now.HostBoard ask -> open.act(new BuildEvent.HostRead("", false));
      case Now.Look look ->
          open.act(new BuildEvent.LookedOver(look.board().id(), look.spot().id(), false));
      case Now.Cup cup -> {}
      case Now.Snap snap -> {}
      case Now.Done done -> {}
    }
  }

  @Override
  public void pick(String spot) {
    if (spot.startsWith("host:")) {
      host = Integer.parseInt(spot.substring("host:".length()));
    } else if (spot.startsWith("cup:")) {
      picked = spot.substring("cup:".length());
    }
  }

  @Override
  public void enter(String text) {
    switch (now()) {
      case Now.HostBoard ask ->
          open.act(
              new BuildEvent.HostRead(
                  open.kit().hosts().get(Math.min(host, open.kit().hosts().size() - 1)).mustShow(),
                  true));
      case Now.Cup cup -> {
        typed = text;
        int count = text.isEmpty() ? cup.item().needed() : parsed().orElse(-1);
        if (count >= 0) {
          open.act(new BuildEvent.Counted(cup.item().id(), count));
          picked = "";
          desk.type("");
        }
      }
      case Now.Snap snap ->
          open.act(new BuildEvent.Snapped(snap.strips().pieces().getFirst().line()));
      case Now.Look look ->
          open.act(new BuildEvent.LookedOver(look.board().id(), look.spot().id(), true));
      case Now.Done done -> desk.go(StageId.SORT);
    }
  }

  @Override
  public Mat mat() {
    return switch (now()) {
      case Now.HostBoard ask -> new HostMat(words.say("unpack.host.mat"), open.kit().hosts(), host);
      case Now.Snap snap ->
          new StripMat(words.say("unpack.snap.mat"), snap.strips(), words.say("unpack.snap.left"));
      case Now.Look look -> {
        Side side = look.spot().side();
        yield new LookMat(
            words.say("unpack.look.mat"),
            words.say(side == Side.TOP ? "fit.side.top" : "fit.side.bottom"),
            open.parts(),
            new BoardView(look.board(), side, 0),
            look.spots(),
            look.index(),
            open.build().lookedOver());
      }
      case Now.Cup cup -> cups(cup.item().id());
      case Now.Done done -> cups("");
    };
  }

  private Mat cups(String now) {
    List<CupsMat.Cup> cups = new ArrayList<>();
    for (Stocktake.Item item : items()) {
      Line line = open.kit().line(item.id()).orElse(null);
      String label = line == null || line.stripOf() > 0 ? name(item) : LineNames.brief(words, line);
      cups.add(
          new CupsMat.Cup(
              item.id(),
              label,
              line,
              item.needed(),
              open.build().counted().get(item.id()),
              item.id().equals(now)));
    }
    return new CupsMat(words.say("unpack.mat"), cups);
  }
}
