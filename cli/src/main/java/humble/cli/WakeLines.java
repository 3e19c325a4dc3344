package humble.cli;

import humble.core.wake.ParallelLines;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Words written to parallel lines and read back. */
@Command(name = "lines", description = "Say what each of parallel lines is, from words read back.")
final class WakeLines extends humble.cli.Command {
  private static final int WIDEST = 32;

  @Option(names = "--width", required = true, paramLabel = "N", description = "How many lines.")
  int width;

  @Option(
      names = "--wrote",
      required = true,
      paramLabel = "FILE",
      description = "Words written: one hexadecimal word a line.")
  @Nullable Path wrote;

  @Option(
      names = "--read",
      required = true,
      paramLabel = "FILE",
      description = "Words read: a line for each word, with one reading or several.")
  @Nullable Path read;

  private final List<String> problems = new ArrayList<>();

  @Override
  Answer answer() {
    if (width < 1 || width > WIDEST) {
      throw new BadInput("--width: 1 to " + WIDEST + " lines.");
    }
    List<List<Long>> written = words(Objects.requireNonNull(wrote));
    List<List<Long>> readings = words(Objects.requireNonNull(read));
    if (written.stream().anyMatch(words -> words.size() != 1)) {
      problems.add(wrote + ": one word a line is expected.");
    }
    if (written.size() != readings.size()) {
      problems.add(
          read + ": it has " + readings.size() + " words; " + written.size() + " were written.");
    }
    if (written.isEmpty()) {
      problems.add(wrote + ": there is no word in it.");
    }
    if (!problems.isEmpty()) {
      throw new BadInput(problems);
    }
    List<ParallelLines.Line> lines =
        new ParallelLines(width, written.stream().map(List::getFirst).toList(), readings).lines();
    return new Answer(
        Answer.object("lines", lines.stream().map(WakeLines::json).toList()),
        lines.stream().map(WakeLines::row).toList(),
        lines.stream().anyMatch(line -> !(line.state() instanceof ParallelLines.Good)));
  }

  private static Map<String, @Nullable Object> json(ParallelLines.Line line) {
    Map<String, @Nullable Object> json = new LinkedHashMap<>();
    json.put("bit", line.bit());
    json.put("state", line.state().text());
    json.put("rate", line.rate());
    if (line.state() instanceof ParallelLines.Joined joined) {
      json.put("as", joined.and() ? "and" : "or");
    }
    json.put("rate_low", line.rateLow());
    json.put("rate_high", line.rateHigh());
    return json;
  }

  private static String row(ParallelLines.Line line) {
    return String.format(
        Locale.ROOT,
        "bit %2d  %-10s wrong in %.1f %% of the readings",
        line.bit(),
        line.state().text(),
        line.rate() * 100);
  }

  private List<List<Long>> words(Path file) {
    List<List<Long>> all = new ArrayList<>();
    List<String> lines = TextInput.needed(file).lines().toList();
    for (int i = 0; i < lines.size(); i++) {
      String text = lines.get(i).replaceFirst("#.*", "").strip();
      if (text.isEmpty()) {
        continue;
      }
      List<Long> words = new ArrayList<>();
      for (String word : text.split("\\s+")) {
        if (!word.matches("(0[xX])?[0-9a-fA-F]{1,8}")) {
          problems.add(file + "#" + (i + 1) + ": '" + shown(word) + "' is no hexadecimal word.");
        } else {
          long value = Long.parseLong(word.replaceFirst("0[xX]", ""), 16);
          if (value >> width != 0) {
            problems.add(
                file + "#" + (i + 1) + ": " + word + " is wider than " + width + " lines.");
          }
          words.add(value);
        }
      }
      all.add(words);
    }
    return all;
  }

  private static String shown(String word) {
    return word.length() > 20 ? word.substring(0, 20) + "…" : word;
  }
}
