package humble.formats.kit;

import humble.core.kit.Model;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Reads the electrical model of a line. */
final class ModelJson {
  private ModelJson() {}

  static Model read(Cursor c) {
    String type = c.needText("type");
    Model model =
        switch (type) {
          case "resistor" -> new Model.Resistor(c.numberFrom("ohms", 0, 1));
          case "diode" ->
              new Model.Junction(
                  above(c, "vf_v", 0.65),
                  above(c, "at_ma", 10),
                  above(c, "n", 1.8),
                  false,
                  spread(c));
          case "led" ->
              new Model.Junction(
                  above(c, "vf_v", 2.0),
                  above(c, "at_ma", 10),
                  above(c, "n", 2.0),
                  true,
                  spread(c));
          case "zener" -> new Model.Zener(above(c, "vz_v", 5.1), above(c, "at_ma", 5));
          case "npn", "pnp" ->
              new Model.Bipolar(
                  type.equals("npn"),
                  above(c, "beta", 200),
                  pin(c, "b", "2"),
                  pin(c, "c", "1"),
                  pin(c, "e", "3"));
          case "nmos", "pmos" ->
              new Model.Mosfet(
                  type.equals("nmos"),
                  c.number("vth_v", 2),
                  above(c, "k_a_per_v2", 0.1),
                  pin(c, "g", "1"),
                  pin(c, "d", "2"),
                  pin(c, "s", "3"));
          case "regulator" ->
              new Model.Regulator(
                  above(c, "vout_v", 5),
                  c.numberFrom("dropout_v", 0, 0),
                  above(c, "limit_ma", 500),
                  c.numberFrom("iq_ma", 0, 0),
                  c.numberFrom("theta_ja_c_per_w", 0, 65),
                  pin(c, "in", "1"),
                  pin(c, "gnd", "2"),
                  pin(c, "out", "3"),
                  tolerance(c));
          case "load" -> load(c);
          case "switch" -> {
            List<List<String>> poles = c.textPairs("poles");
            yield new Model.Switch(
                poles.isEmpty() ? List.of(List.of("1", "2")) : poles, c.flag("closed", false));
          }
          case "battery" -> {
            double voc = above(c, "voc_v", 3);
            yield new Model.Battery(
                voc,
                above(c, "rint_ohm", 1),
                c.numberFrom("mah", 0, 200),
                c.numberFrom("cutoff_v", 0, 2),
                c.pair("voc_range_v").orElseGet(() -> Model.Battery.usualRange(voc)));
          }
          case "pot" ->
              new Model.Pot(
                  above(c, "ohms", 10000), c.numberFrom("at", 0, 0.5), c.textTriples("tracks"));
          case "open" -> new Model.Open();
          default -> {
            c.error("type", "There is no model '" + type + "'.");
            yield new Model.Open();
          }
        };
    c.known("max_ma");
    c.noteUnread();
    return model;
  }

  private static Model load(Cursor c) {
    Map<String, Double> outputs =
        c.child("outputs")
            .map(o -> o.every(pin -> o.child(pin).map(p -> above(p, "ron_ohm", 25)).orElse(25.0)))
            .orElse(Map.of());
    return new Model.Load(
        pin(c, "plus", "1"),
        pin(c, "minus", "2"),
        c.numberFrom("ma", 0, 0),
        c.numberFrom("min_v", 0, 0),
        outputs,
        c.numberFrom("ma_spread_pct", 0, Model.Load.USUAL_SPREAD_PCT),
        starts(c));
  }

  private static Model.Starts starts(Cursor c) {
    List<String> clock = c.texts("clock");
    if (c.has("clock") && clock.size() != 2) {
      c.error("clock", "A clock has two pins, [\"7\", \"8\"].");
      clock = List.of();
    }
    return new Model.Starts(c.maybeText("reset").orElse(null), clock);
  }

  private static double spread(Cursor c) {
    return c.numberFrom("vf_spread_v", 0, Model.Junction.USUAL_SPREAD_V);
  }

  private static @Nullable Double tolerance(Cursor c) {
    return c.has("tolerance_pct")
        ? c.numberFrom("tolerance_pct", 0, Model.Regulator.USUAL_TOLERANCE_PCT)
        : null;
  }

  private static String pin(Cursor c, String key, String otherwise) {
    return c.maybeText(key).orElse(otherwise);
  }

  private static double above(Cursor c, String key, double otherwise) {
    double value = c.number(key, otherwise);
    if (value <= 0) {
      c.error(key, "It must be more than 0.");
      return otherwise;
    }
    return value;
  }
}
