package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.intake.BoardFacts;
import humble.core.intake.PadPlaces;
import humble.core.kit.Board;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartPackage;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.Side;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Takes from the board files what a kit leaves out: places when it has none, nets when it has none,
 * and the shape of pin 1's pad when no place names a mark. A kit that says all of it is left as it
 * is, and its board files are not read.
 */
public final class BoardCompletion {
  private final Kit kit;
  private final BoardLayers.Source source;
  private final List<Finding> findings;
  private final Budget budget;
  private final Map<String, List<PinRef>> nets = new LinkedHashMap<>();
  private final List<Place> places = new ArrayList<>();

  private BoardCompletion(
      Kit kit, BoardLayers.Source source, List<Finding> findings, Budget budget) {
    this.budget = budget;
    this.kit = kit;
    this.source = source;
    this.findings = findings;
  }

  /**
   * Gives the kit with what its board files say of what it leaves out.
   *
   * @param findings receives one warning for each file that cannot be read, and a note of what was
   *     taken
   * @param budget what all board files together come out of
   */
  public static Kit of(Kit kit, BoardLayers.Source source, List<Finding> findings, Budget budget) {
    boolean complete = !kit.places().isEmpty() && !kit.nets().isEmpty();
    boolean files = kit.boards().stream().anyMatch(BoardCompletion::hasPads);
    return complete || !files
        ? kit
        : new BoardCompletion(kit, source, findings, budget).completed();
  }

  /**
   * Gives the kit with the shapes of pin 1's pads as marks, when no place names any. Reads the
   * copper, which a shelf full of kits need not do.
   */
  public static Kit withMarks(Kit kit, BoardLayers.Source source, Budget budget) {
    boolean files = kit.boards().stream().anyMatch(BoardCompletion::hasPads);
    if (hasMarks(kit) || !files) {
      return kit;
    }
    BoardCompletion completion = new BoardCompletion(kit, source, new ArrayList<>(), budget);
    completion.places.addAll(kit.places());
    kit.boards().forEach(board -> completion.takeMarks(board, completion.pads(board)));
    return kit.withBoard(completion.places, kit.nets());
  }

  private static boolean hasMarks(Kit kit) {
    return kit.places().stream().anyMatch(place -> !place.marks().isEmpty());
  }

  private static boolean hasPads(Board board) {
    return board.files().containsKey("copper_top") || board.files().containsKey("netlist");
  }

  private Map<String, Layer.Flash> pads(Board board) {
    Map<String, Layer.Flash> pads = new LinkedHashMap<>();
    for (Side side : Side.values()) {
      layer(board, "copper_" + side.text())
          .ifPresent(layer -> layer.pins().forEach(pads::putIfAbsent));
    }
    return pads;
  }

  private void takeMarks(Board board, Map<String, Layer.Flash> pads) {
    places.replaceAll(place -> place.board().equals(board.id()) ? marked(place, pads) : place);
  }

  private Kit completed() {
    places.addAll(kit.places());
    for (Board board : kit.boards()) {
      Map<String, Layer.Flash> pads = pads(board);
      Optional<Netlist> netlist = netlist(board);
      if (kit.nets().isEmpty()) {
        takeNets(pads, netlist);
      }
      if (kit.places().isEmpty()) {
        takePlaces(board, pads);
      }
      if (!hasMarks(kit)) {
        takeMarks(board, pads);
      }
    }
    boolean nothing = nets.isEmpty() && places.equals(kit.places());
    if (nothing) {
      return kit;
    }
    findings.add(
        Finding.note(
            "kit.json#/boards",
            "Taken from the board files: "
                + nets.size()
                + " nets, "
                + (places.size() - kit.places().size())
                + " places, marks of pin 1."));
    return kit.withBoard(places, nets.isEmpty() ? kit.nets() : nets);
  }

  private Optional<Layer> layer(Board board, String role) {
    String file = board.files().get(role);
    if (file == null) {
      return Optional.empty();
    }
    try {
      return Optional.of(Gerber.read(file, source.bytes(file), budget));
    } catch (BoardFileDamage e) {
      findings.add(e.warning());
    } catch (Spent e) {
      findings.add(Finding.warning(file, e.sentence()));
    } catch (IOException e) {
      // That the file is not there has been told by the check.
      return Optional.empty();
    }
    return Optional.empty();
  }

  private Optional<Netlist> netlist(Board board) {
    String file = board.files().get("netlist");
    if (file == null) {
      return Optional.empty();
    }
    try {
      return Optional.of(Netlist.read(file, source.bytes(file), budget));
    } catch (BoardFileDamage e) {
      findings.add(e.warning());
    } catch (Spent e) {
      findings.add(Finding.warning(file, e.sentence()));
    } catch (IOException e) {
      // That the file is not there has been told by the check.
      return Optional.empty();
    }
    return Optional.empty();
  }

  private void takeNets(Map<String, Layer.Flash> pads, Optional<Netlist> netlist) {
    // A pin that the package lacks is left to the board: the kit's own check must not blame the
    // kit.
    Parts parts = Parts.of(kit);
    Map<String, List<String>> found = new LinkedHashMap<>();
    netlist.ifPresentOrElse(
        list -> found.putAll(list.nets()),
        () ->
            pads.forEach((pin, flash) -> {
              if (!flash.tags().net().isEmpty()) {
                found.computeIfAbsent(flash.tags().net(), net -> new ArrayList<>()).add(pin);
              }
            }));
    found.forEach((net, pins) ->
        pins.stream()
            .flatMap(pin -> PinRef.parse(pin).stream())
            .filter(pin -> parts.canonical(pin).isPresent())
            .forEach(pin -> nets.computeIfAbsent(net, key -> new ArrayList<>()).add(pin)));
  }

  private void takePlaces(Board board, Map<String, Layer.Flash> pads) {
    Map<String, BoardFacts.Pad> known = new LinkedHashMap<>();
    pads.forEach((pin, flash) -> known.put(pin, new BoardFacts.Pad(flash.at(), Optional.empty())));
    for (Line line : kit.lines()) {
      Optional<PartPackage> pack = kit.packageNamed(line.packageId());
      for (String ref : line.refs()) {
        pack.flatMap(p -> PadPlaces.of(ref, p, known))
            .ifPresent(place -> places.add(place.onBoardNamed(board.id())));
      }
    }
  }

  /** A pad of pin 1 that is square while another pad of the part is round is its mark. */
  private Place marked(Place place, Map<String, Layer.Flash> pads) {
    Layer.Flash first = pads.get(place.ref() + ".1");
    Layer.Flash other = pads.get(place.ref() + ".2");
    boolean square =
        first != null
            && other != null
            && first.aperture().kind() == Aperture.Kind.RECTANGLE
            && other.aperture().kind() != Aperture.Kind.RECTANGLE;
    return square ? place.withMarks(List.of("square-pad:1")) : place;
  }
}
