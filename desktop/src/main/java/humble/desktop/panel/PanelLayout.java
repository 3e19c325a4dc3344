package humble.desktop.panel;

import humble.core.kit.Kit;
import humble.core.kit.Panel;
import humble.core.kit.Place;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Where switches and lights stand on the panel, from left to right as it is looked at; where the
 * kit has no places, the highest bit left.
 *
 * @param x from 0 at the left to 1 at the right, by ref
 * @param switchBits the bits of the switches, from left to right
 * @param lightBits the bits of the data lights, from left to right
 */
record PanelLayout(Map<String, Double> x, List<Integer> switchBits, List<Integer> lightBits) {
  /** Keys without a place stand left of the switches. */
  private static final double KEYS_SHARE = 0.38;

  static PanelLayout of(Kit kit, Panel panel) {
    Map<String, Double> mm = new HashMap<>();
    for (Place place : kit.places()) {
      mm.put(place.ref(), place.at().xMm());
    }
    List<String> all = new ArrayList<>(panel.address());
    all.addAll(panel.data());
    all.addAll(panel.switches());
    String board = board(kit, panel);
    panel.keys().values().stream()
        .flatMap(List::stream)
        .filter(ref ->
            kit.places().stream().anyMatch(p -> p.ref().equals(ref) && p.board().equals(board)))
        .forEach(all::add);
    boolean placed = all.stream().allMatch(mm::containsKey);
    Map<String, Double> x = new HashMap<>();
    if (placed) {
      double least = all.stream().mapToDouble(ref -> mm.getOrDefault(ref, 0.0)).min().orElse(0);
      double most = all.stream().mapToDouble(ref -> mm.getOrDefault(ref, 0.0)).max().orElse(1);
      all.forEach(
          ref -> x.put(ref, (mm.getOrDefault(ref, 0.0) - least) / Math.max(1, most - least)));
    } else {
      spread(panel.address(), 0, x);
      spread(panel.data(), 0.5, x);
      spread(panel.switches(), 0.5, x);
      List<String> keys =
          panel.keys().values().stream().flatMap(List::stream).distinct().sorted().toList();
      for (int i = 0; i < keys.size(); i++) {
        x.put(keys.get(i), KEYS_SHARE * i / Math.max(1, keys.size() - 1));
      }
    }
    return new PanelLayout(x, order(panel.switches(), x), order(panel.data(), x));
  }

  private static String board(Kit kit, Panel panel) {
    return kit.places().stream()
        .filter(place -> panel.switches().contains(place.ref()))
        .map(Place::board)
        .findFirst()
        .orElse("");
  }

  private static void spread(List<String> refs, double from, Map<String, Double> x) {
    for (int bit = 0; bit < refs.size(); bit++) {
      x.put(refs.get(bit), 1 - (1 - from) * bit / Math.max(1, refs.size() - 1));
    }
  }

  private static List<Integer> order(List<String> refs, Map<String, Double> x) {
    List<Integer> bits = new ArrayList<>();
    for (int bit = 0; bit < refs.size(); bit++) {
      bits.add(bit);
    }
    bits.sort(Comparator.comparingDouble(bit -> x.getOrDefault(refs.get(bit), 0.0)));
    return List.copyOf(bits);
  }

  /** Gives the bit of the switch at a place, 1 at the left. */
  int bitAt(int place) {
    return place <= switchBits.size() ? switchBits.get(place - 1) : 0;
  }

  /** Gives the bit of the data light at a place, 1 at the left. */
  int lightAt(int place) {
    return place <= lightBits.size() ? lightBits.get(place - 1) : 0;
  }
}
