package humble.desktop.intake;

import humble.core.intake.BoardFacts;
import humble.core.intake.ChipLibrary;
import humble.core.intake.PartRow;
import humble.core.kit.Finding;
import humble.formats.ReadingBudget;
import humble.formats.board.BoardReading;
import humble.formats.board.LengthUnit;
import humble.formats.kit.BoardFiles;
import humble.formats.kit.BoardImport;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The folder of board files that goes with a list: what its files are, what they say, and what had
 * to be told about them. Immutable; what is read of it is read off the interface thread.
 *
 * @param folder the folder
 * @param found its files as they were found
 * @param told roles that somebody told; empty ones are no layers
 * @param unit unit of files that do not say theirs
 * @param reading what the files say
 * @param facts what they say with the nets of the copper
 * @param problems what could not be read
 * @param sizes how large the board would be by unit, where somebody has to say the unit
 */
record BoardGiven(
    Path folder,
    BoardFiles found,
    Map<Path, String> told,
    LengthUnit unit,
    BoardReading reading,
    BoardFacts facts,
    List<Finding> problems,
    Map<LengthUnit, Size> sizes) {
  private static final double MOST_BOARD_MM = 1000;
  private static final double LEAST_BOARD_MM = 4;

  /** Reads a folder; the copper is traced with the parts of a list. */
  static BoardGiven read(
      Path folder,
      BoardFiles found,
      Map<Path, String> told,
      LengthUnit unit,
      List<PartRow> rows,
      List<PartRow> places,
      ChipLibrary chips) {
    BoardFiles files = found.with(told);
    BoardReading reading = BoardReading.of(files.byRole(), unit, ReadingBudget.usual());
    List<PartRow> all = rows.isEmpty() ? reading.facts().rows() : rows;
    BoardImport traced =
        BoardImport.of(
            String.valueOf(folder.getFileName()), all, places, files, reading.facts(), unit, chips);
    List<Finding> problems = new ArrayList<>(reading.problems());
    traced.problems().stream().filter(p -> !problems.contains(p)).forEach(problems::add);
    return new BoardGiven(
        folder, found, told, unit, reading, traced.facts(), problems, sizes(files, reading));
  }

  /** Gives the files with what was told of them. */
  BoardFiles files() {
    return found.with(told);
  }

  /** Gives the rows of a board that brings no list. */
  List<PartRow> rows() {
    return reading.facts().rows();
  }

  /** Gives the next file whose role has to be told. */
  Optional<Path> unclear() {
    return files().unclear().stream().findFirst();
  }

  /** Tells whether somebody has to say the unit. */
  boolean lacksUnit() {
    return unit == LengthUnit.UNSAID && !reading.unitless().isEmpty();
  }

  /** Gives the roles that no file has yet. */
  List<String> freeRoles() {
    return BoardFiles.ROLES.stream().filter(role -> !files().byRole().containsKey(role)).toList();
  }

  /** How large the board would be in a unit: width and height, in millimetres. */
  record Size(double widthMm, double heightMm) {
    /** Tells whether anybody would hold such a board in a hand. */
    boolean isLikely() {
      return Math.max(widthMm, heightMm) < MOST_BOARD_MM
          && Math.min(widthMm, heightMm) > LEAST_BOARD_MM;
    }
  }

  /** Gives the size in a unit, by the profile; empty without one. */
  Optional<Size> size(LengthUnit other) {
    return Optional.ofNullable(sizes.get(other));
  }

  private static Map<LengthUnit, Size> sizes(BoardFiles files, BoardReading reading) {
    Map<LengthUnit, Size> sizes = new EnumMap<>(LengthUnit.class);
    Path profile = files.byRole().get("profile");
    if (profile != null && !reading.unitless().isEmpty()) {
      for (LengthUnit each : List.of(LengthUnit.MILLIMETRES, LengthUnit.INCHES)) {
        BoardReading.of(Map.of("profile", profile), each, ReadingBudget.usual())
            .facts()
            .outline()
            .ifPresent(box -> sizes.put(each, new Size(box[2] - box[0], box[3] - box[1])));
      }
    }
    return sizes;
  }

  /** Gives these files with another role told. */
  Map<Path, String> telling(Path file, String role) {
    Map<Path, String> all = new LinkedHashMap<>(told);
    all.put(file, role);
    return all;
  }

  /** Gives the files by their place in a kit. */
  Map<String, Path> within() {
    Map<String, Path> within = new LinkedHashMap<>();
    found.all().forEach(file -> within.put(BoardImport.FOLDER + "/" + file.getFileName(), file));
    return within;
  }
}
