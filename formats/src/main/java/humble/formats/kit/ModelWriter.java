package humble.formats.kit;

import humble.core.kit.Model;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes the electrical model of a line, as {@link ModelJson} reads it. */
final class ModelWriter {
  private final ObjectNode to;

  private ModelWriter(ObjectNode to) {
    this.to = to;
  }

  static void write(ObjectNode to, Model model) {
    new ModelWriter(to).write(model);
  }

  private void write(Model model) {
    switch (model) {
      case Model.Resistor m -> type("resistor").number("ohms", m.ohms());
      case Model.Junction m ->
          type(m.led() ? "led" : "diode")
              .number("vf_v", m.vfV())
              .number("at_ma", m.atMa())
              .number("n", m.n())
              .number("vf_spread_v", m.spreadV());
      case Model.Zener m -> type("zener").number("vz_v", m.vzV()).number("at_ma", m.atMa());
      case Model.Bipolar m ->
          type(m.npn() ? "npn" : "pnp")
              .number("beta", m.beta())
              .text("b", m.b())
              .text("c", m.c())
              .text("e", m.e());
      case Model.Mosfet m ->
          type(m.nChannel() ? "nmos" : "pmos")
              .number("vth_v", m.vthV())
              .number("k_a_per_v2", m.kAPerV2())
              .text("g", m.g())
              .text("d", m.d())
              .text("s", m.s());
      case Model.Regulator m -> {
        type("regulator")
            .number("vout_v", m.voutV())
            .number("dropout_v", m.dropoutV())
            .number("limit_ma", m.limitMa())
            .number("iq_ma", m.iqMa())
            .number("theta_ja_c_per_w", m.thetaJaCPerW())
            .text("in", m.in())
            .text("gnd", m.gnd())
            .text("out", m.out());
        Double tolerance = m.tolerancePct();
        if (tolerance != null) {
          number("tolerance_pct", tolerance);
        }
      }
      case Model.Load m -> load(m);
      case Model.Switch m -> {
        type("switch").lists("poles", m.poles());
        to.put("closed", m.closed());
      }
      case Model.Battery m -> {
        type("battery")
            .number("voc_v", m.vocV())
            .number("rint_ohm", m.rintOhm())
            .number("mah", m.mah())
            .number("cutoff_v", m.cutoffV());
        ArrayNode range = to.putArray("voc_range_v");
        range.add(exact(m.vocRangeV().low()));
        range.add(exact(m.vocRangeV().high()));
      }
      case Model.Pot m -> {
        type("pot").number("ohms", m.ohms()).number("at", m.at());
        if (!m.tracks().isEmpty()) {
          lists("tracks", m.tracks());
        }
      }
      // A closed link has no model of its own: its kind says it.
      case Model.Closed m -> type("resistor").number("ohms", 0.001);
      case Model.Open m -> type("open");
    }
  }

  private void load(Model.Load m) {
    type("load")
        .text("plus", m.plus())
        .text("minus", m.minus())
        .number("ma", m.ma())
        .number("min_v", m.minV())
        .number("ma_spread_pct", m.spreadPct());
    if (!m.outputsRonOhm().isEmpty()) {
      ObjectNode outputs = to.putObject("outputs");
      for (Map.Entry<String, Double> out : new TreeMap<>(m.outputsRonOhm()).entrySet()) {
        outputs.putObject(out.getKey()).put("ron_ohm", exact(out.getValue()));
      }
    }
  }

  private ModelWriter type(String name) {
    to.put("type", name);
    return this;
  }

  private ModelWriter number(String key, double value) {
    to.put(key, exact(value));
    return this;
  }

  private ModelWriter text(String key, String value) {
    to.put(key, value);
    return this;
  }

  private void lists(String key, List<List<String>> lists) {
    ArrayNode all = to.putArray(key);
    for (List<String> list : lists) {
      ArrayNode each = all.addArray();
      list.forEach(each::add);
    }
  }

  private static BigDecimal exact(double value) {
    BigDecimal exact = BigDecimal.valueOf(value).stripTrailingZeros();
    return exact.scale() < 0 ? exact.setScale(0) : exact;
  }
}
