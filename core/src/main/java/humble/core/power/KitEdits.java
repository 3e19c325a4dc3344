package humble.core.power;

import humble.core.kit.Kit;
import humble.core.kit.Supply;
import java.util.List;

/** Copies of a kit with one electrical thing changed. */
final class KitEdits {
  private KitEdits() {}

  static Kit withSupply(Kit kit, Supply supply) {
    List<Supply> supplies =
        kit.supplies().stream().map(s -> s.id().equals(supply.id()) ? supply : s).toList();
    return kit.withSupplies(supplies);
  }
}
