package humble.desktop.intake;

import humble.core.intake.Column;
import humble.desktop.hand.Seat;
import humble.formats.board.LengthUnit;
import humble.formats.table.PartsTable;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What has to be asked of the sources themselves, before what stands in them is gone through. */
final class Sources {
  private static final List<Column> COLUMNS =
      List.of(
          Column.DESCRIPTION,
          Column.VALUE,
          Column.PACKAGE,
          Column.PIECES,
          Column.REFS,
          Column.BAG,
          Column.MARKING,
          Column.KIND,
          Column.TOLERANCE,
          Column.FITTED,
          Column.LEAVE_OUT,
          Column.PART_NUMBER);

  private final Seat seat;
  private final TypedList list;

  Sources(Seat seat, TypedList list) {
    this.seat = seat;
    this.list = list;
  }

  /** Gives the next question. */
  Optional<SourceHand.Asked> next() {
    return list.unknownColumn()
        .map(this::column)
        .or(() -> list.board().flatMap(board -> board.unclear().map(file -> role(board, file))))
        .or(() -> list.board().filter(BoardGiven::lacksUnit).map(this::unit));
  }

  private SourceHand.Asked column(PartsTable.Unknown column) {
    List<SourceHand.Choice> choices = new ArrayList<>();
    choices.add(
        new SourceHand.Choice(
            seat.say("intake.column.none"), () -> list.assign(column.heading(), Optional.empty())));
    for (Column each : COLUMNS) {
      choices.add(
          new SourceHand.Choice(
              seat.say("intake.column." + each.name().toLowerCase(Locale.ROOT)),
              () -> list.assign(column.heading(), Optional.of(each))));
    }
    return new SourceHand.Asked(
        seat.say("intake.column.title", column.heading()),
        List.of(
            seat.say("intake.column.how", column.filled(), String.join(", ", column.examples()))),
        choices);
  }

  private SourceHand.Asked role(BoardGiven board, Path file) {
    List<SourceHand.Choice> choices = new ArrayList<>();
    choices.add(new SourceHand.Choice(seat.say("intake.role.none"), () -> list.tell(file, "")));
    for (String role : board.freeRoles()) {
      choices.add(
          new SourceHand.Choice(seat.say("intake.role." + role), () -> list.tell(file, role)));
    }
    return new SourceHand.Asked(
        seat.say("intake.role.title", String.valueOf(file.getFileName())),
        List.of(
            seat.say("intake.role.how"),
            seat.say("intake.role.known", String.join(", ", board.files().byRole().keySet()))),
        choices);
  }

  private SourceHand.Asked unit(BoardGiven board) {
    List<String> how = new ArrayList<>();
    how.add(seat.say("intake.unit.how", String.join(", ", board.reading().unitless())));
    List<SourceHand.Choice> choices = new ArrayList<>();
    boolean inches = isLikely(board, LengthUnit.INCHES) && !isLikely(board, LengthUnit.MILLIMETRES);
    List<LengthUnit> units =
        inches
            ? List.of(LengthUnit.INCHES, LengthUnit.MILLIMETRES)
            : List.of(LengthUnit.MILLIMETRES, LengthUnit.INCHES);
    for (LengthUnit each : units) {
      String name = seat.say("intake.unit." + each.name().toLowerCase(Locale.ROOT));
      String label =
          board
              .size(each)
              .map(size ->
                  seat.say(
                      "intake.unit.size",
                      name,
                      Math.round(size.widthMm()),
                      Math.round(size.heightMm())))
              .orElse(name);
      choices.add(new SourceHand.Choice(label, () -> list.tell(each)));
    }
    return new SourceHand.Asked(seat.say("intake.unit.title"), how, choices);
  }

  private static boolean isLikely(BoardGiven board, LengthUnit unit) {
    return board.size(unit).filter(BoardGiven.Size::isLikely).isPresent();
  }
}
