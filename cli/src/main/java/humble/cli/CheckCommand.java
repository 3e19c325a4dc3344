package humble.cli;

import humble.core.kit.Finding;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Checks a kit: every problem at once. */
@Command(name = "check", description = "Find every problem of a kit at once.")
final class CheckCommand extends humble.cli.Command {
  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Override
  Answer answer() {
    KitRead read = KitFolder.at(java.util.Objects.requireNonNull(kit)).read();
    if (read instanceof KitRead.Refused refused && !refused.parsed()) {
      throw new BadInput(refused.findings().stream().map(Finding::toString).toList());
    }
    List<String> text = new ArrayList<>();
    List<Object> problems = new ArrayList<>();
    for (Finding finding : read.findings()) {
      String level = finding.level().name().toLowerCase(Locale.ROOT);
      text.add(level + "  " + finding);
      problems.add(json(finding));
    }
    if (text.isEmpty()) {
      text.add("No problems.");
    }
    return new Answer(Answer.object("problems", problems), text, read instanceof KitRead.Refused);
  }

  static Object json(Finding finding) {
    return Answer.object(
        "level", finding.level().name().toLowerCase(Locale.ROOT),
        "where", finding.where(),
        "text", finding.text());
  }
}
