package humble.cli;

import humble.core.budget.Budget;
import humble.core.kit.Board;
import humble.core.kit.Finding;
import humble.core.kit.Parts;
import humble.core.power.GateSense;
import humble.core.route.Planner;
import humble.core.words.Phrase;
import humble.core.words.Words;
import humble.formats.ReadingBudget;
import humble.formats.board.BoardLayers;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Checks a kit: every problem at once. */
@Command(name = "check", description = "Find every problem of a kit at once.")
final class CheckCommand extends humble.cli.Command {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Override
  Answer answer() {
    KitFolder folder = KitFolder.at(Objects.requireNonNull(kit));
    Budget budget = ReadingBudget.usual();
    KitRead read = folder.read(budget);
    if (read instanceof KitRead.Refused refused && !refused.parsed()) {
      throw new BadInput(refused.findings().stream().map(Finding::toString).toList());
    }
    List<String> text = new ArrayList<>();
    List<Object> problems = new ArrayList<>();
    List<Finding> findings = new ArrayList<>(read.findings());
    if (read instanceof KitRead.Opened opened) {
      for (Board board : opened.kit().boards()) {
        BoardLayers.problems(board, folder.source(budget), budget).stream()
            .filter(problem -> !findings.contains(problem))
            .forEach(findings::add);
      }
    }
    boolean impossible = false;
    if (read instanceof KitRead.Opened opened) {
      List<Phrase> circle = Planner.circleOf(Parts.of(opened.kit()));
      impossible = !circle.isEmpty();
      if (impossible) {
        String facts = circle.stream().map(WORDS::say).collect(Collectors.joining(" "));
        findings.add(
            Finding.error(
                "kit.json", "No order of work is possible, these run in a circle: " + facts));
      }
    }
    if (read instanceof KitRead.Opened opened) {
      List<Finding> gates = GateSense.of(opened.kit());
      impossible |= gates.stream().anyMatch(Finding::isError);
      findings.addAll(gates);
    }
    for (Finding finding : findings) {
      String level = finding.level().name().toLowerCase(Locale.ROOT);
      text.add(level + "  " + finding);
      problems.add(json(finding));
    }
    if (text.isEmpty()) {
      text.add("No problems.");
    }
    return new Answer(
        Answer.object("problems", problems), text, impossible || read instanceof KitRead.Refused);
  }

  static Object json(Finding finding) {
    return Answer.object(
        "level", finding.level().name().toLowerCase(Locale.ROOT),
        "where", finding.where(),
        "text", finding.text());
  }
}
