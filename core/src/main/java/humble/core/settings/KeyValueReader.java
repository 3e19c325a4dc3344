package humble.core.settings;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads lines of a key and a value, {@code key = value} or {@code key: value}, those that are
 * commented out with {@code #} or {@code ;} included. A key in a section is named with it, {@code
 * section.key}.
 */
final class KeyValueReader {
  private static final Pattern LINE =
      Pattern.compile(
          "([ \\t]*+)([#;]*+)([ \\t]*+)([A-Za-z_][A-Za-z0-9_.\\-]*+)[ \\t]*+[=:][ \\t]*+([^\\r\\n]*+)");

  private static final Pattern SECTION = Pattern.compile("[ \\t]*+\\[([^\\]\\r\\n]++)\\]");

  private KeyValueReader() {}

  static SettingsText read(String text) {
    List<Entry> entries = new ArrayList<>();
    String section = "";
    int line = 1;
    int at = SettingsText.begin(text);
    while (at < text.length()) {
      int feed = text.indexOf('\n', at);
      int next = feed < 0 ? text.length() : feed + 1;
      Matcher head = SECTION.matcher(text).region(at, next);
      Matcher entry = LINE.matcher(text).region(at, next);
      if (head.lookingAt()) {
        section = head.group(1).strip() + ".";
      } else if (entry.lookingAt()) {
        entries.add(entry(entry, section, line, text));
      }
      line++;
      at = next;
    }
    return new SettingsText(text, entries);
  }

  private static Entry entry(Matcher found, String section, int line, String text) {
    boolean off = found.end(2) > found.start(2);
    return new Entry(
        section + found.group(4),
        line,
        off ? List.of(new Span(found.start(2), found.end(3))) : List.of(),
        new Entry.Mark(found.start(2), "#"),
        value(found.start(5), found.end(5), text),
        "");
  }

  /** A remark behind the value, after a blank, is none of it; quotes keep everything. */
  private static Span value(int from, int end, String text) {
    int to = from;
    char quote = 0;
    for (int i = from; i < end; i++) {
      char c = text.charAt(i);
      if (quote != 0) {
        quote = c == quote ? 0 : quote;
      } else if (i == from && (c == '"' || c == '\'')) {
        quote = c;
      } else if ((c == '#' || c == ';') && i > from && text.charAt(i - 1) <= ' ') {
        break;
      }
      if (c > ' ') {
        to = i + 1;
      }
    }
    return new Span(from, to);
  }
}
