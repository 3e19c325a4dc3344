package humble.core.wake;

import java.util.List;

/**
 * A fault that would explain what was seen of a light matrix.
 *
 * @param fault the likeliest of its group: of a matrix {@code open:U1.4} or {@code pin:U1.4} (a
 *     line), {@code open:LED5.1}, {@code reversed:5} or {@code dead:5} (a light), {@code
 *     short:U1.4-U1.5}, {@code off}, or two of them; of a chain {@code data:5}, {@code power:5},
 *     {@code dead:5}
 * @param belief share of belief of the whole group, all suspects together at most 1
 * @param explains numbers of the lights it accounts for
 * @param group every fault that what was seen cannot tell from this one, itself included
 */
public record LightSuspect(
    String fault, double belief, List<Integer> explains, List<String> group) {
  public LightSuspect {
    explains = List.copyOf(explains);
    group = List.copyOf(group);
  }
}
