package humble.cli;

import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcResult;
import humble.core.circuit.DcSolver;
import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.units.Engineering;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Solves the circuit of a kit. */
@Command(
    name = "circuit",
    description = "Compute voltages and currents of a kit in one of its states.")
final class CircuitCommand extends humble.cli.Command {
  private static final String FORMS =
      "open:R3.2, cold:R3.2=100, short:U1.9-U1.10, reversed:D1, swapped:R1-R2, value:R3=1k, missing:C1 or dead:U1";

  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Option(names = "--state", required = true, paramLabel = "ID")
  String state = "";

  @Option(
      names = "--fault",
      paramLabel = "FAULT",
      description =
          "open:R3.2, cold:R3.2=100, short:U1.9-U1.10, reversed:D1, swapped:R1-R2, value:R3=1k, missing:C1, dead:U1")
  List<String> faults = new ArrayList<>();

  @Option(
      names = "--spice",
      paramLabel = "FILE",
      description = "Write the circuit as a SPICE deck too.")
  @Nullable Path spice;

  @Option(names = "--force", description = "Replace an existing file.")
  boolean force;

  @Mixin Choosing choosing = new Choosing();

  @Override
  Answer answer() {
    Parts parts = choosing.parts(Objects.requireNonNull(kit));
    BoardState board = state(parts, state);
    List<Fault> parsed = faults(faults);
    Path deck = spice;
    if (deck != null) {
      new DcSolver(parts)
          .deck(board, parsed, parts.kit().id() + ", " + state)
          .ifPresent(text -> write(deck, text));
    }
    return switch (new DcSolver(parts).solve(board, parsed)) {
      case DcOutcome.Unsolved unsolved ->
          new Answer(
              Answer.object("nets", Map.of(), "converged", false), List.of(unsolved.why()), true);
      case DcOutcome.Solved solved -> answer(solved.result());
    };
  }

  /** Gives the state of that id. */
  static BoardState state(Parts parts, String id) {
    return parts
        .kit()
        .state(id)
        .orElseThrow(() ->
            new BadInput("--state: the kit has no state '" + id + "'; " + choices(parts) + '.'));
  }

  private static String choices(Parts parts) {
    List<String> ids = parts.kit().states().stream().map(BoardState::id).toList();
    return ids.isEmpty() ? "it has none" : "it has " + String.join(", ", ids);
  }

  /** Reads faults; all that cannot be read are told at once. */
  static List<Fault> faults(List<String> texts) {
    List<String> problems = new ArrayList<>();
    List<Fault> parsed = new ArrayList<>();
    for (String text : texts) {
      Fault.parse(text)
          .ifPresentOrElse(
              parsed::add,
              () -> problems.add("--fault: '" + text + "' is no fault; write " + FORMS + '.'));
    }
    if (!problems.isEmpty()) {
      throw new BadInput(problems);
    }
    return parsed;
  }

  private void write(Path file, String deck) {
    if (Files.exists(file) && !force) {
      throw new BadInput(file + " exists: --force replaces it.");
    }
    try {
      Written.to(file, force, deck.getBytes(StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new BadInput(file + ": it cannot be written: " + e.getMessage());
    }
  }

  private static Answer answer(DcResult result) {
    Map<String, @Nullable Object> partsJson = new LinkedHashMap<>();
    result
        .parts()
        .forEach((ref, current) -> {
          Map<String, @Nullable Object> each = Answer.object("ma", current.ma());
          if (current.lit() != null) {
            each.put("lit", current.lit());
          }
          partsJson.put(ref, each);
        });
    Map<String, @Nullable Object> regulators = new LinkedHashMap<>();
    result
        .regulators()
        .forEach((ref, r) ->
            regulators.put(
                ref,
                Answer.object(
                    "watts", r.watts(), "junction_c", r.junctionC(), "in_dropout", r.inDropout())));
    DcResult.SupplyReading supply = result.supply();
    List<String> text = new ArrayList<>();
    result
        .nets()
        .forEach((net, volts) ->
            text.add(net + "  " + (volts == null ? "floating" : Engineering.reading(volts, "V"))));
    if (supply != null) {
      text.add(
          "supply  "
              + Engineering.reading(supply.ma() / 1000, "A")
              + (supply.limited() ? ", limit light on" : ""));
    }
    return new Answer(
        Answer.object(
            "nets",
            result.nets(),
            "parts",
            partsJson,
            "supply",
            supply == null
                ? null
                : Answer.object(
                    "volts", supply.volts(), "ma", supply.ma(), "limited", supply.limited()),
            "regulators",
            regulators,
            "converged",
            true),
        text,
        false);
  }
}
