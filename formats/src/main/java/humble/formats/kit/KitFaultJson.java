package humble.formats.kit;

import humble.core.kit.KitFault;
import humble.core.units.Band;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Reads the faults that a kit knows of besides its circuit. */
final class KitFaultJson {
  private static final double USUAL_PRIOR = 0.01;

  private KitFaultJson() {}

  static KitFault read(Cursor c) {
    double prior = c.number("prior", USUAL_PRIOR);
    if (prior <= 0 || prior >= 1) {
      c.error("prior", "A prior is more than 0 and less than 1.");
    }
    String id = c.needId("id");
    Map<String, Band> predict = new LinkedHashMap<>();
    c.child("predict")
        .ifPresent(p ->
            p.every(measure -> p.child(measure))
                .forEach((measure, band) -> put(predict, measure, band)));
    return new KitFault(
        id,
        c.maybeText("title").orElse(id),
        prior,
        c.texts("seen"),
        predict,
        c.text("try"),
        c.numberFrom("minutes", 0, 1));
  }

  private static void put(Map<String, Band> predict, String measure, Optional<Cursor> at) {
    at.map(c -> KitJson.band(c, "low", "high")).ifPresent(band -> predict.put(measure, band));
  }
}
