package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.kit.Board;
import humble.core.kit.Finding;
import humble.core.kit.Side;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * The layers of a board that are looked at, by their role in the kit: copper, mask and legend of
 * both sides.
 *
 * @param byRole layers that could be read
 * @param problems files that could not, each with its line
 */
public record BoardLayers(Map<String, Layer> byRole, List<Finding> problems) {
  private static final List<String> SEEN =
      List.of(
          "copper_top", "copper_bottom", "mask_top", "mask_bottom", "legend_top", "legend_bottom");

  public BoardLayers {
    byRole = Map.copyOf(byRole);
    problems = List.copyOf(problems);
  }

  /** Where the files of a kit come from. */
  public interface Source {
    /** Gives the bytes of a file of the kit. */
    byte[] bytes(String name) throws IOException;
  }

  /** Reads the layers that {@code board} names, with the usual budget. */
  public static BoardLayers read(Board board, Source source) {
    return read(board, source, ReadingBudget.usual());
  }

  /** Reads the layers that {@code board} names; all of them out of one budget. */
  public static BoardLayers read(Board board, Source source, Budget budget) {
    Map<String, Layer> layers = new LinkedHashMap<>();
    List<Finding> problems = new ArrayList<>();
    for (String role : SEEN) {
      String file = board.files().get(role);
      if (file == null) {
        continue;
      }
      try {
        if (BoardFileRead.of(role, file, source.bytes(file), budget)
            instanceof BoardFileRead.OfLayer read) {
          layers.put(role, read.layer());
        }
      } catch (BoardFileDamage e) {
        problems.add(e.warning());
      } catch (Spent e) {
        problems.add(Finding.warning(file, e.sentence()));
      } catch (IOException e) {
        problems.add(Finding.warning(file, InputFile.reason(e)));
      }
    }
    return new BoardLayers(layers, problems);
  }

  /**
   * Reads every board file of {@code board}, each once, and gives what cannot be read, each with
   * its line; a file that is not there is no finding here.
   */
  public static List<Finding> problems(Board board, Source source, Budget budget) {
    List<Finding> problems = new ArrayList<>();
    Set<String> read = new HashSet<>();
    for (String role : new TreeSet<>(board.files().keySet())) {
      String file = board.files().getOrDefault(role, "");
      if (!read.add(BoardFileRead.Format.ofRole(role) + " " + file)) {
        continue;
      }
      try {
        BoardFileRead.of(role, file, source.bytes(file), budget);
      } catch (BoardFileDamage e) {
        problems.add(e.warning());
      } catch (Spent e) {
        problems.add(Finding.warning(file, e.sentence()));
        return problems;
      } catch (IOException e) {
        // The check of the kit tells of a file that is not there.
        continue;
      }
    }
    return problems;
  }

  /** Tells whether there is anything to draw. */
  public boolean isEmpty() {
    return byRole.isEmpty();
  }

  /** Gives the copper of a side. */
  public Optional<Layer> copper(Side side) {
    return Optional.ofNullable(byRole.get("copper_" + side.text()));
  }

  /** Gives the openings of the mask of a side. */
  public Optional<Layer> mask(Side side) {
    return Optional.ofNullable(byRole.get("mask_" + side.text()));
  }

  /** Gives the legend of a side. */
  public Optional<Layer> legend(Side side) {
    return Optional.ofNullable(byRole.get("legend_" + side.text()));
  }
}
