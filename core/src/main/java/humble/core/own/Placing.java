package humble.core.own;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Mount;
import humble.core.kit.PackageLibrary;
import humble.core.kit.PartPackage;
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
    edits.add(new Edit.PutPlace(lie.place(ref, board, side, Mount.FLUSH)));
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
          edits.addAll(chipPackage(kit, lie.pack(), chipLine));
          edits.add(new Edit.PutPlace(lie.place(chip, board, side, Mount.SOCKETED)));
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

  /** A chip is as wide as its socket, and its pins stand as close. */
  private static List<Edit> chipPackage(Kit kit, PartPackage socket, Line chip) {
    String id = socket.id().replaceFirst("^socket-", "");
    PartPackage own = kit.packageNamed(chip.packageId()).orElse(null);
    if (id.equals(chip.packageId()) || own == null || id.equals(socket.id())) {
      return List.of();
    }
    List<Edit> edits = new ArrayList<>();
    packed(kit, chip, new PartPackage(id, own.heightMm(), socket.pins(), own.lead()), edits);
    return edits;
  }

  private static Optional<Map.Entry<String, SocketPairs.Pair>> inserted(Kit kit, String socket) {
    return SocketPairs.of(kit).entrySet().stream()
        .filter(entry -> entry.getValue().socket().equals(socket))
        .findFirst();
  }
}
