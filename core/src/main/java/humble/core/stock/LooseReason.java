package humble.core.stock;

import humble.core.kit.Home;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Loose;
import humble.core.kit.PartKind;
import humble.core.kit.TaskKind;
import humble.core.words.Phrase;
import java.util.Locale;

/** Why something lies in the bag, or is asked for, that has no place on a board. */
public final class LooseReason {
  private LooseReason() {}

  /** Explains a loose item. */
  public static Phrase of(Kit kit, Loose item) {
    String uses = String.join(", ", item.usedFor());
    String name = item.name().toLowerCase(Locale.ROOT);
    boolean calibrates =
        item.usedFor().stream().anyMatch(use -> isCalibration(kit, use))
            || name.matches(".*\\b(reference|calibration)\\b.*");
    if (calibrates) {
      return Phrase.of("stock.loose.calibration", item.name());
    }
    if (item.supplied() == 0 && item.needed() > 0) {
      return Phrase.of("stock.loose.bring", item.name(), uses);
    }
    if (item.needed() == 0) {
      return Phrase.of("stock.loose.spare", item.name());
    }
    if (name.matches(".*\\b(cable|lead|cord|wire)s?\\b.*")) {
      return Phrase.of("stock.loose.cable", item.name(), uses);
    }
    return Phrase.of("stock.loose.used", item.name(), uses);
  }

  private static boolean isCalibration(Kit kit, String use) {
    return kit.task(use).map(task -> task.kind() == TaskKind.MEASURE).orElse(false)
        || use.equals("calibration");
  }

  /** Explains a line of parts that no place is printed for. */
  public static Phrase of(Line line) {
    if (line.home() == Home.BETWEEN_PINS) {
      return Phrase.of("stock.homeless.between", line.id());
    }
    boolean capacitor =
        line.kind() == PartKind.CAPACITOR || line.kind() == PartKind.CAPACITOR_POLARISED;
    return Phrase.of(capacitor ? "stock.homeless.capacitor" : "stock.homeless.spare", line.id());
  }
}
