package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.copper.CopperBoard;
import humble.core.copper.Shape;
import humble.core.kit.Finding;
import humble.core.kit.PointMm;
import humble.formats.InputFile;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * The board files that copper is traced from: layers from the top down, masks, holes and the edge.
 *
 * @param copper layers of copper by their number, 1 at the top
 * @param masks openings of the masks by role
 * @param drills drill files by role
 * @param profile edge of the board, null when there is none
 * @param netlist which pins are joined, as a layout program says it; null when there is none
 * @param problems what could not be read, and what a file does not say, each with its place
 */
record CopperFiles(
    TreeMap<Integer, Layer> copper,
    Map<String, Layer> masks,
    Map<String, DrillFile> drills,
    @Nullable Layer profile,
    @Nullable Netlist netlist,
    List<Finding> problems) {
  private static final int BOTTOM = 99;

  /**
   * Reads the files.
   *
   * @param files names by role
   * @param unit unit of files that do not say theirs
   */
  static CopperFiles read(
      Map<String, String> files, BoardLayers.Source source, LengthUnit unit, Budget budget) {
    TreeMap<Integer, Layer> copper = new TreeMap<>();
    Map<String, Layer> masks = new LinkedHashMap<>();
    Map<String, DrillFile> drills = new LinkedHashMap<>();
    Layer profile = null;
    Netlist netlist = null;
    List<Finding> problems = new ArrayList<>();
    for (Map.Entry<String, String> file : new TreeMap<>(files).entrySet()) {
      String role = file.getKey();
      String name = file.getValue();
      if (role.startsWith("legend_") || role.startsWith("paste_")) {
        continue;
      }
      try {
        byte[] bytes = source.bytes(name);
        switch (BoardFileRead.of(role, name, bytes, unit, budget)) {
          case BoardFileRead.OfDrill read -> {
            drills.put(role, read.drill());
            read.drill().notes().forEach(note -> problems.add(Finding.note(name, note)));
          }
          case BoardFileRead.OfNetlist read -> netlist = read.netlist();
          case BoardFileRead.OfLayer read -> {
            Layer layer = read.layer();
            if (role.equals("profile")) {
              profile = layer;
            } else if (role.startsWith("mask_")) {
              masks.put(role, layer);
            } else {
              number(role).ifPresent(n -> copper.put(n, plane(name, layer, problems)));
            }
          }
        }
      } catch (BoardFileDamage e) {
        problems.add(e.error());
      } catch (Spent e) {
        problems.add(Finding.error(name, e.sentence()));
      } catch (IOException e) {
        problems.add(Finding.error(name, InputFile.reason(e)));
      }
    }
    return new CopperFiles(copper, masks, drills, profile, netlist, problems);
  }

  /** Tells whether a role is a layer of copper, and which, 1 at the top. */
  static Optional<Integer> number(String role) {
    if (role.equals("copper_top")) {
      return Optional.of(1);
    }
    if (role.equals("copper_bottom")) {
      return Optional.of(BOTTOM);
    }
    return role.matches("copper_[0-9]{1,2}")
        ? Optional.of(Integer.valueOf(role.substring("copper_".length())))
        : Optional.empty();
  }

  /** Layers whose ending names a plane are drawn as what is taken away from it. */
  private static Layer plane(String name, Layer layer, List<Finding> problems) {
    if (!name.toLowerCase(Locale.ROOT).matches(".*\\.gp[0-9]{1,2}")) {
      return layer;
    }
    problems.add(
        Finding.note(
            name, "Its ending names a plane: what it draws is taken as what has no copper."));
    return new Layer(layer.function(), Negative.of(layer.marks()));
  }

  /** Gives the lower left corner of the board, in the coordinates of the files. */
  PointMm origin() {
    return Optional.ofNullable(profile)
        .flatMap(Layer::outlineExtent)
        .map(box -> new PointMm(box[0], box[1]))
        .orElse(new PointMm(0, 0));
  }

  /** Gives what is traced. */
  CopperBoard board() {
    List<CopperBoard.Sheet> sheets = new ArrayList<>();
    copper.forEach(
        (number, layer) -> sheets.add(new CopperBoard.Sheet("layer " + number, inked(layer))));
    List<CopperBoard.Bore> bores = new ArrayList<>();
    drills.forEach((role, drill) -> {
      int first = drill.first() == 0 ? 0 : sheetOf(drill.first(), true);
      int last = drill.last() == 0 ? copper.size() - 1 : sheetOf(drill.last(), false);
      for (DrillFile.Hole hole : drill.holes()) {
        if (hole.diameterMm() > 0) {
          boolean plated =
              switch (hole.plating()) {
                case PLATED -> true;
                case BARE -> false;
                case UNSAID -> !role.startsWith("drill_unplated");
              };
          bores.add(
              new CopperBoard.Bore(
                  new Shape.Stadium(hole.at(), hole.to(), hole.diameterMm() / 2),
                  plated,
                  first,
                  last));
        }
      }
    });
    return new CopperBoard(sheets, bores, edges());
  }

  /** The number among the layers that are there: blind holes name layers of the whole board. */
  private int sheetOf(int number, boolean upper) {
    int most = drills.values().stream().mapToInt(DrillFile::last).max().orElse(0);
    Set<Integer> numbers = new HashSet<>(copper.keySet());
    int at = number == most && most > 0 && numbers.contains(BOTTOM) ? BOTTOM : number;
    int above = copper.headMap(at, !upper).size();
    return upper ? above : Math.max(0, above - 1);
  }

  private List<List<PointMm>> edges() {
    List<List<PointMm>> edges = new ArrayList<>();
    if (profile != null) {
      for (Layer.Mark mark : profile.marks()) {
        switch (mark) {
          case Layer.Stroke s -> edges.add(List.of(s.from(), s.to()));
          case Layer.Sweep s -> edges.add(List.of(s.from(), s.to()));
          case Layer.Region r -> {
            List<PointMm> closed = new ArrayList<>(r.corners());
            closed.add(r.corners().getFirst());
            edges.add(closed);
          }
          case Layer.Flash flash -> {
            // A flash in a profile is a mark for a camera, no edge.
          }
        }
      }
    }
    return edges.stream()
        .filter(edge -> !edge.getFirst().equals(edge.getLast()) || edge.size() > 2)
        .toList();
  }

  static List<Shape.Inked> inked(Layer layer) {
    List<Shape.Inked> inked = new ArrayList<>();
    for (Layer.Mark mark : layer.marks()) {
      inked.add(new Shape.Inked(shape(mark), mark.dark()));
    }
    return inked;
  }

  /** Gives what a mark covers, whether it draws or takes away. */
  static Shape shape(Layer.Mark mark) {
    return switch (mark) {
      case Layer.Stroke s -> new Shape.Stadium(s.from(), s.to(), s.widthMm() / 2);
      case Layer.Sweep s -> new Shape.Area(s.hull());
      case Layer.Region r -> new Shape.Area(r.corners());
      case Layer.Flash f -> {
        List<Aperture.Area> areas = f.aperture().outlines();
        yield areas.size() == 1 && areas.getFirst().dark()
            ? areas.getFirst().shape(f.at())
            : new Shape.Stamp(
                areas.stream()
                    .map(area -> new Shape.Inked(area.shape(f.at()), area.dark()))
                    .toList());
      }
    };
  }

  /** Gives every problem that is an error. */
  Collection<Finding> errors() {
    return problems.stream().filter(Finding::isError).toList();
  }
}
