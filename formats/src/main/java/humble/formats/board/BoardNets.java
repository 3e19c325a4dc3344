package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.kit.Finding;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The nets of a board with their pads, in millimetres from the lower left corner of the board.
 *
 * @param source what they were taken from
 * @param nets the nets in natural order of their names
 * @param problems what could not be read, and what files say differently
 */
public record BoardNets(Source source, List<Net> nets, List<Finding> problems) {
  public BoardNets {
    nets = List.copyOf(nets);
    problems = List.copyOf(problems);
  }

  /** What nets are taken from. */
  public enum Source {
    /** The shapes of the copper: joined exactly when copper, plated holes or vias join them. */
    COPPER,
    /** What a netlist, or without one the attributes of the pads, say. */
    NETLIST
  }

  /**
   * One net.
   *
   * @param name from the files, else {@code n} with a number
   * @param pads its pads
   */
  public record Net(String name, List<Pad> pads) {
    public Net {
      pads = List.copyOf(pads);
    }
  }

  /**
   * One pad; the files need not say whose it is.
   *
   * @param ref component, null when it is not known
   * @param pin its pin, null when it is not known
   * @param at its middle, in millimetres from the lower left corner of the board
   */
  public record Pad(@Nullable String ref, @Nullable String pin, PointMm at) {
    static final Comparator<Pad> BY_PLACE =
        Comparator.comparingDouble((Pad pad) -> pad.at().xMm())
            .thenComparingDouble(pad -> pad.at().yMm());

    String text() {
      return ref == null
          ? String.format(java.util.Locale.ROOT, "%.2f, %.2f mm", at.xMm(), at.yMm())
          : ref + "." + pin;
    }
  }

  /**
   * Reads the files of a board and finds its nets.
   *
   * @param files names by role
   * @param source what they are taken from; the copper when it is null and there is any
   * @param known pins whose pads are known besides those that the files name, in millimetres from
   *     the lower left corner of the board
   * @param unit unit of files that do not say theirs
   * @param budget what reading and tracing come out of
   */
  public static BoardNets of(
      Map<String, String> files,
      BoardLayers.Source bytes,
      @Nullable Source source,
      List<KnownPin> known,
      LengthUnit unit,
      Budget budget) {
    CopperFiles read = CopperFiles.read(files, bytes, unit, budget);
    Source from =
        source != null ? source : read.copper().isEmpty() ? Source.NETLIST : Source.COPPER;
    List<Finding> problems = new ArrayList<>(read.problems());
    List<Net> nets =
        switch (from) {
          case NETLIST -> said(read, problems);
          case COPPER -> traced(read, known, problems, budget);
        };
    return new BoardNets(from, nets, problems);
  }

  /** Tells whether tracks or planes are drawn, so that copper can say what is joined. */
  public static boolean hasTracks(
      Map<String, String> files, BoardLayers.Source bytes, LengthUnit unit, Budget budget) {
    return CopperFiles.read(files, bytes, unit, budget).copper().values().stream()
        .flatMap(layer -> layer.marks().stream())
        .anyMatch(mark -> !(mark instanceof Layer.Flash) && mark.dark());
  }

  /** Gives the pins of every net whose pads somebody names, as {@code REF.PIN}. */
  public Map<String, List<String>> pins() {
    Map<String, List<String>> pins = new LinkedHashMap<>();
    for (Net net : nets) {
      List<String> named =
          net.pads().stream().filter(pad -> pad.ref() != null).map(Pad::text).distinct().toList();
      if (!named.isEmpty()) {
        pins.put(net.name(), named);
      }
    }
    return pins;
  }

  private static List<Net> traced(
      CopperFiles read, List<KnownPin> known, List<Finding> problems, Budget budget) {
    if (read.copper().isEmpty()) {
      problems.add(Finding.error("board", "There is no layer of copper among the board files."));
      return List.of();
    }
    if (read.drills().isEmpty() && read.copper().size() > 1) {
      problems.add(
          Finding.warning(
              "board", "No drill file is there: nothing joins one layer of copper to another."));
    }
    try {
      return new TracedNets(read, known, problems, budget).nets();
    } catch (Spent e) {
      problems.add(Finding.error("board", e.sentence()));
      return List.of();
    }
  }

  /** What the netlist says; without one, what the pads say of themselves. */
  private static List<Net> said(CopperFiles read, List<Finding> problems) {
    Map<String, List<Pad>> nets = new LinkedHashMap<>();
    PointMm origin = read.origin();
    if (read.netlist() != null) {
      for (Netlist.Pin pin : read.netlist().pins()) {
        if (!pin.net().isEmpty()) {
          nets.computeIfAbsent(pin.net(), net -> new ArrayList<>())
              .add(new Pad(pin.ref(), pin.pin(), rounded(pin.at().minus(origin))));
        }
      }
    } else {
      for (Layer layer : read.copper().values()) {
        layer
            .pins()
            .forEach((name, flash) -> {
              int dot = name.indexOf('.');
              Pad pad =
                  new Pad(
                      name.substring(0, dot),
                      name.substring(dot + 1),
                      rounded(flash.at().minus(origin)));
              if (!flash.tags().net().isEmpty()) {
                List<Pad> pads = nets.computeIfAbsent(flash.tags().net(), net -> new ArrayList<>());
                if (pads.stream().noneMatch(p -> p.text().equals(pad.text()))) {
                  pads.add(pad);
                }
              }
            });
      }
    }
    if (nets.isEmpty()) {
      problems.add(
          Finding.error("board", "Neither a netlist nor names of pins are in the board files."));
    }
    List<Net> all = new ArrayList<>();
    nets.forEach((name, pads) -> all.add(new Net(name, TracedNets.sorted(pads))));
    all.sort(TracedNets.BY_NAME);
    return all;
  }

  /** To the tenth of a micrometre, as a kit keeps it. */
  static PointMm rounded(PointMm at) {
    return new PointMm(Math.round(at.xMm() * 1e4) / 1e4, Math.round(at.yMm() * 1e4) / 1e4);
  }
}
