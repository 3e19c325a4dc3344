package humble.core.own;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Mount;
import humble.core.kit.PackageLibrary;
import humble.core.kit.PartPackage;
import humble.core.kit.Place;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What follows in a kit when a part is put on its holes: its place, its package where the holes say
 * another, and the place of what goes into it.
 */
public final class Placing {
  private Placing() {}

  /**
   * Puts a part on its holes.
   *
   * @param board id of the board
   * @param ref the part
   * @param lies the ways in which it may lie, the likeliest first
   * @return what follows; empty where other parts of its line lie on holes of another package
   */
  public static Optional<Follows> of(Kit kit, String board, Side side, String ref, List<Lie> lies) {
    Line line = kit.lineOf(ref).orElse(null);
    if (line == null || lies.isEmpty()) {
      return Optional.empty();
    }
    Lie lie = lies.getFirst();
    List<Edit> edits = new ArrayList<>();
    List<String> guessed = new ArrayList<>();
    boolean other = !lie.pack().id().equals(line.packageId());
    boolean alone = line.refs().stream().allMatch(r -> r.equals(ref) || kit.placeOf(r).isEmpty());
    if (other && !alone) {
      return Optional.empty();
    }
    if (other) {
      packed(kit, line, lie.pack(), edits);
      guessed.add("package:" + ref);
    }
    edits.add(new Edit.PutPlace(place(ref, board, side, lie, Mount.FLUSH)));
    if (line.isOriented() && lies.size() > 1) {
      guessed.add("turn:" + ref);
    }
    inserted(kit, ref)
        .ifPresent(pair -> {
          String chip = pair.getKey();
          Line chipLine = kit.lineOf(chip).orElseThrow();
          if (!pair.getValue().sure()) {
            guessed.add("socket:" + chip);
          }
          chipPackage(lie.pack(), chipLine).ifPresent(id -> edits.add(id));
          edits.add(new Edit.PutPlace(place(chip, board, side, lie, Mount.SOCKETED)));
        });
    return Optional.of(new Follows(edits, guessed));
  }

  private static void packed(Kit kit, Line line, PartPackage pack, List<Edit> edits) {
    boolean known =
        PackageLibrary.find(pack.id()).isPresent() || kit.packageNamed(pack.id()).isPresent();
    if (!known) {
      edits.add(new Edit.PutPackage(pack));
    }
    edits.add(new Edit.InPackage(line.id(), pack.id()));
  }

  /** A chip is as wide as its socket. */
  private static Optional<Edit> chipPackage(PartPackage socket, Line chip) {
    String id = socket.id().replaceFirst("^socket-", "");
    return !id.equals(chip.packageId()) && PackageLibrary.find(id).isPresent()
        ? Optional.of(new Edit.InPackage(chip.id(), id))
        : Optional.empty();
  }

  private static Optional<Map.Entry<String, SocketPairs.Pair>> inserted(Kit kit, String socket) {
    return SocketPairs.of(kit).entrySet().stream()
        .filter(entry -> entry.getValue().socket().equals(socket))
        .findFirst();
  }

  private static Place place(String ref, String board, Side side, Lie lie, Mount mount) {
    return new Place(
        ref,
        board,
        side,
        lie.at(),
        lie.rotationDeg(),
        mount,
        0,
        null,
        null,
        null,
        null,
        List.of(),
        List.of(),
        0,
        1,
        lie.pitchMm());
  }
}
