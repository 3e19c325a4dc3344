package humble.formats.kit;

import humble.core.kit.Peripheral;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Reads what is woken. */
final class PeripheralJson {
  /** Kinds that are tried by eye and hand. */
  private static final Set<String> OTHERS =
      Set.of("chain", "lines", "i2c", "analog", "buttons", "tone", "clock", "light-gate", "radio");

  private PeripheralJson() {}

  static Peripheral read(Cursor c) {
    String id = c.needId("id");
    String kind = c.needText("kind");
    String part = c.text("part");
    List<String> after = c.texts("after");
    return switch (kind) {
      case "matrix" -> matrix(c, id, part, after);
      case "display" -> {
        c.known("config");
        yield new Peripheral.Display(
            id,
            part,
            after,
            c.whole("width_px", 128),
            c.whole("height_px", 64),
            c.flag("colour", false));
      }
      default -> {
        if (!OTHERS.contains(kind) && !kind.isEmpty()) {
          c.error("kind", "There is no peripheral kind '" + kind + "'.");
        }
        c.known(
            "count",
            "order",
            "ma_full",
            "width",
            "on",
            "volts",
            "sda",
            "scl",
            "speed_hz",
            "pf",
            "devices",
            "as",
            "counts",
            "wiring",
            "hz",
            "ppm",
            "lamp",
            "velocity_factor",
            "rows",
            "columns",
            "diodes");
        yield new Peripheral.Other(id, part, after, kind, c.texts("refs"));
      }
    };
  }

  private static Peripheral.Matrix matrix(Cursor c, String id, String part, List<String> after) {
    List<String> refs = c.texts("refs");
    List<Peripheral.Light> lights = new ArrayList<>();
    List<String> lines = new ArrayList<>();
    String wiring = c.needText("wiring");
    if (wiring.equals("pairs")) {
      lines.addAll(c.texts("pins"));
      for (List<String> pair : c.textPairs("lights")) {
        lights.add(new Peripheral.Light(pair.get(0), pair.get(1), ref(refs, lights.size())));
      }
    } else if (wiring.equals("rows")) {
      lines.addAll(c.texts("rows"));
      lines.addAll(c.texts("columns"));
      for (String row : c.texts("rows")) {
        for (String column : c.texts("columns")) {
          lights.add(new Peripheral.Light(row, column, ref(refs, lights.size())));
        }
      }
    } else {
      c.error("wiring", "A matrix is wired in rows or in pairs.");
    }
    return new Peripheral.Matrix(
        id, part, after, lights, lines, c.number("volts", 5), c.number("vf_v", 2));
  }

  private static String ref(List<String> refs, int index) {
    return index < refs.size() ? refs.get(index) : "";
  }
}
