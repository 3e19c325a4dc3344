package humble.core.settings;

import humble.core.kit.Setting;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** Settings changed in place: nothing else of the file moves. */
public final class SettingsEdit {
  private static final Pattern JSON_VALUE =
      Pattern.compile(
          "(?s)-?(0|[1-9][0-9]*)(\\.[0-9]+)?([eE][+-]?[0-9]+)?|true|false|null|\"([^\"\\\\]|\\\\.)*\"");

  private SettingsEdit() {}

  /**
   * One change.
   *
   * @param id the setting
   * @param line where it stands
   * @param from what was there
   * @param to what is there now
   */
  public record Change(String id, int line, String from, String to) {}

  /** What came of an edit. */
  public sealed interface Outcome {
    /** It is done. */
    record Edited(String text, List<Change> changes) implements Outcome {}

    /** It cannot be done; every reason, each one sentence. */
    record Refused(List<String> problems) implements Outcome {}
  }

  /**
   * Changes settings.
   *
   * @param settings the settings of the file
   * @param sets what each is to be, by id: of a group the name that is to be on, of a value the
   *     value; a value may be named by its key as well
   */
  public static Outcome of(SettingsText text, List<Setting> settings, Map<String, String> sets) {
    List<String> problems = new ArrayList<>();
    List<Change> changes = new ArrayList<>();
    List<SettingsText.Replacement> replacements = new ArrayList<>();
    Set<String> given = new HashSet<>();
    sets.forEach((name, to) -> {
      Optional<Setting> setting = named(settings, name);
      if (setting.isPresent() && !given.add(setting.get().id())) {
        problems.add(setting.get().id() + " is given twice, once as '" + name + "'.");
      } else if (setting.isEmpty()) {
        problems.add(
            "There is no setting '"
                + name
                + "': "
                + String.join(", ", settings.stream().map(Setting::id).toList())
                + ".");
      } else {
        switch (setting.get().rule()) {
          case Setting.Rule.OneOf group when !group.key().isEmpty() ->
              chooseValue(text, setting.get(), group, to, replacements, changes, problems);
          case Setting.Rule.OneOf group ->
              choose(text, setting.get(), group, to, replacements, changes, problems);
          case Setting.Rule.Value value ->
              value(text, setting.get(), value, to, replacements, changes, problems);
        }
      }
    });
    if (!text.wrong().isEmpty() && !sets.isEmpty()) {
      problems.add(text.wrong());
    }
    if (problems.isEmpty() && SettingsText.overlap(replacements)) {
      problems.add("Two of the settings change the same place of the file.");
    }
    return problems.isEmpty()
        ? new Outcome.Edited(text.with(replacements), changes)
        : new Outcome.Refused(problems);
  }

  private static Optional<Setting> named(List<Setting> settings, String name) {
    return settings.stream()
        .filter(each -> each.id().equals(name))
        .findFirst()
        .or(() -> settings.stream().filter(each -> key(each.rule()).equals(name)).findFirst());
  }

  private static String key(Setting.Rule rule) {
    return switch (rule) {
      case Setting.Rule.OneOf group -> group.key();
      case Setting.Rule.Value value -> value.key();
    };
  }

  private static void chooseValue(
      SettingsText text,
      Setting setting,
      Setting.Rule.OneOf group,
      String to,
      List<SettingsText.Replacement> replacements,
      List<Change> changes,
      List<String> problems) {
    String name = SettingsCheck.bare(to);
    if (!group.names().contains(name)) {
      problems.add(noneOf(setting, group, to));
      return;
    }
    value(
        text,
        setting,
        new Setting.Rule.Value(group.key(), null, null, false, "", true),
        name,
        replacements,
        changes,
        problems);
  }

  private static String noneOf(Setting setting, Setting.Rule.OneOf group, String to) {
    return setting.id()
        + ": '"
        + (setting.isPrivate() ? "…" : to)
        + "' is none of "
        + String.join(", ", group.names())
        + ".";
  }

  /** What stands in quotes stays in them; in JSON words always do. */
  private static String asItStands(boolean quotes, String to) {
    if (!quotes || to.startsWith("\"")) {
      return to;
    }
    StringBuilder quoted = new StringBuilder("\"");
    for (char c : to.toCharArray()) {
      if (c == '"' || c == '\\') {
        quoted.append('\\').append(c);
      } else if (c < ' ') {
        quoted.append(String.format(Locale.ROOT, "\\u%04x", (int) c));
      } else {
        quoted.append(c);
      }
    }
    return quoted.append('"').toString();
  }

