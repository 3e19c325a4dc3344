package humble.formats.kit;

import humble.core.kit.Firmware;
import java.util.List;

/** Reads what goes into the controllers. */
final class FirmwareJson {
  private FirmwareJson() {}

  static Firmware read(Cursor c) {
    c.known("settings", "channels");
    Firmware firmware =
        new Firmware(
            c.each("targets", FirmwareJson::target), c.each("images", FirmwareJson::image));
    c.noteUnread();
    return firmware;
  }

  private static Firmware.Target target(Cursor c) {
    c.known("baud", "clock_hz");
    return new Firmware.Target(
        c.needId("id"),
        c.text("ref"),
        regions(c, "memory"),
        regions(c, "boot"),
        Math.max(1, c.whole("page_bytes", 128)),
        c.whole("erased", 255) & 0xff,
        c.address("vector_at"),
        c.address("uf2_family"),
        c.texts("protocols"));
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
    c.known("base", "with");
    return new Firmware.Image(
        c.needId("id"), c.text("title"), c.needText("file"), c.text("target"), c.text("sha256"));
  }
}
