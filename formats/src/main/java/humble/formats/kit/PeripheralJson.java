package humble.formats.kit;

import humble.core.kit.Peripheral;
import humble.core.kit.PeripheralKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads what is woken. */
final class PeripheralJson {
  private PeripheralJson() {}

  static Peripheral read(Cursor c) {
    String id = c.needId("id");
    String kind = c.needText("kind");
    String part = c.text("part");
    List<String> after = c.texts("after");
    // An error stands where the word is not understood; the kit is then refused.
    PeripheralKind of =
        (kind.isEmpty()
                ? Optional.<PeripheralKind>empty()
                : c.code(
                    "kind", "peripheral kind", kind, PeripheralKind::named, PeripheralKind.names()))
            .orElse(PeripheralKind.LINES);
    return switch (of) {
      case MATRIX -> matrix(c, id, part, after);
      case DISPLAY -> {
        c.known("config");
        yield new Peripheral.Display(
            id,
            part,
            after,
            c.whole("width_px", 128),
            c.whole("height_px", 64),
            c.flag("colour", false));
      }
      case CHAIN, LINES, I2C, ANALOG, BUTTONS, TONE, CLOCK, LIGHT_GATE, RADIO -> {
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
        yield new Peripheral.Other(id, part, after, of, c.texts("refs"));
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
