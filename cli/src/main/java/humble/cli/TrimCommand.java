package humble.cli;

import humble.core.trim.Knob;
import humble.core.trim.TrimAdvice;
import humble.core.trim.TrimState;
import humble.core.trim.Trimmer;
import humble.core.words.Words;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.trim.TrimJson;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Says which setting of some screws to try next. */
@Command(
    name = "trim",
    description =
        "From what was tried, say which setting of screws that pull at each other is next.")
final class TrimCommand extends humble.cli.Command {
  private static final Words WORDS = Words.core(Locale.ENGLISH);
  private static final long MOST_BYTES = 4L << 20;

  @Option(
      names = "--state",
      required = true,
      paramLabel = "FILE.json",
      description = "The knobs, the reading and what is wanted of it, and every try so far.")
  @Nullable Path state;

  @Override
  Answer answer() {
    TrimState read = read(Objects.requireNonNull(state));
    TrimAdvice advice = Trimmer.advise(read);
    Map<String, Object> best = new LinkedHashMap<>();
    advice
        .best()
        .ifPresent(found -> {
          best.put("at", named(read, found.at()));
          best.put("reads", found.reads());
        });
    List<String> text = new ArrayList<>();
    text.add(
        IntStream.range(0, read.knobs().size())
            .mapToObj(i ->
                String.format(
                    Locale.ROOT, "%s %.4f", read.knobs().get(i).id(), advice.next().get(i)))
            .collect(Collectors.joining(", ", advice.stop() ? "leave it at " : "try ", "")));
    text.add(WORDS.sentence(advice.why()));
    advice
        .best()
        .ifPresent(found ->
            text.add(
                String.format(
                    Locale.ROOT,
                    "best so far %.4g %s; %.2g %s may be gained",
                    found.reads(),
                    read.unit(),
                    advice.expectedGain(),
                    read.unit())));
    return new Answer(
        Answer.object(
            "next",
            named(read, advice.next()),
            "best",
            best.isEmpty() ? null : best,
            "expected_gain",
            advice.expectedGain(),
            "stop",
            advice.stop(),
            "advice",
            WORDS.sentence(advice.why())),
        text,
        false);
  }

  private static Map<String, Object> named(TrimState state, List<Double> settings) {
    Map<String, Object> named = new LinkedHashMap<>();
    for (int i = 0; i < settings.size(); i++) {
      Knob knob = state.knobs().get(i);
      named.put(knob.id(), settings.get(i));
    }
    return named;
  }

  private static TrimState read(Path file) {
    try {
      TrimJson.Read read =
          TrimJson.read(
              new String(
                  InputFile.bytes(file, MOST_BYTES, ReadingBudget.usual()),
                  StandardCharsets.UTF_8));
      Optional<TrimState> state = read.state();
      if (state.isEmpty()) {
        throw new BadInput(
            read.problems().stream().map(each -> file.getFileName() + each).toList());
      }
      return state.get();
    } catch (IOException e) {
      throw new BadInput(file + ": " + InputFile.reason(e));
    }
  }
}
