package humble.formats.kit;

import humble.core.kit.ChipFacts;
import humble.core.kit.Firmware;
import humble.core.kit.Setting;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** Reads what goes into the controllers. */
final class FirmwareJson {
  private FirmwareJson() {}

  static Firmware read(Cursor c) {
    Firmware firmware =
        new Firmware(
            c.each("targets", FirmwareJson::target),
            c.each("images", FirmwareJson::image),
            c.each("settings", SettingJson::read),
            c.child("panel").map(PanelJson::panel).orElse(null),
            c.each("toggled", PanelJson::toggled),
            BesideJson.read(c));
    Set<String> ids = new HashSet<>();
    firmware.settings().stream()
        .map(Setting::id)
        .filter(id -> !ids.add(id))
        .forEach(id -> c.error("settings", "Two settings are called '" + id + "'."));
    c.noteUnread();
    return firmware;
  }

  private static Firmware.Target target(Cursor c) {
    return new Firmware.Target(
        c.needId("id"),
        c.text("ref"),
        regions(c, "memory"),
        regions(c, "boot"),
        Math.max(1, c.whole("page_bytes", 128)),
        c.whole("erased", 255) & 0xff,
        c.address("vector_at"),
        c.address("uf2_family"),
        c.texts("protocols"),
        facts(c));
  }

  private static ChipFacts facts(Cursor c) {
    int baud = c.whole("baud", ChipFacts.USUAL_BAUD);
    if (baud < 1) {
      c.error("baud", "It must be more than 0.");
      baud = ChipFacts.USUAL_BAUD;
    }
    String identity = c.text("identity");
    if (!identity.matches("([0-9A-Fa-f]{2})*")) {
      c.error("identity", "Pairs of hexadecimal digits are expected here.");
      identity = "";
    }
    return new ChipFacts(
        baud,
        c.has("clock_hz") ? (Long) (long) c.numberFrom("clock_hz", 0, 0) : null,
        identity.toLowerCase(Locale.ROOT),
        c.each("config", FirmwareJson::word),
        reset(c));
  }

  private static String reset(Cursor c) {
    String by = c.maybeText("reset_by").orElse(ChipFacts.NO_RESET);
    if (!ChipFacts.RESETS.contains(by)) {
      c.error("reset_by", "It is one of " + String.join(", ", ChipFacts.RESETS) + ".");
      return ChipFacts.NO_RESET;
    }
    return by;
  }

  private static ChipFacts.Word word(Cursor c) {
    int bytes = c.whole("bytes", 1);
    if (bytes < 1 || bytes > 4) {
      c.error("bytes", "A word has 1 to 4 bytes.");
      bytes = 1;
    }
    Long at = c.address("at");
    if (at == null) {
      c.error("", "A word has an address, 'at'.");
    }
    return new ChipFacts.Word(
        c.needId("id"), at == null ? 0 : at, bytes, c.each("fields", FirmwareJson::field));
  }

  private static ChipFacts.Field field(Cursor c) {
    Long mask = c.address("mask");
    if (mask == null || mask == 0) {
      c.error("mask", "A field has a mask with at least one bit.");
    }
    return new ChipFacts.Field(
        c.needId("id"),
        mask == null ? 0 : mask,
        c.text("says"),
        c.each("values", v -> value(v, mask == null ? 0 : mask)));
  }

  private static ChipFacts.Value value(Cursor c, long mask) {
    Long is = c.address("is");
    if (is == null || (is & ~mask) != 0) {
      c.error("is", "A value has the bits of its field's mask, and no others.");
    }
    String clock = c.text("clock");
    ChipFacts.ClockFrom from = null;
    for (ChipFacts.ClockFrom each : ChipFacts.ClockFrom.values()) {
      if (each.text().equals(clock)) {
        from = each;
      }
    }
    if (!clock.isEmpty() && from == null) {
      c.error("clock", "A clock comes from 'crystal' or from 'inside'.");
    }
    return new ChipFacts.Value(
        is == null ? 0 : is,
        c.needText("say"),
        from,
        c.has("hz") ? (Long) (long) c.numberFrom("hz", 0, 0) : null,
        c.flag("locks_out", false));
  }

  private static List<Firmware.Region> regions(Cursor c, String key) {
    return c.each(
        key,
        r -> {
          Long from = r.address("from");
          Long to = r.address("to");
          if (from == null || to == null || from > to) {
            r.error("", "A region has a 'from' and a 'to' that is not below it.");
            return new Firmware.Region(r.text("id"), 0, 0);
          }
          return new Firmware.Region(r.text("id"), from, to);
        });
  }

  private static Firmware.Image image(Cursor c) {
    String moment = c.maybeText("moment").orElse(Firmware.Moment.AWAKE.text());
    if (Firmware.Moment.named(moment).isEmpty()) {
      c.error("moment", "It is loaded 'before-fit', 'in-socket' or 'awake'.");
    }
    return new Firmware.Image(
        c.needId("id"),
        c.text("title"),
        c.needText("file"),
        c.text("target"),
        c.text("sha256"),
        c.address("base"),
        Firmware.Moment.named(moment).orElse(Firmware.Moment.AWAKE),
        c.texts("with"));
  }
}
