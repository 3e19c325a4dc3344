package humble.core.kit;

import java.util.List;

/**
 * A part of the circuit that is built and proved by itself.
 *
 * @param id name within the kit
 * @param title what it is
 * @param refs parts in it
 * @param gates gates that end it
 * @param then blocks that follow
 */
public record Block(
    String id, String title, List<String> refs, List<String> gates, List<String> then) {
  public Block {
    refs = List.copyOf(refs);
    gates = List.copyOf(gates);
    then = List.copyOf(then);
  }
}
