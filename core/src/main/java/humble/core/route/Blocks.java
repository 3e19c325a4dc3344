package humble.core.route;

import humble.core.kit.Block;
import humble.core.kit.Kit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The blocks of a kit in their order: what a block names in {@code then} comes after it. */
final class Blocks {
  private final List<Block> order = new ArrayList<>();

  Blocks(Kit kit) {
    List<Block> left = new ArrayList<>(kit.blocks());
    while (!left.isEmpty()) {
      Block next =
          left.stream()
              .filter(block ->
                  left.stream()
                      .noneMatch(other -> other != block && other.then().contains(block.id())))
              .findFirst()
              .orElse(left.getFirst());
      left.remove(next);
      order.add(next);
    }
  }

  /** Gives the number of the block by part and by gate. */
  Map<String, Integer> numbers() {
    Map<String, Integer> numbers = new HashMap<>();
    for (int i = 0; i < order.size(); i++) {
      for (String ref : order.get(i).refs()) {
        numbers.putIfAbsent(ref, i);
      }
      for (String gate : order.get(i).gates()) {
        numbers.putIfAbsent(gate, i);
      }
    }
    return numbers;
  }

  /** Gives the title of a block, its id when it has none. */
  String title(int number) {
    Block block = order.get(number);
    return block.title().isEmpty() ? block.id() : block.title();
  }
}