  private static void choose(
      SettingsText text,
      Setting setting,
      Setting.Rule.OneOf group,
      String to,
      List<SettingsText.Replacement> replacements,
      List<Change> changes,
      List<String> problems) {
    if (!group.names().contains(to)) {
      problems.add(noneOf(setting, group, to));
      return;
    }
    List<Entry> wanted = text.named(to);
    Optional<Entry> on = wanted.stream().filter(Entry::isOn).findFirst();
    Optional<Entry> off =
        wanted.stream().filter(entry -> entry.locked().isEmpty() && !entry.isOn()).findFirst();
    if (on.isEmpty() && off.isEmpty()) {
      problems.add(
          setting.id()
              + ": "
              + (wanted.isEmpty()
                  ? to + " is not in the file."
                  : to
                      + " on line "
                      + wanted.getFirst().line()
                      + " cannot be switched on: "
                      + wanted.getFirst().locked()
                      + "."));
      return;
    }
    for (Entry entry : text.entries()) {
      boolean other =
          entry.isOn()
              && group.names().contains(entry.name())
              && !(on.isPresent() && entry.equals(on.get()));
      if (other) {
        Entry.Mark mark = entry.begin();
        replacements.add(new SettingsText.Replacement(new Span(mark.at(), mark.at()), mark.text()));
        changes.add(new Change(setting.id(), entry.line(), entry.name() + " on", "off"));
      }
    }
    if (on.isEmpty()) {
      Entry entry = off.get();
      entry.off().forEach(span -> replacements.add(new SettingsText.Replacement(span, "")));
      changes.add(new Change(setting.id(), entry.line(), entry.name() + " off", "on"));
    }
  }

  private static void value(
      SettingsText text,
      Setting setting,
      Setting.Rule.Value rule,
      String given,
      List<SettingsText.Replacement> replacements,
      List<Change> changes,
      List<String> problems) {
    String was = text.named(rule.key()).stream().findFirst().map(text::valueOf).orElse("");
    boolean quoted = was.startsWith("\"");
    String to = asItStands(rule.words() ? quoted || text.isJson() : quoted && text.isJson(), given);
    String wrong =
        given.matches("(?s).*[\\r\\n].*")
            ? "has a line end in it"
            : text.isJson() && !JSON_VALUE.matcher(to).matches() ? "is no value of JSON" : "";
    wrong = wrong.isEmpty() ? SettingsCheck.problem(rule, to) : wrong;
    if (!wrong.isEmpty()) {
      problems.add(setting.id() + ": '" + (setting.isPrivate() ? "…" : to) + "' " + wrong + ".");
      return;
    }
    List<Entry> all = text.named(rule.key());
    List<Entry> on = all.stream().filter(Entry::isOn).toList();
    Optional<Entry> at =
        on.isEmpty()
            ? all.stream().filter(entry -> entry.locked().isEmpty()).findFirst()
            : Optional.of(on.getLast());
    if (at.isEmpty()) {
      problems.add(
          setting.id()
              + ": "
              + (all.isEmpty()
                  ? rule.key() + " is not in the file."
                  : rule.key()
                      + " on line "
                      + all.getFirst().line()
                      + " cannot be set: "
                      + all.getFirst().locked()
                      + "."));
      return;
    }
    Entry entry = at.get();
    String from = text.valueOf(entry);
    if (from.equals(to) && entry.isOn()) {
      return;
    }
    entry.off().forEach(span -> replacements.add(new SettingsText.Replacement(span, "")));
    char before = entry.value().from() == 0 ? ' ' : text.text().charAt(entry.value().from() - 1);
    // A name without a value would run into the one it gets.
    boolean meets = Character.isLetterOrDigit(before) || before == '_' || before == ')';
    replacements.add(new SettingsText.Replacement(entry.value(), meets ? " " + to : to));
    changes.add(
        new Change(
            setting.id(),
            entry.line(),
            setting.isPrivate() ? "…" : from,
            setting.isPrivate() ? "…" : to));
  }
}
