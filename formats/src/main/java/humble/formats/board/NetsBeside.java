package humble.formats.board;

import humble.core.kit.Finding;
import humble.core.kit.RefOrder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** What two sources of nets say differently, whatever they call the nets. */
public final class NetsBeside {
  private static final int MOST = 20;

  private NetsBeside() {}

  /**
   * Gives a warning for each pair of pins that one source joins and the other does not, one for
   * each net, at most twenty. Pins that only one of them has are not compared.
   *
   * @param a pins by net, and what that source is called
   * @param b the same of the other
   */
  public static List<Finding> differences(
      Map<String, List<String>> a, String nameA, Map<String, List<String>> b, String nameB) {
    List<Finding> found = new ArrayList<>();
    found.addAll(apart(a, nameA, b, nameB));
    found.addAll(apart(b, nameB, a, nameA));
    return found.size() > MOST ? found.subList(0, MOST) : found;
  }

  /** Nets of one source whose pins the other has on several. */
  private static List<Finding> apart(
      Map<String, List<String>> a, String nameA, Map<String, List<String>> b, String nameB) {
    Map<String, String> netOf = new HashMap<>();
    b.forEach((net, pins) -> pins.forEach(pin -> netOf.put(pin, net)));
    List<Finding> found = new ArrayList<>();
    new TreeMap<>(a)
        .forEach((net, pins) -> {
          Map<String, String> firstOf = new TreeMap<>(RefOrder.NATURAL);
          for (String pin : pins) {
            String other = netOf.get(pin);
            if (other != null) {
              firstOf.putIfAbsent(other, pin);
            }
          }
          if (firstOf.size() > 1) {
            List<String> ends = List.copyOf(firstOf.values());
            found.add(
                Finding.warning(
                    "nets",
                    nameA
                        + " joins "
                        + ends.get(0)
                        + " and "
                        + ends.get(1)
                        + " on "
                        + net
                        + "; "
                        + nameB
                        + " has them on "
                        + String.join(" and ", firstOf.keySet())
                        + "."));
          }
        });
    return found;
  }
}
