package humble.core.craft;

import humble.core.kit.AsBuilt;
import humble.core.kit.Kit;
import humble.core.kit.ModuleRows;
import humble.core.kit.Parts;

/**
 * Makes the one value that circuit, gates, power, search for faults, practice bench and joints
 * receive: the parts of a kit as a builder built it.
 */
public final class BuiltBoard {
  private BuiltBoard() {}

  /** Gives the parts of {@code kit}, modules in their rows, as {@code built}. */
  public static Parts of(Kit kit, AsBuilt built) {
    Kit inRows = kit;
    for (ModuleRows module : kit.handwork().modules()) {
      String row = built.rows().getOrDefault(module.ref(), "");
      for (ModuleRows.Row each : module.rows()) {
        if (each.id().equals(row)) {
          inRows = ModuleFit.inRow(inRows, module, each);
        }
      }
    }
    return Parts.of(inRows, built);
  }
}
