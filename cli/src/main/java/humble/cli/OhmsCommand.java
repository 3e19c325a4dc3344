package humble.cli;

import humble.core.circuit.Fault;
import humble.core.circuit.OhmMeter;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.units.Engineering;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Says what an ohmmeter shows between two nets of an unpowered board. */
@Command(name = "ohms", description = "Say what an ohmmeter shows between two nets, unpowered.")
final class OhmsCommand extends humble.cli.Command {
  @Parameters(index = "0", paramLabel = "KIT")
  @Nullable Path kit;

  @Parameters(index = "1", paramLabel = "NETA")
  String red = "";

  @Parameters(index = "2", paramLabel = "NETB")
  String black = "";

  @Option(names = "--state", required = true, paramLabel = "ID")
  String state = "";

  @Option(names = "--fault", paramLabel = "FAULT", description = "As for circuit.")
  List<String> faults = new ArrayList<>();

  @Mixin Choosing choosing = new Choosing();

  @Override
  Answer answer() {
    Parts parts = choosing.parts(Objects.requireNonNull(kit));
    BoardState board = CircuitCommand.state(parts, state);
    List<Fault> parsed = CircuitCommand.faults(faults);
    return switch (OhmMeter.between(parts, board, red, black, parsed)) {
      case OhmMeter.Reading.Ohms read ->
          new Answer(
              Answer.object("ohms", read.ohms(), "open", false),
              List.of(Engineering.reading(read.ohms(), "Ω")),
              false);
      case OhmMeter.Reading.Open open ->
          new Answer(
              Answer.object("ohms", null, "open", true), List.of("open, above 10 MΩ"), false);
      case OhmMeter.Reading.Unsolved unsolved ->
          new Answer(
              Answer.object("ohms", null, "open", false, "converged", false),
              List.of(unsolved.why()),
              true);
    };
  }
}
