package humble.cli;

import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.stock.MeterProfile;
import humble.core.words.ForeignText;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import tools.jackson.databind.json.JsonMapper;

/** A computing command: answers for people, or with one JSON object. */
abstract class Command implements Callable<Integer> {
  private static final JsonMapper JSON = new JsonMapper();

  @Spec @Nullable CommandSpec spec;

  @Option(names = "--json", description = "Print one JSON object.")
  boolean json;

  @Option(
      names = {"-h", "--help"},
      usageHelp = true,
      description = "Print this help.")
  boolean help;

  /** Computes the answer. */
  abstract Answer answer();

  @Override
  public Integer call() {
    CommandLine line = java.util.Objects.requireNonNull(spec).commandLine();
    Answer answer = answer();
    PrintWriter out = line.getOut();
    if (json) {
      out.println(JSON.writeValueAsString(answer.json()));
    } else {
      answer.text().forEach(each -> out.println(ForeignText.shown(each)));
    }
    out.flush();
    return answer.no() ? 1 : 0;
  }

  /** Reads a meter as it is written; the usual one when none is given. */
  static Optional<MeterProfile> meter(@Nullable String text, List<String> problems) {
    Optional<MeterProfile> meter =
        text == null ? Optional.of(MeterProfile.USUAL) : MeterProfile.parse(text);
    if (meter.isEmpty()) {
      problems.add("--meter: '" + text + "' is not written like 0.8%+3@1.");
    }
    return meter;
  }

  static Kit kit(Path path) {
    return switch (KitFolder.at(path).read()) {
      case KitRead.Opened opened -> opened.kit();
      case KitRead.Refused refused ->
          throw new BadInput(
              refused.findings().stream().filter(Finding::isError).map(Finding::toString).toList());
    };
  }

  static Parts parts(Path path) {
    return Parts.of(kit(path));
  }
}
