package humble.desktop.beside;

import humble.core.beside.ChannelTable;
import humble.core.build.BuildEvent;
import humble.core.kit.Channels;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.Errand;
import humble.desktop.session.OwnFiles;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import humble.formats.InputFile;
import humble.formats.settings.ChannelFile;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** A table of channels: the limits that the maker states, then everything that is against it. */
final class ChannelHand extends Hand {
  private static final int MOST_ROWS = 5;

  private final BesideBench bench;
  private final Channels rule;
  private @Nullable ChannelTable table;
  private List<ChannelTable.Problem> problems = List.of();
  private Errand<?> reading = Errand.over();
  private String trouble = "";
  private @Nullable Double low;
  private @Nullable Double high;
  private int asked;

  ChannelHand(BesideBench bench, Channels rule) {
    super(bench.seat());
    this.bench = bench;
    this.rule = rule;
    this.asked = rule.transmits() ? 0 : 2;
    read();
  }

  private String name() {
    return rule.file().substring(rule.file().lastIndexOf('/') + 1);
  }

  /** What was read, or why it was not. */
  private record Found(Optional<ChannelTable> table, String trouble) {}

  /** The maker's own copy is made where there is none; it is what they change. */
  private void read() {
    OwnFiles files = bench.files();
    reading =
        own(
            bench
                .open()
                .works()
                .talk("tables", calledOff -> found(files, rule), found -> take(found)));
  }

  private static Found found(OwnFiles files, Channels rule) {
    try {
      if (files.text(rule.file()).isEmpty()) {
        files.write(rule.file(), files.bytes(rule.file()));
      }
      return new Found(Optional.of(ChannelFile.read(files.text(rule.file()).orElse(""))), "");
    } catch (IOException e) {
      return new Found(Optional.empty(), InputFile.reason(e));
    }
  }

  private void take(Found found) {
    table = found.table().orElse(null);
    trouble = found.trouble().isEmpty() ? "" : name() + ": " + found.trouble();
    judge();
  }

  private void judge() {
    ChannelTable now = table;
    problems = now == null ? List.of() : now.problems(rule, new ChannelTable.Limits(low, high));
  }

  @Override
  public Card card() {
    String title = rule.title().isEmpty() ? rule.id() : rule.title();
    Card.Maker card = seat.card(say("beside.kicker", rule.id()), title);
    card.key('.', say("wake.later"), () -> bench.leave(rule.id()));
    if (reading.isRunning()) {
      return card.notYet(say("beside.channels.reading"));
    }
    if (table == null) {
      card.verdict(false, trouble);
      card.why(say("beside.own", bench.files().shown(rule.file())));
      return card.go(say("beside.channels.again"), this::read);
    }
    if (asked < 2) {
      return limit(card);
    }
    List<ChannelTable.Problem> found = problems;
    int rows = table.rows().size();
    card.why(say("beside.own", bench.files().shown(rule.file())));
    if (rule.transmits()) {
      card.why(say("beside.channels.yours"));
    }
    if (found.isEmpty()) {
      card.verdict(true, say("beside.channels.good", rows));
      return card.go(say("beside.channels.go"), () -> done(rows, true));
    }
    card.verdict(false, say("beside.channels.bad", found.size()));
    found.stream()
        .limit(MOST_ROWS)
        .forEach(
            each -> card.row(Standing.TO_DO, say("beside.channels.row", each.line(), each.text())));
    if (found.size() > MOST_ROWS) {
      card.row(Standing.TO_DO, say("beside.more", found.size() - MOST_ROWS));
    }
    card.key('+', say("load.setting.all-the-same"), () -> kept(rows));
    return card.go(say("beside.channels.again"), this::read);
  }

  private Card limit(Card.Maker card) {
    card.how(say(asked == 0 ? "beside.channels.low" : "beside.channels.high"));
    card.field(typed().text(), "", Takes.DIGITS);
    String text = typed().text().strip();
    if (text.isEmpty()) {
      return card.go(say("beside.channels.none"), () -> take(OptionalDouble.empty()));
    }
    return Quantity.parse(text) instanceof QuantityText.Read read
        ? card.go(say("beside.channels.state", text), () -> take(OptionalDouble.of(read.value())))
        : card.verdict(false, say("beside.channels.unreadable")).notYet(say("load.setting.type"));
  }

  private void take(OptionalDouble value) {
    Double stated = value.isPresent() ? (Double) value.getAsDouble() : null;
    if (asked == 0) {
      low = stated;
    } else {
      high = stated;
    }
    asked++;
    typed().clear();
    judge();
  }

  private void kept(int rows) {
    bench.leave(rule.id());
    done(rows, false);
  }

  private void done(int rows, boolean good) {
    bench
        .open()
        .act(
            new BuildEvent.BesideDone(
                rule.id(),
                BuildEvent.BesideDone.CHANNELS,
                rows,
                good,
                bench.open().practiceOn(),
                stated()));
  }

  private String stated() {
    return low == null && high == null ? "" : text(low) + ".." + text(high);
  }

  private static String text(@Nullable Double limit) {
    return limit == null
        ? ""
        : java.math.BigDecimal.valueOf(limit).stripTrailingZeros().toPlainString();
  }

  @Override
  public Mat mat() {
    ChannelTable now = table;
    if (now == null) {
      return BesideMat.of(seat, name(), List.of());
    }
    Set<Integer> odd =
        problems.stream().map(ChannelTable.Problem::line).collect(Collectors.toSet());
    List<BesideMat.Line> lines = new ArrayList<>();
    List<BesideMat.Mark> marks = new ArrayList<>();
    int column = now.columns().indexOf(rule.key());
    for (ChannelTable.Row row : now.rows()) {
      String value = column >= 0 && column < row.cells().size() ? row.cells().get(column) : "";
      String rest =
          row.cells().stream()
              .filter(cell -> !cell.equals(value))
              .collect(Collectors.joining(", "));
      boolean wrong = odd.contains(row.line());
      lines.add(new BesideMat.Line(wrong ? "ailing" : "done", rest, value));
      if (value.strip().matches("[0-9]+(\\.[0-9]+)?")) {
        marks.add(new BesideMat.Mark(Double.parseDouble(value.strip()), wrong));
      }
    }
    return new BesideMat(name(), lines, band(marks), seat.words());
  }

  private Optional<BesideMat.Band> band(List<BesideMat.Mark> marks) {
    Double least = rule.low();
    Double most = rule.high();
    if (least == null || most == null) {
      return Optional.empty();
    }
    Double from = low;
    Double to = high;
    return Optional.of(
        new BesideMat.Band(
            least, most, from == null ? least : from, to == null ? most : to, marks));
  }
}
