package humble.core.power;

import humble.core.circuit.Feed;
import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Kit;
import humble.core.kit.Model;
import humble.core.kit.Parts;
import humble.core.kit.Supply;
import humble.core.units.Band;
import humble.core.units.Spread;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * What supply, batteries, rails and gates of a board read in one state: the one reckoning of
 * windows. A window holds 95 boards in a hundred, by what resistors, junctions, regulators and
 * chips differ by, carried to first order through the operating point; where a supply has a range,
 * and for a battery between worn and fresh, the board is solved at the ends too, and the windows
 * are joined.
 */
final class BoardWindows {
  private final Feed feed;
  private final List<Snapshot> boards;

  private BoardWindows(Feed feed, List<Snapshot> boards) {
    this.feed = feed;
    this.boards = boards;
  }

  /** Solves a board; empty when nothing feeds it, or at one end it has no operating point. */
  static Optional<BoardWindows> of(Parts parts, BoardState state) {
    Feed feed = Feed.of(parts, state).orElse(null);
    if (feed == null) {
      return Optional.empty();
    }
    List<Kit> kits = new ArrayList<>(List.of(parts.kit()));
    kits.addAll(ends(parts, state, feed));
    List<Snapshot> boards = new ArrayList<>();
    for (Kit kit : kits) {
      Optional<Snapshot> board = new StateSolver(parts.with(kit), state).asDesigned();
      if (board.isEmpty()) {
        return Optional.empty();
      }
      boards.add(board.get());
    }
    return Optional.of(new BoardWindows(feed, boards));
  }

  /** The kit with its supply at either end of its range, and with its batteries worn and fresh. */
  private static List<Kit> ends(Parts parts, BoardState state, Feed feed) {
    List<Kit> kits = new ArrayList<>();
    Supply supply = feed.limited().orElse(null);
    Band range = supply == null ? null : supply.rangeV();
    if (supply != null && range != null) {
      for (double volts : List.of(range.low(), range.high())) {
        kits.add(KitEdits.withSupply(parts.kit(), supply.with(volts, supply.limitMa())));
      }
    }
    boolean battery =
        parts.all().stream()
            .anyMatch(
                part -> part.model() instanceof Model.Battery && parts.isOn(part.ref(), state));
    if (battery) {
      List<Kit> fed = kits.isEmpty() ? List.of(parts.kit()) : List.copyOf(kits);
      kits.clear();
      for (Kit kit : fed) {
        kits.add(KitEdits.withBatteries(kit, cell -> cell.vocRangeV().low()));
        kits.add(KitEdits.withBatteries(kit, cell -> cell.vocRangeV().high()));
      }
    }
    return kits;
  }

  /** Gives the board with every part, the supply and the batteries at their nominal values. */
  Snapshot nominal() {
    return boards.getFirst();
  }

  /** Gives the board as designed, and at the ends of what feeds it. */
  List<Snapshot> boards() {
    return boards;
  }

  /** Gives the volts at a net, in volts. */
  Band volts(String net) {
    return joined(board -> board.openVolts(net).orElse(0), board -> board.sigmaVolts(net));
  }

  /** Gives what a voltmeter reads from {@code red} to {@code black}, in volts. */
  Band volts(String red, String black) {
    return joined(
        board -> board.meterVolts(red, black).orElse(0), board -> board.sigmaVolts(red, black));
  }

  /** Gives what the supply shows, or the batteries give, in milliamperes, never below 0. */
  Band currentMa() {
    Band all =
        switch (feed) {
          case Feed.BySupply by ->
              joined(board -> board.supplyA() * 1000, board -> board.supplySigmaA() * 1000);
          case Feed.ByBatteries by ->
              joined(
                  board -> nominalMa(board),
                  board ->
                      by.leading().stream()
                          .mapToDouble(b -> 1000 * board.sourceSigmaA(b.ref()))
                          .sum());
        };
    return new Band(Math.max(0, all.low()), Math.max(0, all.high()));
  }

  /** Gives what a board takes, in milliamperes. */
  double nominalMa(Snapshot board) {
    return feed.ma(board);
  }

  private Band joined(ToDoubleFunction<Snapshot> value, ToDoubleFunction<Snapshot> sigma) {
    Band all = null;
    for (Snapshot board : boards) {
      Band each =
          Band.around(value.applyAsDouble(board), Spread.half95(sigma.applyAsDouble(board)));
      all = all == null ? each : all.union(each);
    }
    return Objects.requireNonNull(all);
  }
}
