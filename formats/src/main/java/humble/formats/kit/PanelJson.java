package humble.formats.kit;

import humble.core.firmware.NumberBase;
import humble.core.kit.Panel;
import humble.core.kit.Toggled;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** Reads the front panel of an old machine and what is toggled in at it. */
final class PanelJson {
  private PanelJson() {}

  static Panel panel(Cursor c) {
    Map<Panel.Key, List<String>> keys = new EnumMap<>(Panel.Key.class);
    c.child("keys")
        .ifPresent(named -> {
          for (Panel.Key key : Panel.Key.values()) {
            if (named.has(key.text())) {
              keys.put(key, named.texts(key.text()));
            }
          }
          named.noteUnread();
        });
    Panel panel =
        new Panel(
            c.needText("processor"),
            c.needText("memory"),
            c.texts("switches"),
            c.texts("data"),
            c.texts("address"),
            c.texts("data_lines"),
            c.texts("address_lines"),
            keys,
            c.text("language"));
    c.noteUnread();
    return panel;
  }

  static Toggled toggled(Cursor c) {
    String numbers = c.maybeText("numbers").orElse(NumberBase.HEX.text());
    if (NumberBase.named(numbers).isEmpty()) {
      c.error("numbers", "A listing is in hex, octal, split-octal or binary.");
      numbers = NumberBase.HEX.text();
    }
    List<Toggled.Shows> shows = new ArrayList<>(c.each("shows", PanelJson::shows));
    return new Toggled(
        c.needId("id"),
        c.text("title"),
        c.needText("file"),
        numbers,
        c.texts("after"),
        c.texts("normal"),
        c.text("run"),
        c.addresses("switches").stream().map(value -> (int) (value & 0xff)).toList(),
        shows);
  }

  private static Toggled.Shows shows(Cursor c) {
    Long lights = c.has("lights") ? c.address("lights") : null;
    if (lights != null && lights > 0xff) {
      c.error("lights", "Eight lights show 0x00 to 0xff.");
    }
    return new Toggled.Shows(
        lights == null ? null : (int) (lights & 0xff), c.needText("say"), c.flag("good", false));
  }
}
