package humble.formats.settings;

import humble.core.settings.Entry;
import humble.core.settings.SettingsText;
import humble.core.settings.Span;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.json.JsonReadFeature;

/**
 * Reads the values of a JSON file with the place where each stands, comments allowed. A value is
 * named by its keys, {@code screen.width}, in a list by its number from 0, {@code pins.2}.
 */
final class JsonSettings {
  private static final JsonFactory JSON =
      JsonFactory.builder()
          .enable(JsonReadFeature.ALLOW_JAVA_COMMENTS)
          .enable(JsonReadFeature.ALLOW_TRAILING_COMMA)
          .build();

  private JsonSettings() {}

  /** An object or a list that is open. */
  private static final class Level {
    private final String name;
    private final boolean list;
    private String key = "";
    private int count;

    Level(String name, boolean list) {
      this.name = name;
      this.list = list;
    }

    String next() {
      String own = list ? Integer.toString(count++) : key;
      return name.isEmpty() ? own : name + "." + own;
    }
  }

  static SettingsText read(String text) {
    int begin = SettingsText.begin(text);
    List<Entry> entries = new ArrayList<>();
    try (JsonParser parser = JSON.createParser(ObjectReadContext.empty(), text.substring(begin))) {
      Deque<Level> open = new ArrayDeque<>();
      for (JsonToken token = parser.nextToken(); token != null; token = parser.nextToken()) {
        take(parser, token, open, text, begin, entries);
      }
      return new SettingsText(
          text, entries, entries.isEmpty() ? "There is no setting in it." : "", true);
    } catch (JacksonException e) {
      int line = e.getLocation() == null ? 1 : Math.max(1, e.getLocation().getLineNr());
      return new SettingsText(text, entries, "Line " + line + ": this is no JSON.", true);
    }
  }

  private static void take(
      JsonParser parser,
      JsonToken token,
      Deque<Level> open,
      String text,
      int begin,
      List<Entry> entries) {
    switch (token) {
      case START_OBJECT -> open.push(new Level(name(open), false));
      case START_ARRAY -> open.push(new Level(name(open), true));
      case END_OBJECT, END_ARRAY -> open.pop();
      case PROPERTY_NAME -> {
        Level level = open.peek();
        if (level != null) {
          level.key = parser.currentName();
        }
      }
      default -> {
        int from = begin + (int) parser.currentTokenLocation().getCharOffset();
        int line = parser.currentTokenLocation().getLineNr();
        parser.getString();
        entries.add(
            new Entry(
                name(open),
                line,
                List.of(),
                new Entry.Mark(from, ""),
                new Span(from, end(text, from)),
                ""));
      }
    }
  }

  private static String name(Deque<Level> open) {
    Level level = open.peek();
    return level == null ? "" : level.next();
  }

  /** A text ends at its quote, anything else where nothing of a value can stand. */
  private static int end(String text, int from) {
    if (text.charAt(from) == '"') {
      int at = from + 1;
      while (at < text.length() && text.charAt(at) != '"') {
        at += text.charAt(at) == '\\' ? 2 : 1;
      }
      return Math.min(text.length(), at + 1);
    }
    int at = from;
    while (at < text.length() && " \t\r\n,]}/".indexOf(text.charAt(at)) < 0) {
      at++;
    }
    return at;
  }
}
