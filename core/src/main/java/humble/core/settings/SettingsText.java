package humble.core.settings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * A file with settings in it, as it is.
 *
 * @param text all of it
 * @param entries the settings in the order of the file
 */
public record SettingsText(String text, List<Entry> entries) {
  public SettingsText {
    entries = List.copyOf(entries);
  }

  /** Reads a file by the ending of its name: headers of C, else lines of a key and a value. */
  public static SettingsText read(String file, String text) {
    return file.matches("(?i).*\\.(h|hh|hpp|hxx|c|cc|cpp|cxx|ino)")
        ? HeaderReader.read(text)
        : KeyValueReader.read(text);
  }

  /** Gives every place where a setting stands. */
  public List<Entry> named(String name) {
    return entries.stream().filter(entry -> entry.name().equals(name)).toList();
  }

  /** Gives the value of an entry as it is written. */
  public String valueOf(Entry entry) {
    return entry.value().of(text);
  }

  /** What comes in place of a part of the text. */
  record Replacement(Span span, String with) {}

  /** Gives the text with parts of it replaced, which do not overlap. */
  String with(List<Replacement> replacements) {
    List<Replacement> inOrder = new ArrayList<>(replacements);
    inOrder.sort(Comparator.comparingInt(each -> each.span().from()));
    StringBuilder made = new StringBuilder();
    int at = 0;
    for (Replacement each : inOrder) {
      made.append(text, at, each.span().from()).append(each.with());
      at = each.span().to();
    }
    return made.append(text, at, text.length()).toString();
  }
}
