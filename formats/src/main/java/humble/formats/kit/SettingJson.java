package humble.formats.kit;

import humble.core.kit.Setting;
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
            c.flag("required", false));
    if (setting.file().matches("(?i).*\\.(json|xml|ya?ml)")) {
      c.error(
          "file",
          "Settings are read in headers and in lines of a key and a value, not in such files.");
    }
    return setting;
  }

  private static Setting.Rule rule(Cursor c) {
    List<String> names = c.texts("one_of");
    String key = c.text("key");
    if (names.isEmpty() == key.isEmpty()) {
      c.error("", "It has either 'one_of', names of which exactly one is on, or a 'key'.");
    }
    if (!names.isEmpty()) {
      Map<String, String> labels = c.settings("labels");
      labels.keySet().stream()
          .filter(name -> !names.contains(name))
          .forEach(name -> c.error("labels", "'" + name + "' is none of 'one_of'."));
      return new Setting.Rule.OneOf(names, labels);
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
