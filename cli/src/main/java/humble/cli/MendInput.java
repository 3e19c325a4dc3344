package humble.cli;

import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.mend.Diagnosis;
import humble.core.mend.Habits;
import humble.core.mend.Observation;
import humble.core.mend.Predictions;
import humble.core.mend.Sight;
import humble.core.mend.Suspects;
import humble.core.stock.Meter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** What a search for a fault is given: a kit, a state, readings and sights. */
final class MendInput {
  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Option(names = "--state", required = true, paramLabel = "ID")
  String state = "";

  @Option(
      names = "--reading",
      paramLabel = "MEASURE=VALUE",
      description =
          "V(NET)=3.1, V(REF.PIN)=0, V(A,B)=1.2, I(SUPPLY)=34mA, R(NETA,NETB)=4.7k or =open")
  List<String> readings = new ArrayList<>();

  @Option(
      names = "--seen",
      paramLabel = "SIGHT:REF",
      description = "lit, dim, dark, flicker, hot or smell, such as dark:LED3")
  List<String> seen = new ArrayList<>();

  @Option(
      names = "--meter",
      paramLabel = "METER",
      description = "Per cent of reading + counts @ resolution (default: ${DEFAULT-VALUE}).")
  String meter = "0.5%+2@1m";

  @Mixin Choosing choosing = new Choosing();

  /** A search with all of it. */
  record Search(
      Parts parts,
      List<Observation> observations,
      Predictions predictions,
      Diagnosis diagnosis,
      Diagnosis.Known known) {}

  /**
   * Gives the search.
   *
   * @throws BadInput with every problem of what was given
   */
  Search search() {
    Parts parts = choosing.parts(Objects.requireNonNull(kit));
    BoardState board = CircuitCommand.state(parts, state);
    List<String> problems = new ArrayList<>();
    List<Observation> observations = new ArrayList<>();
    for (String text : readings) {
      Optional<Observation> read = Observation.reading(text, parts, board);
      read.ifPresentOrElse(
          observations::add,
          () ->
              problems.add(
                  "--reading: '"
                      + text
                      + "' is no measurement of this board with its value; write V(NET)=3.3,"
                      + " V(R3.2)=0.7, I(SUPPLY)=22m or R(NET,NET)=open, with names of the kit."));
    }
    for (String text : seen) {
      Observation.seen(text, parts)
          .ifPresentOrElse(
              observations::add,
              () ->
                  problems.add(
                      "--seen: '"
                          + text
                          + "' is no sight of a part of this board; write "
                          + String.join(
                              ", ", Arrays.stream(Sight.values()).map(Sight::text).toList())
                          + " and a part, as in dark:LED3."));
    }
    Meter profile = Meter.parse(meter).orElse(null);
    if (profile == null) {
      problems.add("--meter: '" + meter + "' is not per cent + counts @ resolution.");
    }
    if (!problems.isEmpty() || profile == null) {
      throw new BadInput(problems);
    }
    Predictions predictions =
        new Predictions(parts, board, Suspects.of(parts, board, Habits.usual()), () -> false);
    Diagnosis diagnosis = new Diagnosis(predictions, profile);
    return new Search(
        parts, List.copyOf(observations), predictions, diagnosis, diagnosis.after(observations));
  }
}
