package humble.formats.kit;

import humble.core.kit.Peripheral;
import humble.core.kit.PeripheralKind;
import humble.core.kit.Says;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Reads what is woken. */
final class PeripheralJson {
  /** Addresses of a bus of two wires: seven bits. */
  private static final int HIGHEST_ADDRESS = 0x7f;

  private static final double MOST_OFFSET_PX = 9_999;

  private PeripheralJson() {}

  static Peripheral read(Cursor c) {
    Peripheral.Named named =
        new Peripheral.Named(c.needId("id"), c.text("part"), c.texts("after"), says(c));
    String kind = c.needText("kind");
    // An error stands where the word is not understood; the kit is then refused.
    PeripheralKind of =
        (kind.isEmpty()
                ? Optional.<PeripheralKind>empty()
                : c.code(
                    "kind", "peripheral kind", kind, PeripheralKind::named, PeripheralKind.names()))
            .orElse(PeripheralKind.OTHER);
    return switch (of) {
      case MATRIX -> matrix(c, named);
      case DISPLAY -> display(c, named);
      case CHAIN -> chain(c, named);
      case MEMORY -> new Peripheral.Memory(named, c.texts("on"));
      case LINES -> new Peripheral.Lines(named, c.whole("width", 8), c.texts("on"));
      case I2C -> bus(c, named);
      case ANALOG ->
          new Peripheral.Analog(
              named,
              c.code(
                      "as",
                      "thing to read",
                      c.needText("as"),
                      Peripheral.Sense::named,
                      Arrays.stream(Peripheral.Sense.values()).map(Peripheral.Sense::text).toList())
                  .orElse(Peripheral.Sense.POT),
              c.whole("counts", 1024),
              c.texts("on"));
      case BUTTONS -> buttons(c, named);
      case TONE -> new Peripheral.Tone(named, c.numberFrom("hz", 0, 0));
      case CLOCK ->
          new Peripheral.Clock(named, c.numberFrom("hz", 0, 0), c.numberFrom("ppm", 0, 0));
      case LIGHT_GATE -> new Peripheral.LightGate(named, c.text("lamp"));
      case RADIO ->
          new Peripheral.Radio(
              named, c.numberFrom("hz", 0, 0), c.numberFrom("velocity_factor", 0, 1));
      case DRIVEN -> new Peripheral.Driven(named, c.text("on"));
      case SERIAL ->
          new Peripheral.Talk(
              named,
              c.numberFrom("baud", 0, 0),
              c.has("clock_hz") ? c.maybeNumber("clock_hz") : null);
      case PASSIVE -> new Peripheral.Passive(named, c.textPairs("through"));
      case ENCODER, CARD, SELF_TEST, OTHER -> new Peripheral.Tried(named, of, c.texts("refs"));
    };
  }

  private static Says says(Cursor c) {
    return new Says(
        c.text("title"),
        c.settings("set"),
        c.text("expect"),
        c.texts("normal"),
        c.each(
            "otherwise",
            each ->
                new Says.Otherwise(each.needText("seen"), each.texts("means"), each.text("say"))),
        c.texts("needs"),
        c.flag("power_cycle", false));
  }

  private static Peripheral display(Cursor c, Peripheral.Named named) {
    return new Peripheral.Display(
        named,
        c.whole("width_px", 128),
        c.whole("height_px", 64),
        c.flag("colour", false),
        c.child("config").map(PeripheralJson::config).orElse(Map.of()));
  }

  /** How its program sets it up: what the window begins from. */
  private static Map<String, String> config(Cursor c) {
    int turn = c.whole("rotate", 0);
    if (turn % 90 != 0) {
      c.error("rotate", "A display turns by quarter turns: 0, 90, 180 or 270.");
    }
    Map<String, String> facts =
        Map.of(
            "turn-deg", Integer.toString(turn),
            "mirror", Boolean.toString(c.flag("mirror", false)),
            "swap-red-blue", Boolean.toString(c.flag("swap_red_blue", false)),
            "invert", Boolean.toString(c.flag("invert", false)),
            "x-offset-px", offset(c, "x_offset"),
            "y-offset-px", offset(c, "y_offset"));
    c.noteUnread();
    return facts;
  }

  private static String offset(Cursor c, String key) {
    double px = c.number(key, 0);
    if (px != Math.rint(px) || Math.abs(px) > MOST_OFFSET_PX) {
      c.error(key, "A whole number of pixels is expected here, to the left and up below zero.");
      return "0";
    }
    return Long.toString(Math.round(px));
  }

  private static Peripheral chain(Cursor c, Peripheral.Named named) {
    List<String> refs = c.texts("refs");
    String order = c.maybeText("order").orElse("GRB");
    char[] letters = order.toCharArray();
    Arrays.sort(letters);
    if (!new String(letters).matches("BGR|BGRW")) {
      c.error("order", "It is the letters R, G, B, and W where there is white, each once.");
    }
    int count = c.whole("count", refs.size());
    if (count < 1) {
      c.error("count", "A chain has at least one light.");
    } else if (!refs.isEmpty() && refs.size() != count) {
      c.error("refs", "There are " + refs.size() + " refs for " + count + " lights.");
    }
    return new Peripheral.Chain(named, refs, Math.max(1, count), order, c.number("ma_full", 36));
  }

  private static Peripheral bus(Cursor c, Peripheral.Named named) {
    return new Peripheral.Bus(
        named,
        c.number("volts", 3.3),
        c.text("sda"),
        c.text("scl"),
        c.number("speed_hz", 100_000),
        c.numberFrom("pf", 0, 0),
        c.each("devices", PeripheralJson::device));
  }

  private static Peripheral.BusDevice device(Cursor c) {
    List<Integer> addresses = new ArrayList<>();
    for (long address : c.addresses("addresses")) {
      if (address < 0 || address > HIGHEST_ADDRESS) {
        c.error("addresses", "An address has seven bits: 0x00 to 0x7f.");
      } else {
        addresses.add((int) address);
      }
    }
    return new Peripheral.BusDevice(
        c.needText("ref"),
        addresses,
        c.has("pullup_ohm") ? c.maybeNumber("pullup_ohm") : null,
        c.numberFrom("pf", 0, 0));
  }

  private static Peripheral buttons(Cursor c, Peripheral.Named named) {
    List<String> rows = c.texts("rows");
    List<String> columns = c.texts("columns");
    List<String> refs = c.texts("refs");
    String wiring = c.maybeText("wiring").orElse("single");
    switch (wiring) {
      case "single" -> {
        if (!rows.isEmpty() || !columns.isEmpty()) {
          c.error("wiring", "Keys with rows and columns are wired in 'rows'.");
        }
      }
      case "rows" -> {
        if (rows.size() * columns.size() < refs.size()) {
          c.error(
              "refs", rows.size() + " rows by " + columns.size() + " columns take no more keys.");
        }
      }
      default -> c.error("wiring", "Keys are wired 'single' or in 'rows'.");
    }
    return new Peripheral.Buttons(named, refs, rows, columns, c.flag("diodes", false));
  }

  private static Peripheral.Matrix matrix(Cursor c, Peripheral.Named named) {
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
    return new Peripheral.Matrix(named, lights, lines, c.number("volts", 5), c.number("vf_v", 2));
  }

  private static String ref(List<String> refs, int index) {
    return index < refs.size() ? refs.get(index) : "";
  }
}
