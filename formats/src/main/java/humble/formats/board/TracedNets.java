package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.copper.CopperBoard;
import humble.core.copper.CopperNets;
import humble.core.kit.Finding;
import humble.core.kit.PointMm;
import humble.core.kit.RefOrder;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * Pads found on the outer layers, each with the net that the copper puts it on, and the names that
 * the files have for them. Names join nothing: where they say otherwise than the copper, that is
 * told.
 */
final class TracedNets {
  static final Comparator<BoardNets.Net> BY_NAME =
      Comparator.comparing(BoardNets.Net::name, RefOrder.NATURAL);

  /** Pads of one net that are nearer than this are one: both ends of a plated hole. */
  private static final double SAME_MM = 0.02;

  private static final int MOST_NAMED = 6;

  private final CopperFiles files;
  private final List<KnownPin> known;
  private final List<Finding> problems;
  private final CopperNets copper;
  private final int bottom;
  private final Budget budget;
  private final Map<Cell, List<Found>> byCell = new HashMap<>();
  private final List<Found> found = new ArrayList<>();

  private record Cell(long x, long y) {}

  /** A pad that was found; whose it is may come later. */
  private static final class Found {
    private final PointMm at;
    private final int net;
    private @Nullable String ref;
    private @Nullable String pin;
    private final Set<String> names = new LinkedHashSet<>();

    Found(PointMm at, int net) {
      this.at = at;
      this.net = net;
    }
  }

  TracedNets(CopperFiles files, List<KnownPin> known, List<Finding> problems, Budget budget) {
    this.files = files;
    this.known = known;
    this.problems = problems;
    this.budget = budget;
    CopperBoard board = files.board();
    this.copper = CopperNets.trace(board, budget);
    this.bottom = board.sheets().size() - 1;
  }

  List<BoardNets.Net> nets() {
    flashes(Side.TOP);
    flashes(Side.BOTTOM);
    openings(Side.TOP);
    openings(Side.BOTTOM);
    if (files.netlist() != null) {
      files.netlist().pins().forEach(pin -> take(KnownPin.of(pin), true));
    }
    PointMm origin = files.origin();
    known.forEach(pin -> take(pin.moved(origin), false));
    return named();
  }

  private int sheet(Side side) {
    return side == Side.TOP ? 0 : bottom;
  }

  private @Nullable Layer layer(Side side) {
    boolean onlyBottom = files.copper().size() == 1 && files.copper().firstKey() != 1;
    return side == Side.TOP
        ? onlyBottom ? null : files.copper().firstEntry().getValue()
        : onlyBottom || files.copper().size() > 1 ? files.copper().lastEntry().getValue() : null;
  }

  /** Tells where a mask is open; null without a mask, when everything may be. */
  private @Nullable CopperNets mask(Side side) {
    Layer mask = files.masks().get("mask_" + side.text());
    return mask == null
        ? null
        : CopperNets.trace(
            new CopperBoard(
                List.of(new CopperBoard.Sheet("mask", CopperFiles.inked(mask))),
                List.of(),
                List.of()),
            budget);
  }

  private void flashes(Side side) {
    Layer layer = layer(side);
    if (layer == null) {
      return;
    }
    CopperNets mask = mask(side);
    for (Layer.Mark mark : layer.marks()) {
      if (mark instanceof Layer.Flash flash
          && flash.dark()
          && (mask == null
              || !flash.tags().pin().isEmpty()
              || mask.netAt(0, flash.at()).isPresent())) {
        Found pad = add(side, flash.at());
        if (pad != null) {
          name(pad, flash.tags());
        }
      }
    }
  }

  private void name(Found pad, Layer.Tags tags) {
    int dot = tags.pin().indexOf('.');
    if (dot > 0 && pad.ref == null) {
      pad.ref = tags.pin().substring(0, dot);
      pad.pin = tags.pin().substring(dot + 1);
    }
    if (!tags.net().isEmpty()) {
      pad.names.add(tags.net());
    }
  }

  /** Pads that are drawn with lines or as regions show by the openings over them. */
  private void openings(Side side) {
    Layer mask = files.masks().get("mask_" + side.text());
    if (mask == null || layer(side) == null) {
      return;
    }
    for (Layer.Mark mark : mask.marks()) {
      if (mark.dark()) {
        double[] box = mark.extent();
        add(side, new PointMm((box[0] + box[2]) / 2, (box[1] + box[3]) / 2));
      }
    }
  }

  /** Adds a pad; gives the one that is there already, or null where there is no copper. */
  private @Nullable Found add(Side side, PointMm at) {
    OptionalInt net = copper.netAt(sheet(side), at);
    if (net.isEmpty()) {
      return null;
    }
    Found there = near(at, net.getAsInt());
    if (there != null) {
      return there;
    }
    budget.items(1);
    Found pad = new Found(at, net.getAsInt());
    found.add(pad);
    byCell.computeIfAbsent(cell(at), c -> new ArrayList<>()).add(pad);
    return pad;
  }

  private static Cell cell(PointMm at) {
    return new Cell(Math.round(at.xMm() / SAME_MM), Math.round(at.yMm() / SAME_MM));
  }

  private @Nullable Found near(PointMm at, int net) {
    Cell middle = cell(at);
    for (long x = middle.x() - 1; x <= middle.x() + 1; x++) {
      for (long y = middle.y() - 1; y <= middle.y() + 1; y++) {
        for (Found each : byCell.getOrDefault(new Cell(x, y), List.of())) {
          if (each.net == net && each.at.distanceMm(at) <= SAME_MM) {
            return each;
          }
        }
      }
    }
    return null;
  }

