package humble.cli;

import humble.core.kit.Board;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.orient.Pin1;
import humble.core.words.Words;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Says where pin 1 is. */
@Command(name = "pin1", description = "Say where pin 1 of a part is, as the board lies.")
final class Pin1Command extends humble.cli.Command {
  @Parameters(index = "0", paramLabel = "KIT")
  @Nullable Path kit;

  @Parameters(index = "1", paramLabel = "REF")
  String ref = "";

  @Option(names = "--side", description = "top or bottom (default: ${DEFAULT-VALUE}).")
  String side = "top";

  @Option(
      names = "--turn",
      description = "0, 90, 180 or 270, counter-clockwise (default: ${DEFAULT-VALUE}).")
  int turn;

  @Override
  Answer answer() {
    Parts parts = parts(Objects.requireNonNull(kit));
    Side looked =
        Side.named(side)
            .orElseThrow(() -> new BadInput("--side: it is top or bottom, not '" + side + "'."));
    if (turn % 90 != 0 || turn < 0 || turn > 270) {
      throw new BadInput("--turn: it is 0, 90, 180 or 270, not " + turn + ".");
    }
    Place place =
        parts
            .kit()
            .placeOf(ref)
            .orElseThrow(() -> new BadInput("The kit has no place for '" + ref + "'."));
    Board board =
        parts
            .kit()
            .board(place.board())
            .orElseThrow(() -> new BadInput("There is no board '" + place.board() + "'."));
    Pin1 pin1 =
        Pin1.of(parts, ref, new BoardView(board, looked, turn))
            .orElseThrow(() -> new BadInput(ref + " has no pins."));
    String phrase = Words.core(Locale.ENGLISH).say(pin1.landmark().phrase());
    return new Answer(
        Answer.object(
            "ref", ref,
            "side", looked.text(),
            "pin1", point(pin1.pin1()),
            "pins",
                pin1.pins().stream()
                    .map(p ->
                        Answer.object(
                            "n",
                            p.number(),
                            "net",
                            p.net(),
                            "x_mm",
                            round(p.at().xMm()),
                            "y_mm",
                            round(p.at().yMm())))
                    .toList(),
            "clock", pin1.clock(),
            "points", pin1.points(),
            "landmark", Answer.object("ref", pin1.landmark().ref(), "phrase", phrase),
            "if_reversed", pin1.harm().name().toLowerCase(Locale.ROOT),
            "supply_pins", Answer.object("plus", pin1.plusPins(), "minus", pin1.minusPins())),
        List.of(
            "Pin 1 of "
                + ref
                + ": "
                + pin1.points()
                + ", "
                + phrase
                + "; reversed: "
                + pin1.harm().name().toLowerCase(Locale.ROOT)
                + "."),
        false);
  }

  private static Object point(PointMm at) {
    return Answer.object("x_mm", round(at.xMm()), "y_mm", round(at.yMm()));
  }

  private static double round(double mm) {
    return Math.round(mm * 1e6) / 1e6;
  }
}
