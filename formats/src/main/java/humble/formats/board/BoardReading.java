package humble.formats.board;

import humble.core.intake.BoardFacts;
import humble.core.kit.Finding;
import humble.core.kit.Side;
import java.io.IOException;
import java.nio.file.Files;
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
 */
public record BoardReading(BoardFacts facts, List<Finding> problems) {
  public BoardReading {
    problems = List.copyOf(problems);
  }

  /** Reads files by the role they have in a kit. */
  public static BoardReading of(Map<String, Path> byRole) {
    List<Finding> problems = new ArrayList<>();
    Optional<double[]> outline = Optional.empty();
    Map<String, BoardFacts.Pad> pads = new LinkedHashMap<>();
    Map<String, List<String>> nets = new TreeMap<>();
    for (Map.Entry<String, Path> file : byRole.entrySet()) {
      String name = String.valueOf(file.getValue().getFileName());
      try {
        byte[] bytes = Files.readAllBytes(file.getValue());
        switch (file.getKey()) {
          case "profile" -> outline = Gerber.read(name, bytes).outlineExtent();
          case "copper_top" -> copper(Gerber.read(name, bytes), Side.TOP, pads, nets);
          case "copper_bottom" -> copper(Gerber.read(name, bytes), Side.BOTTOM, pads, nets);
          case "drill" -> DrillFile.read(name, bytes);
          case "netlist" -> {}
          default -> Gerber.read(name, bytes);
        }
      } catch (BoardFileDamage e) {
        problems.add(damage(e));
      } catch (IOException e) {
        problems.add(Finding.error(name, "It cannot be read."));
      }
    }
    Path netlist = byRole.get("netlist");
    if (netlist != null) {
      netlist(netlist, pads, nets, problems);
    }
    return new BoardReading(new BoardFacts(outline, pads, nets), problems);
  }

  private static Finding damage(BoardFileDamage damage) {
    String message = String.valueOf(damage.getMessage());
    int colon = message.indexOf(": ");
    return Finding.error(message.substring(0, colon), message.substring(colon + 2));
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
      List<Finding> problems) {
    String name = String.valueOf(file.getFileName());
    try {
      Netlist read = Netlist.read(name, Files.readAllBytes(file));
      nets.clear();
      nets.putAll(read.nets());
      for (Netlist.Pin pin : read.pins()) {
        pads.putIfAbsent(
            pin.ref() + "." + pin.pin(),
            new BoardFacts.Pad(pin.at(), Optional.ofNullable(pin.side())));
      }
    } catch (BoardFileDamage e) {
      problems.add(damage(e));
    } catch (IOException e) {
      problems.add(Finding.error(name, "It cannot be read."));
    }
  }
}
