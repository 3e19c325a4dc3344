package humble.desktop.beside;

import humble.core.build.BuildEvent;
import humble.core.kit.Beside;
import humble.core.kit.Caution;
import humble.core.kit.Channels;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.hand.StopHand;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.OwnFiles;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;

/** The turns of what stands beside the programs. */
public final class BesideTurns {
  private final OpenBuild open;
  private final Seat seat;
  private final BesideBench bench;
  private final Beside beside;

  /**
   * Makes them.
   *
   * @param home folder of the bench
   */
  public BesideTurns(OpenBuild open, Seat seat, Path home) {
    this.open = open;
    this.seat = seat;
    this.beside = open.kit().firmware().beside();
    this.bench = new BesideBench(open, seat, new OwnFiles(open, home));
  }

  private record Doing(String id) {}

  /** Gives what has to be right before a program is sent: its tables. */
  public Optional<Turn> before() {
    return beside.channels().stream()
        .filter(each -> bench.isOpen(each.id()))
        .findFirst()
        .map(this::table);
  }

  private Turn table(Channels rule) {
    Optional<Turn> own = stop(rule.id(), rule.title());
    return own.or(() ->
            rule.transmits()
                ? StopHand.of(
                    new Caution(
                        "transmits:" + rule.id(),
                        seat.say("beside.channels.stop"),
                        Caution.Level.STOP),
                    seat,
                    open,
                    seat.say("beside.kicker", rule.id()),
                    title(rule.title(), rule.id()),
                    () -> BesideMat.of(seat, title(rule.title(), rule.id()), List.of()))
                : Optional.empty())
        .orElseGet(() -> turn(rule.id(), () -> new ChannelHand(bench, rule)));
  }

  private static String title(String title, String id) {
    return title.isEmpty() ? id : title;
  }

  private Optional<Turn> stop(String id, String title) {
    return StopHand.before(
        List.of(id),
        seat,
        open,
        seat.say("beside.kicker", id),
        title(title, id),
        () -> BesideMat.of(seat, title(title, id), List.of()));
  }

  private Turn turn(String id, Supplier<Hand> hand) {
    return new Turn(new Doing(id), hand);
  }

  /** Gives what comes when the programs are in: cards, pages, and the libraries as they worked. */
  public Optional<Turn> after() {
    Stream<Optional<Turn>> cards =
        beside.cards().stream()
            .filter(each -> bench.isOpen(each.id()))
            .map(each ->
                stop(each.id(), each.title())
                    .or(() -> Optional.of(turn(each.id(), () -> new CardHand(bench, each)))));
    Stream<Optional<Turn>> pages =
        beside.pages().stream()
            .filter(each -> bench.isOpen(each.id()))
            .map(each ->
                stop(each.id(), each.title())
                    .or(() -> Optional.of(turn(each.id(), () -> new PageHand(bench, each)))));
    Stream<Optional<Turn>> libraries =
        beside.libraries().stream()
            .filter(each -> !bench.isLeft(each.id()))
            .map(each -> Optional.of(turn(each.id(), () -> new LibraryHand(bench, each))));
    return Stream.of(cards, pages, libraries)
        .flatMap(each -> each)
        .flatMap(Optional::stream)
        .findFirst();
  }

  /** Adds a row for everything, as it stands. */
  public void rows(Card.Maker card) {
    beside.channels().forEach(each -> row(card, each.id(), title(each.title(), each.id())));
    beside.cards().forEach(each -> row(card, each.id(), title(each.title(), each.id())));
    beside.pages().forEach(each -> row(card, each.id(), title(each.title(), each.id())));
    beside.libraries().forEach(each -> row(card, each.id(), title(each.title(), each.id())));
  }

  private void row(Card.Maker card, String id, String title) {
    BuildEvent.BesideDone done = open.build().beside().get(id);
    boolean well = done != null && done.good() && !bench.isChanged(id);
    card.row(
        done == null ? Standing.TO_DO : well ? Standing.DONE : Standing.DEVIATED,
        seat.say(
            done == null ? "beside.row.open" : well ? "beside.row.done" : "beside.row.odd", title));
  }

  /** Tells whether there is nothing. */
  public boolean isEmpty() {
    return beside.isEmpty();
  }
}
