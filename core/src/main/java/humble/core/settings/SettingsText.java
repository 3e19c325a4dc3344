package humble.core.settings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * A file with settings in it, as it is.
 *
 * @param text all of it
 * @param entries the settings in the order of the file
 * @param wrong one sentence with its line where the file cannot be read to its end; empty where it
 *     can
 * @param isJson whether a value has to be one of JSON
 */
public record SettingsText(String text, List<Entry> entries, String wrong, boolean isJson) {
  /** A byte-order mark, one character for one byte. */
  private static final String MARK_AS_BYTES = "\u00ef\u00bb\u00bf";

  public SettingsText {
    entries = List.copyOf(entries);
  }

  /** Makes one that was read to its end. */
  public SettingsText(String text, List<Entry> entries) {
    this(text, entries, "", false);
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

  /** Tells whether two replacements want the same place. */
  static boolean overlap(List<Replacement> replacements) {
    List<Replacement> all = inOrder(replacements);
    for (int i = 1; i < all.size(); i++) {
      Span before = all.get(i - 1).span();
      Span here = all.get(i).span();
      if (here.from() < before.to() || here.equals(before)) {
        return true;
      }
    }
    return false;
  }

  private static List<Replacement> inOrder(List<Replacement> replacements) {
    List<Replacement> inOrder = new ArrayList<>(replacements);
    inOrder.sort(
        Comparator.comparingInt((Replacement each) -> each.span().from())
            .thenComparingInt(each -> each.span().to()));
    return inOrder;
  }

  /** Gives where the text itself begins: behind the mark that some editors put before it. */
  public static int begin(String text) {
    return text.startsWith(MARK_AS_BYTES)
        ? MARK_AS_BYTES.length()
        : text.startsWith("\ufeff") ? 1 : 0;
  }

  /** Gives the text with parts of it replaced, which do not overlap. */
  String with(List<Replacement> replacements) {
    StringBuilder made = new StringBuilder();
    int at = 0;
    for (Replacement each : inOrder(replacements)) {
      made.append(text, at, each.span().from()).append(each.with());
      at = each.span().to();
    }
    return made.append(text, at, text.length()).toString();
  }
}
