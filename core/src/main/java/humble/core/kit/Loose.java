package humble.core.kit;

import java.util.List;

/**
 * Something that belongs to no place on a board.
 *
 * @param id name within the kit
 * @param name what it is
 * @param supplied pieces in the bag
 * @param needed pieces the work asks for
 * @param usedFor stages or tasks it is needed for
 */
public record Loose(String id, String name, int supplied, int needed, List<String> usedFor) {
  public Loose {
    usedFor = List.copyOf(usedFor);
  }
}
