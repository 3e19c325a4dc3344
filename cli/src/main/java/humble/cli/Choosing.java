package humble.cli;

import humble.core.kit.AsBuilt;
import humble.core.kit.Kit;
import humble.core.kit.KitOption;
import humble.core.kit.Parts;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import picocli.CommandLine.Option;

/** The choices that a board was built by, for every command that reckons with a board. */
final class Choosing {
  @Option(
      names = "--choose",
      paramLabel = "OPTION=CHOICE",
      description = "Take a choice; an option that is not named takes its usual one.")
  Map<String, String> choices = new LinkedHashMap<>();

  /** Says what is wrong with the choices: options and choices that the kit does not have. */
  List<String> problems(Kit kit) {
    List<String> problems = new ArrayList<>();
    choices.forEach((option, choice) -> {
      KitOption found =
          kit.options().stream().filter(o -> o.id().equals(option)).findFirst().orElse(null);
      if (found == null) {
        problems.add("--choose: there is no option '" + option + "'.");
      } else if (found.choice(choice).isEmpty()) {
        problems.add("--choose: option '" + option + "' has no choice '" + choice + "'.");
      }
    });
    return problems;
  }

  /** Gives the parts of a kit as these choices build it. */
  Parts parts(Path path) {
    Kit kit = Command.kit(path);
    List<String> problems = problems(kit);
    if (!problems.isEmpty()) {
      throw new BadInput(problems);
    }
    return Parts.of(kit, new AsBuilt(choices, Map.of(), Set.of()));
  }
}
