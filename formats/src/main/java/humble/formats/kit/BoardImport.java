package humble.formats.kit;

import humble.core.intake.BoardFacts;
import humble.core.intake.ChipLibrary;
import humble.core.intake.Draft;
import humble.core.intake.Intake;
import humble.core.intake.PartRow;
import humble.core.kit.Finding;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.board.BoardLayers;
import humble.formats.board.BoardNets;
import humble.formats.board.KnownPin;
import humble.formats.board.LengthUnit;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A kit's draft with the nets that the copper of its board joins: pads are named by the files, or
 * by where the parts lie.
 *
 * @param draft the draft
 * @param facts what the board files say, the nets of the copper included
 * @param problems what could not be read, and what files say differently
 */
public record BoardImport(Draft draft, BoardFacts facts, List<Finding> problems) {
  /** Folder of a kit in which its board files lie. */
  public static final String FOLDER = "board";

  private static final long MOST_LAYER_BYTES = 32L << 20;

  public BoardImport {
    problems = List.copyOf(problems);
  }

  /**
   * Adds the nets of the copper, where it is routed.
   *
   * @param name name of the kit
   * @param rows rows of the parts list
   * @param placed rows of the placement list
   * @param files files of the board
   * @param facts what they say by themselves
   * @param unit unit of files that do not say theirs
   * @param chips what is known of chips
   */
  public static BoardImport of(
      String name,
      List<PartRow> rows,
      List<PartRow> placed,
      BoardFiles files,
      BoardFacts facts,
      LengthUnit unit,
      ChipLibrary chips) {
    Map<String, String> roles = files.within(FOLDER);
    Draft draft = Intake.draft(name, rows, placed, roles, facts, chips);
    Map<String, String> names = new LinkedHashMap<>();
    Map<String, Path> paths = new HashMap<>();
    files
        .byRole()
        .forEach((role, file) -> {
          String own = String.valueOf(file.getFileName());
          names.put(role, own);
          paths.put(own, file);
        });
    BoardLayers.Source bytes =
        own ->
            InputFile.bytes(
                paths.getOrDefault(own, Path.of(own)), MOST_LAYER_BYTES, ReadingBudget.usual());
    if (names.keySet().stream().noneMatch(role -> role.startsWith("copper_"))
        || !BoardNets.hasTracks(names, bytes, unit, ReadingBudget.usual())) {
      return new BoardImport(draft, facts, List.of());
    }
    BoardNets nets =
        BoardNets.of(
            names,
            bytes,
            BoardNets.Source.COPPER,
            draft.kit().boards().isEmpty()
                ? List.of()
                : KnownPin.of(draft.kit(), draft.kit().boards().getFirst().id()),
            unit,
            ReadingBudget.usual());
    Map<String, List<String>> pins = nets.pins();
    if (pins.isEmpty()) {
      return new BoardImport(draft, facts, nets.problems());
    }
    BoardFacts traced = new BoardFacts(facts.outline(), facts.pads(), pins);
    return new BoardImport(
        Intake.draft(name, rows, placed, roles, traced, chips),
        traced,
        new ArrayList<>(nets.problems()));
  }
}
