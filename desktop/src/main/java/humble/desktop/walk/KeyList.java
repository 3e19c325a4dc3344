package humble.desktop.walk;

import humble.core.words.Words;
import humble.desktop.keys.Everywhere;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * The page of all keys: what every card of the window can offer, gathered from where the cards are
 * made, so that no key is left out because no walk came by it. Arguments of {@code main}: folder of
 * the window's sources, file to write.
 */
public final class KeyList {
  private static final Pattern CALL = Pattern.compile("\\.key\\(|Key\\.of\\(|\\.click\\(");
  private static final Pattern WORD = Pattern.compile("\"([a-z][\\w.-]*)\"");
  private static final Pattern DETAIL = Pattern.compile("\\{\\d[^{}]*(?:\\{[^{}]*}[^{}]*)*}");

  /** Where a key is offered: the section, by the package of its card, in the order of the bench. */
  private static final Map<String, String> SECTIONS = sections();

  private final Words words = Words.of("humble.desktop.desktop", Locale.ENGLISH);
  private final Map<String, TreeSet<String>> found = new TreeMap<>();

  private KeyList() {}

  private static Map<String, String> sections() {
    Map<String, String> all = new java.util.LinkedHashMap<>();
    for (String name :
        List.of(
            "shelf",
            "unpack",
            "sort",
            "plan",
            "fit",
            "power",
            "load",
            "wake",
            "mend",
            "close",
            "book",
            "intake",
            "own",
            "practice",
            "guide")) {
      all.put(name, name);
    }
    all.put("panel", "load");
    all.put("beside", "load");
    all.put("along", "shelf");
    all.put("finish", "wake");
    return all;
  }

  /** Gives the page. */
  public static String of(Path sources) throws IOException {
    KeyList list = new KeyList();
    try (Stream<Path> files = Files.walk(sources)) {
      for (Path file : files.filter(each -> each.toString().endsWith(".java")).sorted().toList()) {
        Path parent = file.getParent();
        String section = parent == null ? null : SECTIONS.get(String.valueOf(parent.getFileName()));
        if (section != null) {
          list.scan(section, Files.readString(file));
        }
      }
    }
    return list.page();
  }

  private void scan(String section, String source) {
    Matcher call = CALL.matcher(source);
    while (call.find()) {
      List<String> arguments = arguments(source, call.end());
      boolean click = source.startsWith(".click", call.start());
      String cap = arguments.isEmpty() ? "" : click ? "click" : cap(arguments.getFirst());
      if (cap.isEmpty() || arguments.size() < 3) {
        continue;
      }
      boolean ownCap = arguments.size() > 3;
      Matcher word = WORD.matcher(arguments.get(ownCap ? 2 : 1));
      while (word.find()) {
        if (words.knows(word.group(1))) {
          String text = DETAIL.matcher(raw(word.group(1))).replaceAll("…").strip();
          found.computeIfAbsent(section, each -> new TreeSet<>()).add("`" + cap + "` " + text);
        }
      }
    }
  }

  /** The text of a word, with what will be filled in left open. */
  private String raw(String key) {
    return java.util.ResourceBundle.getBundle("humble.desktop.desktop", Locale.ENGLISH)
        .getString(key)
        .replace("''", "'");
  }

  private static String cap(String argument) {
    String text = argument.strip();
    if (text.equals("Card.BACK")) {
      return "−";
    }
    if (text.equals("Card.ESC")) {
      return "Esc";
    }
    return text.matches("'[^\\\\]'") ? text.substring(1, 2) : "";
  }

  /** The arguments of a call, cut at the commas between them. */
  private static List<String> arguments(String source, int from) {
    List<String> arguments = new ArrayList<>();
    int depth = 0;
    int start = from;
    boolean quoted = false;
    for (int i = from; i < source.length(); i++) {
      char c = source.charAt(i);
      if (c == '\'' && i + 2 < source.length() && source.charAt(i + 2) == '\'') {
        i += 2;
      } else if (c == '"') {
        quoted = !quoted;
      } else if (!quoted && (c == '(' || c == '{' || c == '[')) {
        depth++;
      } else if (!quoted && (c == ')' || c == '}' || c == ']')) {
        if (depth-- == 0) {
          arguments.add(source.substring(start, i));
          return arguments;
        }
      } else if (!quoted && depth == 0 && c == ',') {
        arguments.add(source.substring(start, i));
        start = i + 1;
      }
    }
    return List.of();
  }

  private String page() {
    StringBuilder page = new StringBuilder("# All keys\n\n");
    page.append("What any card can offer. The card at hand says which of them hold now.\n");
    page.append("Written by `./humble keys`.\n\n## Everywhere\n\n");
    Everywhere.all()
        .forEach(each ->
            page.append("- `")
                .append(each.cap())
                .append("` ")
                .append(words.say(each.key()))
                .append('\n'));
    SECTIONS.values().stream()
        .distinct()
        .filter(found::containsKey)
        .forEach(section -> {
          page.append("\n## ").append(words.say("guide.section." + section)).append("\n\n");
          also(section).forEach(each -> page.append("- ").append(each).append('\n'));
          found
              .getOrDefault(section, new TreeSet<>())
              .forEach(each -> page.append("- ").append(each).append('\n'));
        });
    return page.toString();
  }

  /** Letters that other words on the card tell. */
  private List<String> also(String section) {
    String key = "guide.also." + section;
    return words.knows(key) ? List.of(raw(key).split("\\s*\\|\\s*")) : List.of();
  }

  /** Writes the page. */
  public static void main(String[] arguments) throws IOException {
    Files.write(Path.of(arguments[1]), of(Path.of(arguments[0])).getBytes(StandardCharsets.UTF_8));
  }
}
