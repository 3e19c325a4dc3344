package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.intake.BoardFacts;
import humble.core.kit.Finding;
import humble.core.kit.Side;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What a set of board files says about a kit: the profile, where the pads of which pins are, and
 * which pins are joined. The netlist goes before the attributes of the copper.
 *
 * @param facts what was read
 * @param problems files that could not be read, each with its line
 * @param unitless names of files of which nobody says the unit
 */
public record BoardReading(BoardFacts facts, List<Finding> problems, List<String> unitless) {
  public BoardReading {
    problems = List.copyOf(problems);
    unitless = List.copyOf(unitless);
  }

  /** Reads files by the role they have in a kit, with the usual budget. */
  public static BoardReading of(Map<String, Path> byRole) {
    return of(byRole, ReadingBudget.usual());
  }

  /** Reads files by the role they have in a kit; all of them out of one budget. */
  public static BoardReading of(Map<String, Path> byRole, Budget budget) {
    return of(byRole, LengthUnit.UNSAID, budget);
  }

  /**
   * Reads files by the role they have in a kit; all of them out of one budget.
   *
   * @param unit unit of files that do not say theirs
   */
  public static BoardReading of(Map<String, Path> byRole, LengthUnit unit, Budget budget) {
    List<Finding> problems = new ArrayList<>();
    List<String> unitless = new ArrayList<>();
    Optional<double[]> outline = Optional.empty();
    Map<String, BoardFacts.Pad> pads = new LinkedHashMap<>();
    Map<String, List<String>> nets = new TreeMap<>();
    for (Map.Entry<String, Path> file : byRole.entrySet()) {
      String name = String.valueOf(file.getValue().getFileName());
      try {
        byte[] bytes = InputFile.bytes(file.getValue(), Gerber.MOST_BYTES, budget);
        if (!file.getKey().equals("netlist")
            && BoardFileRead.of(file.getKey(), name, bytes, unit, budget)
                instanceof BoardFileRead.OfLayer read) {
          switch (file.getKey()) {
            case "profile" -> outline = read.layer().outlineExtent();
            case "copper_top" -> copper(read.layer(), Side.TOP, pads, nets);
            case "copper_bottom" -> copper(read.layer(), Side.BOTTOM, pads, nets);
            default -> {}
          }
        }
      } catch (BoardFileDamage e) {
        problems.add(e.error());
        if (e.isUnitless()) {
          unitless.add(name);
        }
      } catch (Spent e) {
        problems.add(Finding.error(name, e.sentence()));
      } catch (IOException e) {
        problems.add(Finding.error(name, InputFile.reason(e)));
      }
    }
    Path netlist = byRole.get("netlist");
    if (netlist != null) {
      netlist(netlist, pads, nets, problems, budget);
    }
    return new BoardReading(new BoardFacts(outline, pads, nets), problems, unitless);
  }

  /** A pin with a pad on both sides is a hole through the board. */
  private static void copper(
      Layer layer, Side side, Map<String, BoardFacts.Pad> pads, Map<String, List<String>> nets) {
    layer
        .pins()
        .forEach((pin, flash) -> {
          boolean both = pads.containsKey(pin);
          pads.put(
              pin, new BoardFacts.Pad(flash.at(), both ? Optional.empty() : Optional.of(side)));
          if (!both && !flash.tags().net().isEmpty()) {
            nets.computeIfAbsent(flash.tags().net(), net -> new ArrayList<>()).add(pin);
          }
        });
  }

  private static void netlist(
      Path file,
      Map<String, BoardFacts.Pad> pads,
      Map<String, List<String>> nets,
      List<Finding> problems,
      Budget budget) {
    String name = String.valueOf(file.getFileName());
    try {
      Netlist read = Netlist.read(name, InputFile.bytes(file, Gerber.MOST_BYTES, budget), budget);
      nets.clear();
      nets.putAll(read.nets());
      for (Netlist.Pin pin : read.pins()) {
        pads.putIfAbsent(
            pin.ref() + "." + pin.pin(),
            new BoardFacts.Pad(pin.at(), Optional.ofNullable(pin.side())));
      }
    } catch (BoardFileDamage e) {
      problems.add(e.error());
    } catch (Spent e) {
      problems.add(Finding.error(name, e.sentence()));
    } catch (IOException e) {
      problems.add(Finding.error(name, InputFile.reason(e)));
    }
  }
}
