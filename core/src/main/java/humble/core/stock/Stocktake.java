package humble.core.stock;

import humble.core.kit.Choices;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Loose;
import humble.core.kit.PartKind;
import humble.core.kit.RefOrder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;

/** What the bag should hold, item by item, and what a count says about it. */
public final class Stocktake {
  private Stocktake() {}

  /**
   * Something to count: a line of the parts list or a loose item.
   *
   * @param id id of the line or the loose item
   * @param needed pieces the work asks for
   * @param supplied pieces the kit says are in the bag
   */
  public record Item(String id, int needed, int supplied) {
    /** Says how a count compares with what is needed. */
    public Standing standing(int counted) {
      return counted < needed
          ? Standing.SHORT
          : counted == needed ? Standing.EXACT : Standing.SPARE;
    }
  }

  /** How a count compares with what is needed. */
  public enum Standing {
    SHORT,
    EXACT,
    SPARE
  }

  /**
   * Gives the items of a kit in its order; lines that no taken choice fits and nothing supplies are
   * left out.
   */
  public static List<Item> items(Kit kit, Map<String, String> choices) {
    Set<String> out = Choices.leftOut(kit, choices);
    List<Item> items = new ArrayList<>();
    Map<String, Strips> pools = new HashMap<>();
    Set<String> pooled = new HashSet<>();
    for (Strips strips : Strips.of(kit, out)) {
      strips.pieces().forEach(piece -> pooled.add(piece.line()));
      if (!strips.pieces().isEmpty()) {
        pools.put(strips.pieces().getFirst().line(), strips);
      }
    }
    for (Line line : kit.bagged()) {
      Strips strips = pools.get(line.id());
      if (strips != null) {
        items.add(new Item(line.id(), strips.needed(), strips.supplied()));
      } else if (!pooled.contains(line.id())) {
        int needed =
            line.isByCount()
                ? line.supplied()
                : (int) line.refs().stream().filter(ref -> !out.contains(ref)).count();
        items.add(new Item(line.id(), line.kind() == PartKind.LINK ? 0 : needed, line.supplied()));
      }
    }
    items.removeIf(item -> item.needed() == 0 && item.supplied() == 0);
    for (Loose loose : kit.loose()) {
      items.add(new Item(loose.id(), loose.needed(), loose.supplied()));
    }
    return items;
  }

  /**
   * Gives the refs that counted lines cannot fill, in natural order: the last ones of each short
   * line; for a line without designators of which nothing is there, its step.
   */
  public static Set<String> missingRefs(
      Kit kit, Map<String, String> choices, Map<String, Integer> counted) {
    Set<String> out = Choices.leftOut(kit, choices);
    Set<String> missing = new TreeSet<>(RefOrder.NATURAL);
    for (Strips strips : Strips.of(kit, out)) {
      missing.addAll(strips.withoutStrip(counted));
    }
    for (Line line : kit.bagged()) {
      if (line.stripOf() > 0) {
        continue;
      }
      Integer count = counted.get(line.id());
      if (line.isByCount() && count != null && count == 0) {
        missing.add("fit:" + line.id());
      }
      List<String> refs = line.refs().stream().filter(ref -> !out.contains(ref)).toList();
      OptionalInt have = count == null ? OptionalInt.empty() : OptionalInt.of(count);
      if (have.isPresent() && have.getAsInt() < refs.size()) {
        missing.addAll(refs.subList(have.getAsInt(), refs.size()));
      }
    }
    return missing;
  }
}
