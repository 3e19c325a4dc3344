package humble.formats.kit;

import humble.core.kit.Setting;
import humble.formats.settings.SettingsFile;
import java.util.List;
import java.util.Map;

/** Reads what has to be right in a file beside a program. */
final class SettingJson {
  private SettingJson() {}

  static Setting read(Cursor c) {
    Setting setting =
        new Setting(
            c.needId("id"),
            c.needText("file"),
            c.text("question"),
            rule(c),
            c.flag("private", false),
            c.flag("required", false),
            c.child("same_as").map(SettingJson::board).orElse(null));
    if (setting.file().matches("(?i).*\\.(xml|ya?ml)")) {
      c.error(
          "file",
          "Settings are read in headers, in lines of a key and a value, and in JSON, not in such"
              + " files.");
    }
    if (SettingsFile.isJson(setting.file())
        && setting.rule() instanceof Setting.Rule.OneOf group
        && group.key().isEmpty()) {
      c.error("key", "In JSON a choice has a 'key' whose value is one of 'one_of'.");
    }
    return setting;
  }

  private static Setting.FromBoard board(Cursor c) {
    String what = c.needText("what");
    if (!Setting.FromBoard.FACTS.contains(what)) {
      c.error("what", "It is one of " + String.join(", ", Setting.FromBoard.FACTS) + ".");
    }
    Setting.FromBoard board =
        new Setting.FromBoard(
            what,
            c.needText("of"),
            c.text("net"),
            c.numberFrom("per", Double.MIN_NORMAL, 1),
            c.settings("rows"));
    c.noteUnread();
    return board;
  }

  private static Setting.Rule rule(Cursor c) {
    List<String> names = c.texts("one_of");
    String key = c.text("key");
    if (names.isEmpty() && key.isEmpty()) {
      c.error("", "It has 'one_of', names of which exactly one is on, or a 'key', or both.");
    }
    if (!names.isEmpty()) {
      Map<String, String> labels = c.settings("labels");
      labels.keySet().stream()
          .filter(name -> !names.contains(name))
          .forEach(name -> c.error("labels", "'" + name + "' is none of 'one_of'."));
      return new Setting.Rule.OneOf(names, labels, key);
    }
    Double low = c.has("low") ? c.maybeNumber("low") : null;
    Double high = c.has("high") ? c.maybeNumber("high") : null;
    if (low != null && high != null && low > high) {
      c.error("low", "It is above 'high'.");
    }
    return new Setting.Rule.Value(
        key, low, high, c.flag("whole", false), c.text("unit"), c.flag("words", false));
  }
}