  /** A pin that something else names: its pad gets its name, whether or not it was found before. */
  private void take(KnownPin pin, boolean fromNetlist) {
    Found pad = null;
    for (Side side : pin.side() == null ? List.of(Side.TOP, Side.BOTTOM) : List.of(pin.side())) {
      if (pad == null && layer(side) != null) {
        pad = add(side, pin.at());
      }
    }
    if (pad == null) {
      problems.add(
          Finding.warning(
              fromNetlist ? "netlist" : "places",
              "There is no copper where " + pin.name() + " should have its pad."));
      return;
    }
    if (pad.ref == null) {
      pad.ref = pin.ref();
      pad.pin = pin.pin();
    } else if (!pin.name().equals(pad.ref + "." + pad.pin)
        && !(pin.also() + "." + pin.pin()).equals(pad.ref + "." + pad.pin)) {
      problems.add(
          Finding.warning(
              fromNetlist ? "netlist" : "places",
              "One pad is called " + pad.ref + "." + pad.pin + " and " + pin.name() + "."));
    }
    if (!pin.net().isEmpty()) {
      pad.names.add(pin.net());
    }
  }

  private List<BoardNets.Net> named() {
    PointMm origin = files.origin();
    Map<Integer, List<Found>> byNet = new TreeMap<>();
    found.forEach(pad -> byNet.computeIfAbsent(pad.net, net -> new ArrayList<>()).add(pad));
    Map<Integer, String> names = names(byNet);
    List<BoardNets.Net> nets = new ArrayList<>();
    List<List<BoardNets.Pad>> nameless = new ArrayList<>();
    byNet.forEach((number, pads) -> {
      List<BoardNets.Pad> all =
          pads.stream()
              .map(pad ->
                  new BoardNets.Pad(pad.ref, pad.pin, BoardNets.rounded(pad.at.minus(origin))))
              .toList();
      String name = names.get(number);
      if (name != null) {
        nets.add(new BoardNets.Net(name, sorted(all)));
      } else if (all.size() > 1) {
        nameless.add(all);
      }
    });
    Set<String> taken = new HashSet<>(names.values());
    nameless.sort(
        Comparator.comparing(
            pads -> pads.stream().min(BoardNets.Pad.BY_PLACE).orElseThrow(),
            BoardNets.Pad.BY_PLACE));
    int k = 0;
    for (List<BoardNets.Pad> pads : nameless) {
      String name;
      do {
        name = "n" + ++k;
      } while (taken.contains(name));
      nets.add(new BoardNets.Net(name, sorted(pads)));
    }
    nets.sort(BY_NAME);
    return nets;
  }

  static List<BoardNets.Pad> sorted(List<BoardNets.Pad> pads) {
    return pads.stream()
        .sorted(
            Comparator.comparing(
                    (BoardNets.Pad pad) -> pad.ref() == null ? "\uffff" : pad.text(),
                    RefOrder.NATURAL)
                .thenComparing(BoardNets.Pad.BY_PLACE))
        .toList();
  }

  /** The name that most pads of a net bear; what does not go together is told. */
  private Map<Integer, String> names(Map<Integer, List<Found>> byNet) {
    Map<Integer, Map<String, Integer>> votes = new LinkedHashMap<>();
    Map<String, Map<Integer, List<Found>>> nets = new TreeMap<>(RefOrder.NATURAL);
    byNet.forEach((number, pads) ->
        pads.forEach(pad ->
            pad.names.forEach(name -> {
              votes.computeIfAbsent(number, n -> new TreeMap<>()).merge(name, 1, Integer::sum);
              nets.computeIfAbsent(name, n -> new TreeMap<>())
                  .computeIfAbsent(number, n -> new ArrayList<>())
                  .add(pad);
            })));
    votes.forEach((number, said) -> {
      if (said.size() > 1) {
        problems.add(
            Finding.warning(
                "board",
                "Copper joins what the files call "
                    + String.join(" and ", said.keySet())
                    + ": "
                    + listed(byNet.getOrDefault(number, List.of()))
                    + "."));
      }
    });
    Map<Integer, String> names = new HashMap<>();
    nets.forEach((name, parts) -> {
      if (parts.size() > 1) {
        problems.add(
            Finding.warning(
                "board",
                "The files call it one net, "
                    + name
                    + ", but no copper joins "
                    + String.join(" to ", parts.values().stream().map(this::listed).toList())
                    + "."));
      }
      parts.entrySet().stream()
          .sorted(
              Comparator.comparingInt((Map.Entry<Integer, List<Found>> e) -> -e.getValue().size()))
          .filter(e -> !names.containsKey(e.getKey()) && isBest(votes, e.getKey(), name))
          .findFirst()
          .ifPresent(e -> names.put(e.getKey(), name));
    });
    return names;
  }

  private static boolean isBest(Map<Integer, Map<String, Integer>> votes, int number, String name) {
    Map<String, Integer> said = votes.getOrDefault(number, Map.of());
    int most = said.values().stream().mapToInt(Integer::intValue).max().orElse(0);
    return said.getOrDefault(name, 0) == most;
  }

  private String listed(List<Found> pads) {
    PointMm origin = files.origin();
    List<String> texts =
        pads.stream()
            .map(pad -> new BoardNets.Pad(pad.ref, pad.pin, pad.at.minus(origin)).text())
            .sorted(RefOrder.NATURAL)
            .toList();
    return String.join(", ", texts.stream().limit(MOST_NAMED).toList())
        + (texts.size() > MOST_NAMED ? " and more" : "");
  }
}
