package humble.cli;

import humble.core.mend.Trial;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** Ranks trials and measurements together. */
@Command(
    name = "trial",
    description = "Rank what may be tried and measured next by what it decides per minute.")
final class TrialCommand extends humble.cli.Command {
  private static final int MOST_TOLD = 12;

  @Mixin MendInput input = new MendInput();

  @Override
  Answer answer() {
    MendInput.Search search = input.search();
    List<Trial> next =
        Trial.ranked(search.parts(), search.known()).stream().limit(MOST_TOLD).toList();
    return new Answer(
        Answer.object("next", next.stream().map(TrialCommand::json).toList()),
        next.isEmpty()
            ? List.of("Nothing decides any more.")
            : next.stream()
                .map(trial ->
                    String.format(
                        Locale.ROOT,
                        "%-8s %-24s %4.1f minutes, worth %.2f bits",
                        trial.act().text(),
                        trial.what(),
                        trial.minutes(),
                        trial.decidesBits()))
                .toList(),
        false);
  }

  private static Map<String, @Nullable Object> json(Trial trial) {
    return Answer.object(
        "do",
        trial.act().text(),
        "what",
        trial.what(),
        "minutes",
        trial.minutes(),
        "decides_bits",
        trial.decidesBits());
  }
}
