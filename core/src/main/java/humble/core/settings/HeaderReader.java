package humble.core.settings;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads the {@code #define} lines of a header of C: those that count, those that are commented out
 * one by one, and those that lie inside a comment or a branch that is never taken. Nothing is
 * expanded.
 */
final class HeaderReader {
  private static final Pattern DEFINE =
      Pattern.compile("#[ \\t]*+define[ \\t]++([A-Za-z_][A-Za-z0-9_]*+)(\\(?)");

  private static final Pattern DIRECTIVE =
      Pattern.compile("#[ \\t]*+(if|ifdef|ifndef|elif|else|endif)\\b[ \\t]*+([^\\r\\n]*+)");

  private final String text;
  private final List<Entry> entries = new ArrayList<>();
  private final Deque<Branch> branches = new ArrayDeque<>();
  private boolean conditions;
  private int comment = -1;
  private int line = 1;

  /** A condition that is open: whether its branch is never taken, and where it began. */
  private record Branch(boolean never, boolean always, String said, int line) {}

  private HeaderReader(String text) {
    this.text = text;
  }

  static SettingsText read(String text) {
    HeaderReader reader = new HeaderReader(text);
    reader.all();
    return new SettingsText(text, reader.entries);
  }

  private void all() {
    int at = SettingsText.begin(text);
    while (at < text.length()) {
      int end = logicalEnd(at);
      one(at, end);
      for (int i = at; i < end; i++) {
        line += text.charAt(i) == '\n' ? 1 : 0;
      }
      at = end;
    }
  }

  /** A line that ends with a backslash goes on in the next one. */
  private int logicalEnd(int from) {
    int at = from;
    while (true) {
      int feed = text.indexOf('\n', at);
      if (feed < 0) {
        return text.length();
      }
      int last = feed - 1;
      if (last >= from && text.charAt(last) == '\r') {
        last--;
      }
      if (last < from || text.charAt(last) != '\\') {
        return feed + 1;
      }
      at = feed + 1;
    }
  }

  private void one(int from, int to) {
    int end = to;
    while (end > from && (text.charAt(end - 1) == '\n' || text.charAt(end - 1) == '\r')) {
      end--;
    }
    int at = from;
    if (comment >= 0) {
      int close = text.indexOf("*/", at);
      if (close < 0 || close >= end) {
        hidden(at, end, "inside a comment that begins on line " + comment);
        return;
      }
      comment = -1;
      at = close + 2;
    }
    at = blanks(at, end);
    if (text.startsWith("//", at)) {
      lineComment(at, end);
      return;
    }
    if (text.startsWith("/*", at) && wholeComment(at, end)) {
      return;
    }
    if (at < end && text.charAt(at) == '#') {
      directive(at, end);
    }
    openComment(at, end);
  }

  private int blanks(int from, int end) {
    int at = from;
    while (at < end && (text.charAt(at) == ' ' || text.charAt(at) == '\t')) {
      at++;
    }
    return at;
  }

  private void lineComment(int at, int end) {
    int after = at;
    while (after < end && text.charAt(after) == '/') {
      after++;
    }
    define(blanks(after, end), end, List.of(new Span(at, after)), at);
  }

  /** A definition that is a comment by itself, from mark to mark. */
  private boolean wholeComment(int at, int end) {
    int close = text.indexOf("*/", at + 2);
    if (close < 0 || close >= end || blanks(close + 2, end) < end) {
      return false;
    }
    int begin = blanks(at + 2, close);
    if (begin < close && text.charAt(begin) == '#') {
      define(begin, close, List.of(new Span(at, begin), new Span(close, close + 2)), at);
    }
    return true;
  }

  private void hidden(int at, int end, String why) {
    int begin = blanks(at, end);
    Matcher define = DEFINE.matcher(text).region(begin, end);
    if (define.lookingAt()) {
      add(define, end, List.of(), begin, why);
    }
  }

  private void directive(int at, int end) {
    Matcher directive = DIRECTIVE.matcher(text).region(at, end);
    if (directive.lookingAt()) {
      branch(directive.group(1), said(directive.group(2)));
    } else {
      define(at, end, List.of(), at);
    }
  }

  private static String said(String rest) {
    return rest.replaceAll("//.*|/\\*.*?\\*/", "").strip();
  }

  private void branch(String word, String said) {
    switch (word) {
      case "if" -> {
        conditions = true;
        branches.push(new Branch(said.equals("0"), said.equals("1"), "#if " + said, line));
      }
      case "ifdef", "ifndef" ->
          branches.push(new Branch(false, isGuard(word, said), "#" + word + " " + said, line));
      case "elif", "else" -> {
        if (!branches.isEmpty()) {
          Branch was = branches.pop();
          branches.push(
              new Branch(was.always(), was.never() && word.equals("else"), was.said(), was.line()));
        }
      }
      case "endif" -> {
        if (!branches.isEmpty()) {
          branches.pop();
        }
      }
      default -> throw new IllegalStateException("no directive: " + word);
    }
  }

  /** The first condition of a header, on a name that the next line defines, only guards it. */
  private boolean isGuard(String word, String name) {
    boolean first = !conditions;
    conditions = true;
    return first
        && word.equals("ifndef")
        && entries.isEmpty()
        && Pattern.compile("#[ \\t]*define[ \\t]+" + Pattern.quote(name) + "\\b")
            .matcher(text)
            .find();
  }

  private void define(int at, int end, List<Span> off, int mark) {
    Matcher define = DEFINE.matcher(text).region(at, end);
    if (define.lookingAt()) {
      String why =
          branches.stream()
              .filter(branch -> !branch.always())
              .findFirst()
              .map(branch ->
                  branch.never()
                      ? "inside " + branch.said() + " on line " + branch.line() + ", never taken"
                      : "it depends on " + branch.said() + " on line " + branch.line())
              .orElse("");
      add(define, end, off, mark, why);
    }
  }

  private void add(Matcher define, int end, List<Span> off, int mark, String why) {
    int from = blanks(define.end(1), end);
    int to = from;
    char quote = 0;
    for (int i = from; i < end; i++) {
      char c = text.charAt(i);
      boolean escaped = i > from && text.charAt(i - 1) == '\\';
      if (quote != 0) {
        quote = c == quote && !escaped ? 0 : quote;
      } else if (c == '"' || c == '\'') {
        quote = c;
      } else if (c == '/'
          && i + 1 < end
          && (text.charAt(i + 1) == '/' || text.charAt(i + 1) == '*')) {
        break;
      }
      if (c > ' ') {
        to = i + 1;
      }
    }
    String locked = define.group(2).isEmpty() ? why : why.isEmpty() ? "it takes arguments" : why;
    entries.add(
        new Entry(
            define.group(1), line, off, new Entry.Mark(mark, "//"), new Span(from, to), locked));
  }

  /** Finds a comment that is still open at the end of the line. */
  private void openComment(int from, int end) {
    char quote = 0;
    for (int i = from; i < end; i++) {
      char c = text.charAt(i);
      if (quote != 0) {
        if (c == '\\') {
          i++;
        } else if (c == quote) {
          quote = 0;
        }
      } else if (c == '"' || c == '\'') {
        quote = c;
      } else if (c == '/' && i + 1 < end && text.charAt(i + 1) == '/') {
        return;
      } else if (c == '/' && i + 1 < end && text.charAt(i + 1) == '*') {
        int close = text.indexOf("*/", i + 2);
        if (close < 0 || close >= end) {
          comment = line;
          return;
        }
        i = close + 1;
      }
    }
  }
}
