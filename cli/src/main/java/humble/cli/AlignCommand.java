package humble.cli;

import humble.core.kit.PointMm;
import humble.core.words.Words;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.photo.PhotoRefused;
import humble.photo.SidesAligned;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Lays the solder side of a board under its top by the holes that both photos show. */
@Command(
    name = "align",
    description = "Lay the solder side under the top by the holes that both photos show.")
final class AlignCommand extends humble.cli.Command {
  private static final long MOST_BYTES = 16L << 20;

  @Parameters(index = "0", paramLabel = "TOP.json", description = "What straighten said of it.")
  @Nullable Path top;

  @Parameters(
      index = "1",
      paramLabel = "BOTTOM.json",
      description = "What straighten said of the solder side, as looked at from below.")
  @Nullable Path bottom;

  @Override
  Answer answer() {
    List<String> bad = new ArrayList<>();
    List<PointMm> above = holes(Objects.requireNonNull(top), bad);
    List<PointMm> below = holes(Objects.requireNonNull(bottom), bad);
    if (!bad.isEmpty()) {
      throw new BadInput(bad);
    }
    try {
      return answer(SidesAligned.of(above, below));
    } catch (PhotoRefused e) {
      String words = Words.core(Locale.ENGLISH).say(e.phrase());
      return new Answer(
          Answer.object("fit_mm", null, "pairs", List.of(), "said", words),
          List.of("Not aligned: " + words + "."),
          true);
    }
  }

  private static List<PointMm> holes(Path file, List<String> bad) {
    List<PointMm> holes = new ArrayList<>();
    try {
      JsonNode tree =
          new JsonMapper().readTree(InputFile.bytes(file, MOST_BYTES, ReadingBudget.usual()));
      JsonNode list = tree.path("holes");
      if (!list.isArray()) {
        bad.add(file + "#/holes: A list of holes is expected here, as straighten gives it.");
      }
      for (int i = 0; i < list.size(); i++) {
        JsonNode x = list.get(i).path("x_mm");
        JsonNode y = list.get(i).path("y_mm");
        if (x.isNumber()
            && y.isNumber()
            && Math.abs(x.asDouble()) < 1e5
            && Math.abs(y.asDouble()) < 1e5) {
          holes.add(new PointMm(x.asDouble(), y.asDouble()));
        } else {
          bad.add(file + "#/holes/" + i + ": x_mm and y_mm are expected here, in millimetres.");
        }
      }
    } catch (JacksonException e) {
      bad.add(file + ": This is no JSON: " + e.getOriginalMessage());
    } catch (IOException e) {
      bad.add(file + ": " + InputFile.reason(e));
    }
    return holes;
  }

  private static Answer answer(SidesAligned sides) {
    List<Object> pairs = new ArrayList<>();
    List<String> text = new ArrayList<>();
    text.add(
        String.format(
            Locale.ROOT,
            "%d holes meet, to %.2f mm%s.",
            sides.pairs().size(),
            sides.fitMm(),
            sides.halfTurn() ? "; the solder side was photographed the other way up" : ""));
    if (sides.unsure()) {
      text.add("The other way up nearly as many meet: hold one hole against the board.");
    }
    for (SidesAligned.Pair pair : sides.pairs()) {
      pairs.add(Answer.object("top", at(pair.top()), "bottom", at(pair.bottom())));
      text.add(
          String.format(
              Locale.ROOT,
              "%8.2f %8.2f   from below %8.2f %8.2f",
              pair.top().xMm(),
              pair.top().yMm(),
              pair.bottom().xMm(),
              pair.bottom().yMm()));
    }
    return new Answer(
        Answer.object(
            "fit_mm",
            Math.round(sides.fitMm() * 1000) / 1000.0,
            "pairs",
            pairs,
            "half_turn",
            sides.halfTurn(),
            "unsure",
            sides.unsure()),
        text,
        false);
  }

  private static List<Double> at(PointMm point) {
    return List.of(point.xMm(), point.yMm());
  }
}
