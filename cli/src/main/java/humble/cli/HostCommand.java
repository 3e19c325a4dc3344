package humble.cli;

import humble.core.host.Bared;
import humble.core.host.HoleToClear;
import humble.core.host.HostSurvey;
import humble.core.host.Replacement;
import humble.core.kit.Board;
import humble.core.kit.Choices;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.Side;
import humble.core.words.Words;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Says what a conversion asks of the board it goes into: survey, holes, coat, replacements. */
@Command(
    name = "host",
    description =
        "Say what a conversion asks of the board it goes into: spots to survey, holes to clear,"
            + " what to coat again, and how aged parts compare with what replaces them.")
final class HostCommand extends humble.cli.Command {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  @Parameters(index = "0", paramLabel = "KIT")
  @Nullable Path kit;

  private final List<String> text = new ArrayList<>();

  @Override
  Answer answer() {
    Parts parts = parts(Objects.requireNonNull(kit));
    if (parts.kit().boards().stream().noneMatch(Board::host)) {
      throw new BadInput("No board of the kit has \"host\": it goes into no board.");
    }
    List<Object> spots = HostSurvey.of(parts).stream().map(this::spot).toList();
    List<Object> holes = new ArrayList<>();
    List<Object> coat = new ArrayList<>();
    Set<String> leftOut = Choices.leftOut(parts.kit(), Map.of());
    for (Board board : parts.kit().boards()) {
      if (board.host()) {
        List<HoleToClear> here = HoleToClear.of(parts, board, leftOut, Map.of());
        here.forEach(hole -> holes.add(hole(board, hole)));
        text.add(here.size() + " holes to look at and clear on " + board.id() + ".");
        if (board.coated()) {
          coat(parts, board, leftOut, coat);
        }
      }
    }
    List<Object> replacements = replacements(parts);
    return new Answer(
        Answer.object("spots", spots, "holes", holes, "coat", coat, "replacements", replacements),
        text,
        false);
  }

  private Object spot(HostSurvey.Spot spot) {
    String says = WORDS.say(spot.says());
    text.add(
        String.format(
            Locale.ROOT,
            "%-8s %-8s %-6s %6.1f %6.1f mm  %s",
            spot.board(),
            spot.ref(),
            spot.side().text(),
            spot.at().xMm(),
            spot.at().yMm(),
            says));
    return Answer.object(
        "ref", spot.ref(),
        "board", spot.board(),
        "side", spot.side().text(),
        "x_mm", spot.at().xMm(),
        "y_mm", spot.at().yMm(),
        "expected", spot.expected().text(),
        "says", says);
  }

  private static Object hole(Board board, HoleToClear hole) {
    return Answer.object(
        "board", board.id(),
        "pin", hole.pin().toString(),
        "x_mm", hole.at().xMm(),
        "y_mm", hole.at().yMm());
  }

  /** As designed: everything that comes off and goes on is handled, every wire is joined. */
  private void coat(Parts parts, Board board, Set<String> leftOut, List<Object> coat) {
    Kit all = parts.kit();
    Set<String> handled = new TreeSet<>(all.comingOff());
    all.bagged().forEach(line -> handled.addAll(line.refs()));
    handled.removeAll(leftOut);
    List<Bared> spots = Bared.of(parts, board, handled, all.handwork().wires());
    List<Bared.KeptClear> clear = Bared.keptClear(parts, board, spots);
    for (Bared spot : spots) {
      List<String> sides = spot.sides().stream().map(Side::text).sorted().toList();
      text.add(
          String.format(
              Locale.ROOT,
              "coat     %-8s %s  %.1f %.1f mm, %.1f mm round",
              spot.what(),
              String.join(" and ", sides),
              spot.at().xMm(),
              spot.at().yMm(),
              spot.radiusMm()));
      coat.add(
          Answer.object(
              "board", board.id(),
              "what", spot.what(),
              "sides", sides,
              "x_mm", spot.at().xMm(),
              "y_mm", spot.at().yMm(),
              "radius_mm", spot.radiusMm(),
              "keep_clear",
                  clear.stream()
                      .filter(each -> each.beside().equals(spot.what()))
                      .map(Bared.KeptClear::ref)
                      .toList()));
    }
    clear.forEach(each ->
        text.add(
            String.format(
                Locale.ROOT,
                "no coat  %-8s %.1f mm from %s",
                each.ref(),
                each.gapMm(),
                each.beside())));
  }

  private List<Object> replacements(Parts parts) {
    List<Object> all = new ArrayList<>();
    parts.all().stream()
        .filter(part -> part.line().particulars().aged() != null)
        .forEach(part -> {
          List<Replacement.Point> points = Replacement.of(parts, part.ref());
          String worst = Replacement.worst(points).text();
          text.add(part.ref() + " in place of the old one: " + worst);
          points.forEach(
              point -> text.add("  " + point.verdict().text() + "  " + WORDS.say(point.says())));
          all.add(
              Answer.object(
                  "ref",
                  part.ref(),
                  "verdict",
                  worst,
                  "points",
                  points.stream()
                      .map(point ->
                          Answer.object(
                              "what", point.what(),
                              "verdict", point.verdict().text(),
                              "says", WORDS.say(point.says())))
                      .toList()));
        });
    return all;
  }
}
