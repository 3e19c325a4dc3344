package humble.core.own;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Which chip goes into which socket, and which cell into which holder, where no place says so: by
 * the name of the socket; else, as a guess, by its number, and at last the first that is left with
 * as many pins.
 */
final class SocketPairs {
  private final Kit kit;
  private final Map<String, Pair> socketOf = new LinkedHashMap<>();

  private SocketPairs(Kit kit) {
    this.kit = kit;
  }

  /**
   * What a part goes into.
   *
   * @param socket reference of the socket or holder
   * @param sure whether its name says so
   */
  record Pair(String socket, boolean sure) {}

  /** Gives what each part goes into; those that go into nothing are left out. */
  static Map<String, Pair> of(Kit kit) {
    SocketPairs pairs = new SocketPairs(kit);
    pairs.pair(PartKind.SOCKET);
    pairs.pair(PartKind.BATTERY_HOLDER);
    return pairs.socketOf;
  }

  private void pair(PartKind taker) {
    List<String> sockets = refs(taker);
    List<String> chips = new ArrayList<>();
    for (Line line : kit.lines()) {
      if (goesInto(line.kind(), taker)) {
        chips.addAll(line.refs());
      }
    }
    for (String chip : List.copyOf(chips)) {
      sockets.stream()
          .filter(socket -> socket.equals("X" + chip) && pins(socket) == pins(chip))
          .findFirst()
          .ifPresent(socket -> {
            socketOf.put(chip, new Pair(socket, true));
            sockets.remove(socket);
            chips.remove(chip);
          });
    }
    for (String chip : chips) {
      List<String> fitting =
          sockets.stream()
              .filter(socket -> taker == PartKind.BATTERY_HOLDER || pins(socket) == pins(chip))
              .toList();
      Optional<String> numbered =
          fitting.stream().filter(socket -> number(socket).equals(number(chip))).findFirst();
      Optional<String> found = numbered.or(() -> fitting.stream().findFirst());
      if (found.isPresent()) {
        socketOf.put(chip, new Pair(found.get(), false));
        sockets.remove(found.get());
      }
    }
  }

  private static boolean goesInto(PartKind kind, PartKind taker) {
    return taker == PartKind.BATTERY_HOLDER ? kind == PartKind.BATTERY : kind == PartKind.IC;
  }

  private List<String> refs(PartKind kind) {
    List<String> refs = new ArrayList<>();
    kit.lines().stream()
        .filter(line -> line.kind() == kind)
        .forEach(line -> refs.addAll(line.refs()));
    return refs;
  }

  private int pins(String ref) {
    return kit.lineOf(ref)
        .flatMap(line -> kit.packageNamed(line.packageId()))
        .map(PartPackage::pins)
        .map(List::size)
        .orElse(0);
  }

  private static String number(String ref) {
    return ref.replaceAll("\\D", "");
  }
}
