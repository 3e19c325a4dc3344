package humble.bench.line;

import humble.core.words.Phrase;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

/**
 * A command that a maker has for a programmer of their own. Its words are given to the system as
 * they are, never to a shell: whatever a file or a port is called, it stays one word.
 *
 * <p>Words are separated by blanks; quotes of either kind hold a word together, and a backslash
 * takes the next character as it is. {@code {file}}, {@code {port}}, {@code {out}} and so on are
 * put in after that.
 */
public final class OwnProgrammer {
  private static final int LOOK_MS = 50;
  private static final int MOST_KEPT = 64 * 1024;

  private final List<String> template;

  private OwnProgrammer(List<String> template) {
    this.template = List.copyOf(template);
  }

  /** How a run ended. */
  public sealed interface Outcome {
    /** It ended by itself; 0 says that it worked. */
    record Ended(int status, String said) implements Outcome {}

    /** It was cancelled, and ended from here. */
    record Cancelled(String said) implements Outcome {}

    /** It could not be run. */
    record Failed(Phrase why) implements Outcome {}
  }

  /** Reads a template; empty when a quote is open or there is no word in it. */
  public static Optional<OwnProgrammer> of(String template) {
    List<String> words = new ArrayList<>();
    StringBuilder word = new StringBuilder();
    boolean begun = false;
    char quote = 0;
    for (int i = 0; i < template.length(); i++) {
      char c = template.charAt(i);
      if (c == '\\' && quote != '\'' && i + 1 < template.length()) {
        word.append(template.charAt(++i));
        begun = true;
      } else if (quote != 0) {
        if (c == quote) {
          quote = 0;
        } else {
          word.append(c);
        }
      } else if (c == '"' || c == '\'') {
        quote = c;
        begun = true;
      } else if (Character.isWhitespace(c)) {
        if (begun) {
          words.add(word.toString());
          word.setLength(0);
          begun = false;
        }
      } else {
        word.append(c);
        begun = true;
      }
    }
    if (begun) {
      words.add(word.toString());
    }
    return quote != 0 || words.isEmpty() ? Optional.empty() : Optional.of(new OwnProgrammer(words));
  }

  /** Tells whether a name in braces stands in the template. */
  public boolean names(String name) {
    return template.stream().anyMatch(word -> word.contains("{" + name + "}"));
  }

  /** Gives the words that would be run. */
  public List<String> words(Map<String, String> values) {
    return template.stream().map(word -> filled(word, values)).toList();
  }

  /** What is put in is not looked at again, whatever it holds. */
  private static String filled(String word, Map<String, String> values) {
    StringBuilder filled = new StringBuilder();
    int at = 0;
    while (at < word.length()) {
      int close = word.charAt(at) == '{' ? word.indexOf('}', at) : -1;
      String value = close < 0 ? null : values.get(word.substring(at + 1, close));
      if (value == null) {
        filled.append(word.charAt(at++));
      } else {
        filled.append(value);
        at = close + 1;
      }
    }
    return filled.toString();
  }

  /**
   * Runs it.
   *
   * @param said told what the command prints, as it comes
   */
  public Outcome run(Map<String, String> values, Consumer<String> said, BooleanSupplier cancelled) {
    Process process;
    try {
      process = new ProcessBuilder(words(values)).redirectErrorStream(true).start();
      process.getOutputStream().close();
    } catch (IOException e) {
      return new Outcome.Failed(Phrase.of("own.not-run", template.getFirst()));
    }
    StringBuilder all = new StringBuilder();
    try (InputStream out = process.getInputStream()) {
      byte[] piece = new byte[4096];
      while (process.isAlive() || out.available() > 0) {
        if (cancelled.getAsBoolean()) {
          end(process);
          return new Outcome.Cancelled(all.toString());
        }
        int there = Math.min(piece.length, out.available());
        if (there == 0) {
          process.waitFor(LOOK_MS, TimeUnit.MILLISECONDS);
          continue;
        }
        int got = out.read(piece, 0, there);
        String text = new String(piece, 0, Math.max(0, got), Charset.defaultCharset());
        if (all.length() < MOST_KEPT) {
          all.append(text);
        }
        said.accept(text);
      }
      return new Outcome.Ended(process.waitFor(), all.toString());
    } catch (IOException e) {
      end(process);
      return new Outcome.Failed(Phrase.of("link.broken", String.valueOf(e.getMessage())));
    } catch (InterruptedException e) {
      end(process);
      Thread.currentThread().interrupt();
      return new Outcome.Cancelled(all.toString());
    }
  }

  private static void end(Process process) {
    process.descendants().forEach(ProcessHandle::destroyForcibly);
    process.destroyForcibly();
  }
}
